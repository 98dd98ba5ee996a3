import { expose } from 'comlink'
import { planQuickly } from '@/core/cut'
import { CoreError } from '@/core/errors'
import { turnDial, type DialBatch, type DialStop, type DialTurn } from '@/core/plan'

export interface DialRequest {
  readonly batch: DialBatch
  readonly turn: DialTurn
}

export type DialAnswer =
  { readonly ok: true; readonly stops: readonly DialStop[] } | { readonly ok: false; readonly code: string }

/** Turns the dial in the worker's thread. Failures are returned: an error would lose its fields on the way out. */
function turn({ batch, turn: by }: DialRequest): DialAnswer {
  try {
    return { ok: true, stops: turnDial(batch, by, planQuickly) }
  } catch (error) {
    if (error instanceof CoreError) return { ok: false, code: error.code }
    throw error
  }
}

export interface TradeDialWorker {
  turn: typeof turn
}

expose({ turn } satisfies TradeDialWorker)
