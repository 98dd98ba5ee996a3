import { expose } from 'comlink'
import { planQuickly, type SweepProgress } from '@/core/cut'
import { CoreError } from '@/core/errors'
import { turnDial, type DialBatch, type DialStop, type DialTurn } from '@/core/plan'

export interface DialRequest {
  readonly batch: DialBatch
  readonly turn: DialTurn
}

export type DialAnswer =
  { readonly ok: true; readonly stops: readonly DialStop[] } | { readonly ok: false; readonly code: string }

/** How often progress is told: each message costs more than a size. */
const TELL_EVERY = 20

/** Turns the dial in the worker's thread. Failures are returned: an error would lose its fields on the way out. */
function turn({ batch, turn: by }: DialRequest, tell: (progress: SweepProgress) => void): DialAnswer {
  try {
    const stops = turnDial(batch, by, planQuickly, (progress) => {
      if (progress.done % TELL_EVERY === 0 || progress.done === progress.total) tell(progress)
      return true
    })
    return { ok: true, stops }
  } catch (error) {
    if (error instanceof CoreError) return { ok: false, code: error.code }
    throw error
  }
}

export interface TradeDialWorker {
  turn: typeof turn
}

expose({ turn } satisfies TradeDialWorker)
