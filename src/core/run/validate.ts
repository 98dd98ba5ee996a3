import { Folds } from './folds'
import type { RunEvent, RunPlan } from './types'

/** Spoiled pieces are replaced one by one; nobody spoils more than this many times what was wanted. */
const MOST_TIMES_WANTED = 20

const pieceExists = (plan: RunPlan, piece: number): boolean =>
  Number.isInteger(piece) && piece >= 1 && piece <= plan.wanted * MOST_TIMES_WANTED + plan.traySize

/** Whether an event names a place this run has, at whatever grain. Anything else is refused, never stored. */
export function eventFits(plan: RunPlan, event: RunEvent): boolean {
  if (event.kind === 'inspect')
    return event.pieces.length > 0 && event.pieces.every((piece) => pieceExists(plan, piece))
  if (!pieceExists(plan, event.piece)) return false
  if (event.kind !== 'done' && event.kind !== 'undo') return true
  const { step, repeat, grain = plan.grain } = event
  return new Folds(plan).coveredBy({ step, repeat, grain }) !== null
}
