import type { Cell, RunPlan, RunStep, TapGrain } from './types'

/** A tap as it names what it covers: the last fold, and how much lies before it. */
export type TapAt = Pick<Cell, 'step' | 'repeat'> & { readonly grain: TapGrain }

/** Key of a tap within a piece. */
export const tapKey = ({ grain, step, repeat }: TapAt): string => `${grain} ${step} ${repeat}`

/**
 * The folds of a piece, counted through from 0: fold `first[step] + repeat - 1` is that repeat of that step. A coarse
 * tap covers a range of them, so that taps of any grain mean the same.
 */
export class Folds {
  readonly count: number
  readonly #steps: readonly RunStep[]
  readonly #first: readonly number[]

  constructor({ steps }: Pick<RunPlan, 'steps'>) {
    this.#steps = steps
    let count = 0
    this.#first = steps.map(({ repeats }) => {
      const first = count
      count += repeats
      return first
    })
    this.count = count
  }

  /** From the first fold a tap covers to behind its last; `null` where it names no place of this run. */
  coveredBy({ grain, step, repeat }: TapAt): readonly [from: number, to: number] | null {
    const here = this.#steps[step]
    const at = this.#first[step]
    if (!here || at === undefined || !Number.isInteger(repeat) || repeat < 1 || repeat > here.repeats)
      return null
    const to = at + repeat
    if (grain === 'fold') return [to - 1, to]
    const lastOfStage = repeat === here.repeats && this.#steps[step + 1]?.stage !== here.stage
    if (grain === 'piece') return to === this.count ? [0, to] : null
    if (!lastOfStage) return null
    let first = step
    while (this.#steps[first - 1]?.stage === here.stage) first--
    return [this.#first[first] ?? 0, to]
  }
}
