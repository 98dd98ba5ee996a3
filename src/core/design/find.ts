import { CoreError, invariant } from '../errors'
import { HEXAGON_HIGH_PER_WIDE } from '../sheet'
import type {
  DesignDocument,
  DesignPart,
  DesignSource,
  Stage,
  Step,
  StepSource,
  Variant,
  VariantSource,
  Way,
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

/** What is said beside a step whose tuck lies under nothing that stays. */
export const LOOSE_LOCK =
  'This lock does not hold: nothing lies over what is tucked in. Hold it with a dot of glue.'

/**
 * A part's stages with the steps gone that the variant or the way leaves out; a stage left with none is gone too. A step
 * whose lock does not hold says so in the place of its note.
 */
export function stagesOf<S extends Step>(
  part: DesignPart<S>,
  variant: Pick<Variant, 'without' | 'looseLocks'>,
  way: Way = 'whole',
): readonly Stage<S>[] {
  const stays = (step: S) => !variant.without.includes(step.key) && !(way === 'direct' && step.direct)
  const marked = (step: S): S =>
    variant.looseLocks?.includes(step.key) ? { ...step, note: LOOSE_LOCK } : step
  return part.stages
    .slice(way === 'from base' ? (part.base?.stages ?? 0) : 0)
    .map((stage) => ({ ...stage, steps: stage.steps.filter(stays).map(marked) }))
    .filter((stage) => stage.steps.length > 0)
}

/** A design without its steps and words: what a form needs that only sizes it. */
export const withoutWords = ({ guide: _, ...design }: DesignDocument): DesignDocument => ({
  ...design,
  parts: design.parts.map((part) => ({ ...part, stages: [] })),
})

/** The ways a part can be folded in a variant. */
export const waysOf = (part: DesignPart, variant: Pick<Variant, 'without'>): readonly Way[] => [
  'whole',
  ...(stagesOf(part, variant).some(({ steps }) => steps.some(({ direct }) => direct))
    ? (['direct'] as const)
    : []),
  ...(part.base ? (['from base'] as const) : []),
]

/** How many units of a part one piece takes in a variant. */
export const unitsOf = (
  part: Pick<DesignPart, 'unitsPerPiece'>,
  variant: Pick<Variant, 'assembly'>,
): number => variant.assembly?.units ?? part.unitsPerPiece

/** Height by width of the piece of paper a part is folded from; a hexagon is cut from a piece as wide as it is corner to corner and as high as it is between its flats. */
export const highPerWide = ({ sheet }: Pick<DesignPart, 'sheet'>): number =>
  sheet?.kind === 'rectangle' ? sheet.height : sheet?.kind === 'hexagon' ? HEXAGON_HIGH_PER_WIDE : 1

/** Whether every variant of a design holds by the locks it has; one that does not is not offered. */
export const locksHold = ({ variants }: DesignDocument): boolean =>
  variants.every(({ looseLocks }) => looseLocks === undefined)

/** The sheet a design is shown at until one is chosen, mm; a part that is quartered is shown from its quarter. */
export const SHOWN_SHEET_MM = 150
export const shownSheetMm = (design: DesignDocument | DesignSource): number =>
  SHOWN_SHEET_MM / Math.sqrt(design.parts[0]?.perSquare ?? 1)
