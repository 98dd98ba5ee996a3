import { nanoid } from 'nanoid'
import type { z } from 'zod'
import {
  defaultGauges,
  mainPart,
  unitsOf,
  variantOf,
  waysOf,
  type DesignDocument,
  type GaugeSettings,
  type Way,
} from '@/core/design'
import { invariant } from '@/core/errors'
import { eventFits, MOST_TAPS, RunTally, tapsOf, type RunEvent } from '@/core/run'
import type { RunCount } from '@/core/plan'
import { mmFromUm, umFromMm } from '@/core/units'
import { findPaper } from '@/data/repositories/papers'
import {
  eventsOfRun,
  findRun,
  idsInRun,
  insertRun,
  insertRunEvent,
  latestSeq,
  setRunArchived,
  type NewRunEvent,
} from '@/data/repositories/runs'
import { readEpoch } from '@/data/repositories/settings'
import type { RunRow } from '@/data/tables'
import { parseFields } from '@/schema/field-errors'
import { runEvent, runEventBatch } from '@/schema/run-event'
import { looseRunFields, projectRunFields } from '@/schema/run-start'
import type { FlowContext } from '../flow-context'
import { asking, deed, refuseFields, RefusalError, type DeedResult } from '../deed'
import { keepPlanned } from '../baseline'
import { readLibrary } from '../designs'
import { takeOutReady } from './cuts'
import { plannedOr } from '../project-plan'
import type { KnownRun } from '../caches'
import { oddClocksOf, runPlan, storedEvents, type RunFeed } from '../run-plan'
import { projectChange, projectWhole } from '../run-projection'
import { keepRun, takeRun } from '../run-tally'
import { currentSettings } from '../settings'

interface NewRunOf {
  readonly projectId: string | null
  readonly lineId: string | null
  readonly paperId: string | null
  readonly design: DesignDocument
  readonly designHash: string
  readonly partKey: string
  readonly variantKey: string
  readonly sheetMm: number
  readonly units: number
  readonly gauges: GaugeSettings
  readonly how: {
    readonly grain: string
    readonly order: string
    readonly traySize: number
    readonly hand: 'right' | 'left'
    readonly way: Way
  }
}

/** Of the taps that a run takes, those it may begin with: the rest is for what is undone, spoiled and folded again. */
const TAPS_AT_START = 0.8 * MOST_TAPS

async function beginRun(context: FlowContext, run: NewRunOf): Promise<{ readonly runId: string }> {
  const { db, nowMs } = context
  const id = nanoid()
  const gauges = Object.fromEntries(Object.entries(run.gauges).map(([key, mm]) => [key, umFromMm(mm)]))
  const part = run.design.parts.find(({ key }) => key === run.partKey) ?? mainPart(run.design)
  const variant = variantOf(run.design, run.variantKey)
  if (!waysOf(part, variant).includes(run.how.way))
    throw refuseFields({ way: 'This design is not folded that way. Choose another.' })
  await insertRun(db, {
    id,
    project_id: run.projectId,
    line_id: run.lineId,
    design_hash: run.designHash,
    part_key: part.key,
    variant_key: run.variantKey,
    way: run.how.way,
    paper_id: run.paperId,
    hand: run.how.hand,
    sheet_um: umFromMm(run.sheetMm),
    wanted: run.units,
    tray_size: run.how.traySize,
    grain: run.how.grain,
    tray_order: run.how.order,
    gauges: JSON.stringify(gauges),
    started_at_ms: nowMs,
    archived_at_ms: null,
  })
  const row = await findRun(db, id)
  invariant(row, 'the run is there')
  const { plan } = await runPlan(context, row)
  const taps = run.units * tapsOf(plan.steps, plan.grain).length
  if (taps > TAPS_AT_START)
    throw refuseFields({
      pieces: `That is ${taps.toLocaleString('en')} taps; a run begins with up to ${TAPS_AT_START.toLocaleString('en')}. Fold them in several runs, or tap once a piece.`,
    })
  await projectWhole(context, id, new RunTally(plan))
  return { runId: id }
}

