import { invariant } from '../../errors'
import { BASES, fold, type ProgramStep } from '../../fold'
import type { StepSource } from '../types'

/** What stands beside a step's folds, by the key of the step. */
export type StepWords = Readonly<Record<string, Pick<StepSource, 'look' | 'normal' | 'direct'>>>

/** A step as authored beside a design: a step of a program, and what is said with it. */
type WordedStep = ProgramStep & Pick<StepSource, 'look' | 'normal' | 'direct'>

/** Steps of a fold program as steps of a design: each round is one repeat. */
export const asSteps = (steps: readonly WordedStep[], words: StepWords = {}): readonly StepSource[] =>
  steps.map((step) => ({ ...step, ...words[step.key], repeats: step.rounds.length }))

/** Steps of bases that only crease beforehand, with the turns between them: who collapses in the air needs none. */
const PRECREASES: Readonly<Record<string, readonly string[]>> = {
  square: ['halves', 'over', 'diagonals', 'over-again'],
  waterbomb: ['diagonals', 'over', 'halves', 'over-again'],
  bird: ['halves', 'over', 'diagonals', 'over-again'],
  frog: ['halves', 'over', 'diagonals', 'over-again'],
  windmill: ['over', 'diamond', 'over-again'],
}

/** How a base is folded, to begin a design with. */
export function stepsOfBase(id: string): readonly WordedStep[] {
  const base = BASES.find((one) => one.id === id)
  invariant(base, `there is a base ${id}`)
  return base.program.steps.map((step) =>
    PRECREASES[id]?.includes(step.key) ? { ...step, direct: 'leave out' } : step,
  )
}

const { at, foldAndUnfold, onto, step } = fold

/** Both diagonals of a square on its corner, the upright one first. */
export const creaseDiagonals = step(
  { key: 'diagonal', say: 'Corner to opposite corner, crease, open', each: 'diagonal', crease: 'light' },
  foldAndUnfold(onto(at(1, 0), at(0, 1))),
  foldAndUnfold(onto(at(0, 0), at(1, 1))),
)
