import { largest } from '@/core/numeric'
import { runState, type RunEvent, type RunPlan } from '@/core/run'
import { eventsOfRun, findRun, listRunIds, saveRunProjection } from '@/data/repositories/runs'
import type { FlowContext } from './flow-context'
import { runPlan, storedEvents } from './read/run'

/** Writes what a run's ledger comes to, for lists and sums. */
export async function projectRun(
  { db }: FlowContext,
  runId: string,
  plan: RunPlan,
  events: readonly RunEvent[],
): Promise<void> {
  const state = runState(plan, events)
  const taps = state.pieces.map((piece) => piece.lastTapAtMs ?? 0)
  const lastTapAtMs = largest(taps, 0)
  await saveRunProjection(
    db,
    {
      run_id: runId,
      total: state.total,
      usable: state.usable,
      spoiled: state.spoiled,
      active_ms: Math.round(state.pieces.reduce((sum, piece) => sum + piece.activeMs, 0)),
      phase: state.phase.kind,
      at_piece: state.phase.kind === 'fold' ? state.phase.cell.piece : null,
      last_tap_at_ms: lastTapAtMs === 0 ? null : lastTapAtMs,
    },
    state.pieces
      .filter((piece) => piece.tapsDone > 0 || piece.spoiled)
      .map((piece) => ({
        run_id: runId,
        ordinal: piece.piece,
        // Today's designs have one unit a piece; a ring's units will share a piece and differ by slot.
        piece: piece.piece,
        slot: 1,
        status: piece.spoiled ? 'spoiled' : piece.finished ? 'folded' : 'open',
        grade: piece.grade,
        reason: piece.reason,
        active_ms: Math.round(piece.activeMs),
        last_tap_at_ms: piece.lastTapAtMs,
      })),
  )
}

/** Makes every run's projection anew from its ledger. *Returns* how many runs. */
export async function rebuildRunProjections(context: FlowContext): Promise<number> {
  const ids = await listRunIds(context.db)
  for (const id of ids) {
    const run = await findRun(context.db, id)
    if (!run) continue
    const { plan } = await runPlan(context, run)
    const events = storedEvents(run, await eventsOfRun(context.db, id))
    await projectRun(context, id, plan, events)
  }
  return ids.length
}
