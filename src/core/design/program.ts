import type { FoldProgram, ProgramStep } from '../fold'
import { stagesOf } from './find'
import type { DesignPart, StepSource, VariantSource, Way } from './types'

/**
 * The fold program of a part in a variant: its steps in order, one for each step of its stages, so that a step and a
 * repeat name the same moment in both. Who has the base already still sees it folded: the paper has to come from
 * somewhere. `null` for a part whose folds are only told in words.
 */
export function programOf(
  part: DesignPart<StepSource>,
  variant: VariantSource,
  way: Way = 'whole',
): FoldProgram | null {
  if (!part.sheet) return null
  const steps = stagesOf(part, variant, way === 'direct' ? way : 'whole').flatMap((stage) =>
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
  const { sheet, keepClear } = part
  return { sheet, steps, measures, ...(keepClear ? { keepClear } : {}) }
}
