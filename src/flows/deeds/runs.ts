import { nanoid } from 'nanoid'
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
import { eventFits, type RunEvent } from '@/core/run'
import { umFromMm } from '@/core/units'
import { findPaper } from '@/data/repositories/papers'
import {
  eventsOfRun,
  findRun,
  insertRun,
  insertRunEvent,
  setRunArchived,
  type NewRunEvent,
} from '@/data/repositories/runs'
import { readEpoch } from '@/data/repositories/settings'
import { parseFields } from '@/schema/field-errors'
import { runEvent, runEventBatch } from '@/schema/run-event'
import { looseRunFields, projectRunFields } from '@/schema/run-start'
import type { FlowContext } from '../flow-context'
import { deed, refuseFields, RefusalError, type DeedResult } from '../deed'
import { readLibrary } from '../read/designs'
import { readProject } from '../read/project'
import { feedOf, runPlan, storedEvents, type RunFeed } from '../read/run'
import { projectRun } from '../run-projection'
import { currentSettings } from '../settings'
import { lineAndPaper } from './cuts'

interface NewRunOf {
  readonly projectId: string | null
  readonly lineId: string | null
  readonly paperId: string | null
  readonly design: DesignDocument
  readonly designHash: string
  readonly variantKey: string
  readonly sheetMm: number
  readonly pieces: number
  readonly gauges: GaugeSettings
  readonly how: {
    readonly grain: string
    readonly order: string
    readonly traySize: number
    readonly hand: 'right' | 'left'
    readonly way: Way
  }
}

async function beginRun(context: FlowContext, run: NewRunOf): Promise<{ readonly runId: string }> {
  const { db, nowMs } = context
  const id = nanoid()
  const gauges = Object.fromEntries(Object.entries(run.gauges).map(([key, mm]) => [key, umFromMm(mm)]))
  const part = mainPart(run.design)
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
    wanted: run.pieces * (run.lineId === null ? unitsOf(part, variant) : 1),
    tray_size: run.how.traySize,
    grain: run.how.grain,
    tray_order: run.how.order,
    gauges: JSON.stringify(gauges),
    started_at_ms: nowMs,
    archived_at_ms: null,
  })
  const row = await findRun(db, id)
  if (row) await projectRun(context, id, (await runPlan(context, row)).plan, [])
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
    const { lineId, paperId, pieces, ...how } = parsed.value
    const project = await readProject(inDeed, projectId)
    if (!project) throw new RefusalError('NOT_FOUND')
    const { line } = lineAndPaper(project, lineId, paperId)
    const { design, designHash, variantKey, sheetMm, gauges } = line
    return beginRun(inDeed, {
      projectId,
      lineId,
      paperId,
      design,
      designHash,
      variantKey,
      sheetMm,
      gauges,
      pieces,
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
    variantOf(design, variantKey)
    const gauges = defaultGauges(design)
    return beginRun(inDeed, {
      projectId: null,
      lineId: null,
      paperId,
      design,
      designHash,
      variantKey,
      sheetMm: size,
      gauges,
      pieces,
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

/**
 * Takes a client's taps, in order, each once whatever is sent again, and gives back what the client has not seen.
 * A client that speaks of another epoch (a backup was restored) gets the whole ledger and is expected to offer its
 * kept taps again.
 */
export const recordEvents = (
  context: FlowContext,
  runId: string,
  input: unknown,
): Promise<DeedResult<EventsTaken>> =>
  deed(context, async (inDeed) => {
    const parsed = parseFields(runEventBatch, input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { epoch: clientEpoch, since, events: sent } = parsed.value
    const { db, nowMs } = inDeed
    const run = await findRun(db, runId)
    if (!run) throw new RefusalError('NOT_FOUND')
    const { plan } = await runPlan(inDeed, run)
    const fitting = sent.flatMap((one) => {
      const event = runEvent.safeParse(one)
      return event.success && eventFits(plan, event.data) ? [event.data] : []
    })
    let added = 0
    for (const event of fitting) if (await insertRunEvent(db, eventRow(runId, event, nowMs))) added++
    const rows = await eventsOfRun(db, runId)
    if (added > 0) await projectRun(inDeed, runId, plan, storedEvents(run, rows))
    const epoch = await readEpoch(db)
    // An id counts as kept only where it stands in this run's own ledger.
    const known = new Set(rows.map((row) => row.id))
    return {
      ...feedOf(run, epoch, rows, clientEpoch === epoch ? since : 0),
      kept: fitting.map((event) => event.id).filter((id) => known.has(id)),
      refused: sent.map((event) => event.id).filter((id) => !known.has(id)),
    }
  })

/** Puts a run away (it stays in the log), or takes it out again. */
export const archiveRun = (context: FlowContext, runId: string, away: boolean): Promise<DeedResult<null>> =>
  deed(context, async ({ db, nowMs }) => {
    if (!(await findRun(db, runId))) throw new RefusalError('NOT_FOUND')
    await setRunArchived(db, runId, away ? nowMs : null)
    return null
  })
