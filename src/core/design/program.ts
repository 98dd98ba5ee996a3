import type { FoldProgram, ProgramStep } from '../fold'
import { stagesOf } from './find'
import type { DesignPart, StepSource, VariantSource } from './types'

/**
 * The fold program of a part in a variant: its steps in order, one for each step of its stages, so that a step and a
 * repeat name the same moment in both. `null` for a part whose folds are only told in words.
 */
export function programOf(part: DesignPart<StepSource>, variant: VariantSource): FoldProgram | null {
  if (!part.sheet) return null
  const steps = stagesOf(part, variant).flatMap((stage) =>
    stage.steps.map(({ key, say, each, crease, rigour, note, rounds }): ProgramStep => ({
      key,
      say,
      each,
      crease,
      rigour,
      rounds: rounds ?? [],
      ...(note === undefined ? {} : { note }),
    })),
  )
  const measures = variant.sizes.flatMap((size) =>
    'measure' in size ? [{ axis: size.axis, label: size.label, measure: size.measure }] : [],
  )
  return { sheet: part.sheet, steps, measures }
}
