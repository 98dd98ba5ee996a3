import { RunTally, type RunPlan } from '@/core/run'
import { eventsOfRun, findRun, latestSeq, listRunIds } from '@/data/repositories/runs'
import type { RunRow } from '@/data/tables'
import type { Caches, KnownRun } from './caches'
import type { FlowContext } from './flow-context'
import { oddClocksOf, runPlan, storedEvents } from './run-plan'
import { projectWhole } from './run-projection'

/** A run of one life of the database: restoring a backup begins another. */
const nameOf = (epoch: string, runId: string): string => `${epoch} ${runId}`

/** Takes a run out of what is remembered: it is about to change. */
function taken({ runs }: Caches, name: string): KnownRun | undefined {
  const known = runs.get(name)
  runs.delete(name)
  return known
}

/** Adds what the ledger has beyond what is known of a run. */
async function caughtUp(
  { db }: FlowContext,
  run: RunRow,
  plan: RunPlan,
  known: KnownRun | undefined,
): Promise<KnownRun> {
  const { tally, seq, events, oddClocks } = known ?? {
    tally: new RunTally(plan),
    seq: 0,
    events: 0,
    oddClocks: 0,
  }
  if (known && (await latestSeq(db, run.id)) === seq) return known
  const rows = await eventsOfRun(db, run.id, seq)
  tally.addAll(storedEvents(run, rows))
  return {
    tally,
    seq: rows.at(-1)?.seq ?? seq,
    events: events + rows.length,
    oddClocks: oddClocks + oddClocksOf(run, rows),
  }
}

/** How a run stands by its ledger, for reading. */
export async function knownRun(
  context: FlowContext,
  epoch: string,
  run: RunRow,
  plan: RunPlan,
): Promise<KnownRun> {
  const name = nameOf(epoch, run.id)
  const known = await caughtUp(context, run, plan, taken(context.caches, name))
  context.caches.runs.set(name, known)
  return known
}

/**
 * Takes a run out of what is remembered, for a deed that adds to it. What it becomes is put back by `keepRun` once the
 * deed stands; until then, and where it fails, it is forgotten and read again from the ledger.
 */
export const takeRun = (context: FlowContext, epoch: string, run: RunRow, plan: RunPlan): Promise<KnownRun> =>
  caughtUp(context, run, plan, taken(context.caches, nameOf(epoch, run.id)))

export function keepRun({ caches }: FlowContext, epoch: string, runId: string, known: KnownRun): void {
  caches.runs.set(nameOf(epoch, runId), known)
}

/** Makes a run's projection anew from its ledger. */
export async function rebuildProjection(context: FlowContext, runId: string): Promise<void> {
  const run = await findRun(context.db, runId)
  if (!run) return
  const { plan } = await runPlan(context, run)
  const { tally } = await caughtUp(context, run, plan, undefined)
  await projectWhole(context, runId, tally)
}

/** Makes every run's projection anew. *Returns* how many runs. */
export async function rebuildRunProjections(context: FlowContext): Promise<number> {
  const ids = await listRunIds(context.db)
  for (const id of ids) await rebuildProjection(context, id)
  return ids.length
}
