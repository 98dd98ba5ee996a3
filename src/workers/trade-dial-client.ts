import { runInWorker, type Running } from './running'
import type { DialAnswer, DialRequest, TradeDialWorker } from './trade-dial.worker'

/** Turns a dial in a worker of its own. */
export const startTradeDial = (request: DialRequest): Running<DialAnswer> =>
  runInWorker<TradeDialWorker, unknown, DialAnswer>(
    new Worker(new URL('./trade-dial.worker.ts', import.meta.url), { type: 'module' }),
    (remote) => remote.turn(request),
    () => {},
  )
