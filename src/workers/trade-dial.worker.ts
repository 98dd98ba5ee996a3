import { expose } from 'comlink'
import { planByRule, type CutTools } from '@/core/cut'
import { CoreError } from '@/core/errors'
import { turnDial, type DialBatch, type DialStop, type DialTurn } from '@/core/plan'

export interface DialRequest {
  readonly batch: DialBatch
  readonly turn: DialTurn
  /** What sheets are cut with. */
  readonly tools: CutTools
}

export type DialAnswer =
  { readonly ok: true; readonly stops: readonly DialStop[] } | { readonly ok: false; readonly code: string }

/** Turns the dial in the worker's thread. Failures are returned: an error would lose its fields on the way out. */
function turn({ batch, turn: by, tools }: DialRequest): DialAnswer {
  try {
    return { ok: true, stops: turnDial(batch, by, (problem) => planByRule({ ...problem, tools })) }
  } catch (error) {
    if (error instanceof CoreError) return { ok: false, code: error.code }
    throw error
  }
}

export interface TradeDialWorker {
  turn: typeof turn
}

expose({ turn } satisfies TradeDialWorker)
