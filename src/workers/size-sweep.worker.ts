import { expose } from 'comlink'
import {
  planByRule,
  sweepSizes,
  type CutProblem,
  type CutTools,
  type SweepPaper,
  type SweepProgress,
  type SweepResult,
} from '@/core/cut'
import { CoreError } from '@/core/errors'
import type { RulerKey } from '@/core/units'

export interface SweepRequest {
  readonly papers: readonly SweepPaper[]
  /** What sheets are cut with. */
  readonly tools: CutTools
  readonly fromMm: number
  readonly toMm: number
  readonly ruler: RulerKey
}

export type SweepAnswer =
  { readonly ok: true; readonly result: SweepResult } | { readonly ok: false; readonly code: string }

/** How often progress is told: each message costs more than a size. */
const TELL_EVERY = 20

/** Sweeps in the worker's thread. Failures are returned: an error would lose its fields on the way out. */
function sweep(
  { papers, tools, ...range }: SweepRequest,
  tell: (progress: SweepProgress) => void,
): SweepAnswer {
  try {
    const plan = (problem: CutProblem) => planByRule({ ...problem, tools })
    const result = sweepSizes(papers, range, plan, (progress) => {
      if (progress.done % TELL_EVERY === 0 || progress.done === progress.total) tell(progress)
      return true
    })
    return { ok: true, result }
  } catch (error) {
    if (error instanceof CoreError) return { ok: false, code: error.code }
    throw error
  }
}

export interface SizeSweepWorker {
  sweep: typeof sweep
}

expose({ sweep } satisfies SizeSweepWorker)
