import type { ProgramStep } from '../../fold'
import type { StepSource } from '../types'

/** Steps of a fold program as steps of a design: each round is one repeat. */
export const asSteps = (steps: readonly ProgramStep[]): readonly StepSource[] =>
  steps.map((step) => ({ ...step, repeats: step.rounds.length }))
