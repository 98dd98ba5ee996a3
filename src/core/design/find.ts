import { CoreError, invariant } from '../errors'
import type {
  DesignDocument,
  DesignPart,
  DesignSource,
  Stage,
  Step,
  StepSource,
  Variant,
  VariantSource,
} from './types'

/** The variant of that key. *Throws* `UNKNOWN_VARIANT`. */
export function variantOf(design: DesignDocument, variantKey: string): Variant
export function variantOf(design: DesignSource, variantKey: string): VariantSource
export function variantOf(
  design: DesignDocument | DesignSource,
  variantKey: string,
): Variant | VariantSource {
  const variant = design.variants.find((candidate) => candidate.key === variantKey)
  if (!variant) throw new CoreError('UNKNOWN_VARIANT', { name: design.name, value: variantKey })
  return variant
}

/** The part a piece is chiefly made of: its first. */
export function mainPart(design: DesignDocument): DesignPart
export function mainPart(design: DesignSource): DesignPart<StepSource>
export function mainPart(design: DesignDocument | DesignSource): DesignPart<StepSource> {
  const part = design.parts[0]
  invariant(part, `${design.id} has a part`)
  return part
}

/** A part's stages with the variant's left-out steps gone; a stage left with none is gone too. */
export function stagesOf<S extends Step>(
  part: DesignPart<S>,
  variant: Pick<Variant, 'without'>,
): readonly Stage<S>[] {
  return part.stages
    .map((stage) => ({ ...stage, steps: stage.steps.filter((step) => !variant.without.includes(step.key)) }))
    .filter((stage) => stage.steps.length > 0)
}