/** Starts folding one line of a project in one paper. */
export const startProjectRun = (
  context: FlowContext,
  projectId: string,
  input: unknown,
): Promise<DeedResult<{ readonly runId: string }>> =>
  deed(context, async (inDeed) => {
    const parsed = parseFields(projectRunFields, input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { lineId, partKey, paperId, pieces, ...how } = parsed.value
    const project = await plannedOr(inDeed, projectId)
    const found = project.plan.lines.find((one) => one.line.id === lineId)
    const planned = found?.parts.find(
      ({ part, papers }) => part.key === partKey && papers.some((paper) => paper.paperId === paperId),
    )
    if (!found || !planned) throw new RefusalError('NOT_FOUND')
    // Two windows would fold the same pieces twice; a second folder joins the run that is open.
    const same = (run: RunCount) =>
      run.open && run.lineId === lineId && run.partKey === partKey && run.paperId === paperId
    if (project.records.runs.some(same)) throw new RefusalError('RUN_OPEN')
    await keepPlanned(inDeed, project)
    await takeOutReady(inDeed, project, { lineId, partKey, paperId })
    return beginRun(inDeed, {
      projectId,
      lineId,
      partKey,
      paperId,
      design: found.design,
      designHash: found.line.designHash,
      variantKey: found.line.variantKey,
      sheetMm: mmFromUm(planned.part.sheetUm.widthUm),
      gauges: found.line.gauges,
      units: pieces,
      how,
    })
  })

/** Just folds: a run of one design with no project around it. */
export const startLooseRun = (
  context: FlowContext,
  input: unknown,
): Promise<DeedResult<{ readonly runId: string }>> =>
  deed(context, async (inDeed) => {
    const { unit } = await currentSettings(inDeed)
    const parsed = parseFields(looseRunFields(unit), input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { designId, variantKey, paperId, size, pieces, ...how } = parsed.value
    const found = (await readLibrary(inDeed)).find((one) => one.document.id === designId)
    if (!found || (paperId !== null && !(await findPaper(inDeed.db, paperId))))
      throw new RefusalError('NOT_FOUND')
    const { document: design, hash: designHash } = found
    const variant = variantOf(design, variantKey)
    const part = mainPart(design)
    return beginRun(inDeed, {
      projectId: null,
      lineId: null,
      partKey: part.key,
      paperId,
      design,
      designHash,
      variantKey,
      sheetMm: size,
      gauges: defaultGauges(design),
      units: pieces * unitsOf(part, variant),
      how,
    })
  })

function eventRow(runId: string, event: RunEvent, nowMs: number): NewRunEvent {
  const { id, lane, kind, atMs } = event
  return {
    id,
    run_id: runId,
    lane,
    kind,
    piece: 'piece' in event ? event.piece : null,
    step: 'step' in event ? event.step : null,
    repeat: 'repeat' in event ? event.repeat : null,
    attempt: 'attempt' in event ? event.attempt : null,
    body: JSON.stringify(event),
    at_ms: atMs,
    received_at_ms: nowMs,
  }
}

/** What the client learns: which of its taps are kept, which name a place this run does not have, and all news. */
export interface EventsTaken extends RunFeed {
  readonly kept: readonly string[]
  readonly refused: readonly string[]
}

/** What an exchange of taps leaves behind: the answer, and how the run stands once the deed does. */
interface Exchanged {
  readonly taken: EventsTaken
  readonly epoch: string
  readonly known: KnownRun
}

/** A run's events after a sequence number; nothing more is read where there are none. */
async function newsOf(db: FlowContext['db'], run: RunRow, after: number) {
  const seq = await latestSeq(db, run.id)
  const rows = seq > after ? await eventsOfRun(db, run.id, after) : []
  return { seq, events: storedEvents(run, rows) }
}

type Batch = z.output<typeof runEventBatch>

/** A client that sends nothing only looks whether there is news: it neither waits for a writer nor is one. */
async function look(
  context: FlowContext,
  runId: string,
  { epoch: clientEpoch, since }: Batch,
): Promise<EventsTaken> {
  const { db } = context
  const run = await findRun(db, runId)
  if (!run) throw new RefusalError('NOT_FOUND')
  const epoch = await readEpoch(db)
  return { epoch, ...(await newsOf(db, run, clientEpoch === epoch ? since : 0)), kept: [], refused: [] }
}

async function exchange(
  context: FlowContext,
  runId: string,
  { epoch: clientEpoch, since, events: sent }: Batch,
): Promise<Exchanged> {
  const { db, nowMs } = context
  const run = await findRun(db, runId)
  if (!run) throw new RefusalError('NOT_FOUND')
  const epoch = await readEpoch(db)
  const after = clientEpoch === epoch ? since : 0
  const { plan } = await runPlan(context, run)
  const before = await takeRun(context, epoch, run, plan)
  const { tally } = before
  const fitting = sent.flatMap((one) => {
    const event = runEvent.safeParse(one)
    return event.success && eventFits(plan, event.data) ? [event.data] : []
  })
  if (before.events + fitting.length > MOST_TAPS) {
    const there = await idsInRun(
      db,
      runId,
      fitting.map(({ id }) => id),
    )
    // Taps that are there already are only told so.
    if (before.events + fitting.length - there.size > MOST_TAPS)
      throw new RefusalError('RUN_FULL', { most: MOST_TAPS })
  }
  let added = 0
  for (const event of fitting) if (await insertRunEvent(db, eventRow(runId, event, nowMs))) added++
  const rows = added === 0 ? [] : await eventsOfRun(db, runId, before.seq)
  tally.addAll(storedEvents(run, rows))
  if (added > 0) await projectChange(context, runId, tally)
  const known: KnownRun = {
    tally,
    seq: rows.at(-1)?.seq ?? before.seq,
    events: before.events + rows.length,
    oddClocks: before.oddClocks + oddClocksOf(run, rows),
  }
  const ids = sent.map((event) => event.id)
  // An id counts as kept only where it stands in this run's own ledger.
  const standing = await idsInRun(db, runId, ids)
  const { seq, events } = await newsOf(db, run, after)
  return {
    epoch,
    known,
    taken: {
      epoch,
      seq,
      events,
      kept: ids.filter((id) => standing.has(id)),
      refused: ids.filter((id) => !standing.has(id)),
    },
  }
}

/**
 * Takes a client's taps, in order, each once whatever is sent again, and gives back what the client has not seen.
 * A client that speaks of another epoch (a backup was restored) gets the whole ledger and is expected to offer its
 * kept taps again. *Cost* what the events touch, however long the ledger is.
 */
export async function recordEvents(
  context: FlowContext,
  runId: string,
  input: unknown,
): Promise<DeedResult<EventsTaken>> {
  const parsed = parseFields(runEventBatch, input)
  if (!parsed.ok) return refuseFields(parsed.fields).refusal
  const batch = parsed.value
  if (batch.events.length === 0) return asking(() => look(context, runId, batch))
  const result = await deed(context, (inDeed) => exchange(inDeed, runId, batch))
  if (!result.ok) return result
  const { taken, epoch, known } = result.value
  keepRun(context, epoch, runId, known)
  return { ok: true, value: taken }
}

/** Puts a run away (it stays in the log), or takes it out again. */
export const archiveRun = (context: FlowContext, runId: string, away: boolean): Promise<DeedResult<null>> =>
  deed(context, async ({ db, nowMs }) => {
    if (!(await findRun(db, runId))) throw new RefusalError('NOT_FOUND')
    await setRunArchived(db, runId, away ? nowMs : null)
    return null
  })
