import { invariant } from '../../errors'
import { BASES, type ProgramStep } from '../../fold'
import type { StepSource } from '../types'

/** Steps of a fold program as steps of a design: each round is one repeat. */
export const asSteps = (steps: readonly ProgramStep[]): readonly StepSource[] =>
  steps.map((step) => ({ ...step, repeats: step.rounds.length }))

/** How a base is folded, to begin a design with. */
export function stepsOfBase(id: string): readonly ProgramStep[] {
  const base = BASES.find((one) => one.id === id)
  invariant(base, `there is a base ${id}`)
  return base.program.steps
}
