import type { FoldedState } from '../fold'
import { checkForm, passes } from './check'
import { shapedForm, type ShapingStep } from './form'
import type { ShapeSettings } from './settings'

/**
 * The shaping steps that are computed and give a form good enough to be shown: all of them, or none where it misses a
 * gate. What misses one stays flat.
 */
export function computedSteps(
  steps: readonly ShapingStep[],
  flat: FoldedState,
  settings: ShapeSettings,
): readonly ShapingStep[] {
  const computed = steps.filter(({ move: { acts } }) => acts !== undefined)
  return computed.length > 0 && passes(checkForm(shapedForm(computed, flat, settings))) ? computed : []
}
