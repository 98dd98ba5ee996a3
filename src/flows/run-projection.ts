import { piecesOf, type PieceState, type RunTally } from '@/core/run'
import { saveRunChange, saveRunProjection } from '@/data/repositories/runs'
import type { RunOutcomeRow, RunProgressRow, RunUnitRow } from '@/data/tables'
import { largest } from '@/core/numeric'
import type { FlowContext } from './flow-context'

/** The rules the projections of runs are made by; those made by older ones are made anew from the ledger. */
export const PROJECTION_RULES = 2

const unitRow = (runId: string, piece: PieceState): RunUnitRow => ({
  run_id: runId,
  ordinal: piece.piece,
  // The run's ordinal: one unit. Which piece and place in it a unit goes to is settled at joining.
  piece: piece.piece,
  slot: 1,
  status: piece.spoiled ? 'spoiled' : piece.finished ? 'folded' : 'open',
  grade: piece.grade,
  reason: piece.reason,
  active_ms: Math.round(piece.activeMs),
  last_tap_at_ms: piece.lastTapAtMs,
  inspected: piece.inspected ? 1 : 0,
})

const outcomeRows = (runId: string, outcomes: ReadonlyMap<string, number>): readonly RunOutcomeRow[] =>
  [...outcomes].flatMap(([key, units]) => {
    const [status, label = ''] = key.split(':')
    return units > 0 && (status === 'folded' || status === 'spoiled')
      ? [{ run_id: runId, status, label, units }]
      : []
  })

function progressRow(runId: string, tally: RunTally): RunProgressRow {
  const { total, usable, spoiled, activeMs, phase } = tally.state(null)
  const { timedUnits, timedMs, lastTapAtMs } = tally.history
  return {
    run_id: runId,
    total,
    usable,
    spoiled,
    active_ms: Math.round(activeMs),
    phase: phase.kind === 'elsewhere' ? 'fold' : phase.kind,
    at_piece: phase.kind === 'fold' ? phase.cell.piece : null,
    last_tap_at_ms: lastTapAtMs,
    timed_units: timedUnits,
    timed_ms: timedMs,
    rules: PROJECTION_RULES,
  }
}

/** Writes what the last events made of a run, for lists and sums: the pieces they touched and the totals. */
export const projectChange = ({ db }: FlowContext, runId: string, tally: RunTally): Promise<void> =>
  saveRunChange(
    db,
    progressRow(runId, tally),
    tally.takeTouched().map((piece) => unitRow(runId, tally.piece(piece))),
    outcomeRows(runId, tally.history.outcomes),
  )

/** Writes everything a run's ledger comes to, in the place of what was written before. */
export async function projectWhole({ db }: FlowContext, runId: string, tally: RunTally): Promise<void> {
  const touched = new Set(tally.takeTouched())
  await saveRunProjection(
    db,
    progressRow(runId, tally),
    piecesOf({ highest: largest([...touched], 0), piece: tally.piece })
      .filter(({ piece }) => touched.has(piece))
      .map((piece) => unitRow(runId, piece)),
    outcomeRows(runId, tally.history.outcomes),
  )
}
