import {
  gaugesSet,
  mainPart,
  siblingGauges,
  variantOf,
  type DesignDocument,
  type GaugeSet,
  type GaugeSettings,
} from '@/core/design'
import type { ClosedPieces, RunEvent, RunPlan } from '@/core/run'
import { mmFromUm } from '@/core/units'
import { papersById } from '@/data/repositories/papers'
import { findLine, findProject } from '@/data/repositories/projects'
import { eventsFromPiece, findRun } from '@/data/repositories/runs'
import { readEpoch } from '@/data/repositories/settings'
import type { RunRow } from '@/data/tables'
import type { FlowContext } from '../flow-context'
import { readDesigns } from '../designs'
import { gaugesFromText } from '../gauges'
import { runPlan, storedEvents, type RunFeed, type SaidStep } from '../run-plan'
import { knownRun } from '../run-tally'
import { makingFromText } from '@/schema/making'
import { currentSettings } from '../settings'
import { readRunPictures, type RunPictures } from './folds'
import { paperInHand, paperView, type PaperInHand, type PaperView } from './papers'

export interface RunView {
  readonly id: string
  readonly projectId: string | null
  readonly projectName: string | null
  readonly designId: string
  readonly designName: string
  readonly variantName: string
  readonly variantKey: string
  readonly partName: string
  /** What shows that a finished piece does what it is for. */
  readonly test: string | null
  readonly paper: PaperInHand | null
  readonly hand: 'right' | 'left'
  readonly sheetMm: number
  readonly startedAtMs: number
  readonly archived: boolean
  readonly plan: RunPlan
  readonly steps: readonly SaidStep[]
  /** Its gauges as they are set for this run, for each kind its pieces come in; alike ones are of one kind. */
  readonly kinds: readonly (readonly GaugeSet[])[]
  /** The pieces that are over and done with, as sums; the feed has the events of all others. */
  readonly closed: ClosedPieces
  readonly feed: RunFeed
  /** Taps whose clock cannot be right; they are taken to have been when they arrived. */
  readonly oddClocks: number
}

/** Events of the pieces behind the closed ones; a tray's looking over where it holds any of them. */
async function openEvents(
  { db }: FlowContext,
  run: RunRow,
  { pieces }: ClosedPieces,
): Promise<readonly RunEvent[]> {
  const events = storedEvents(run, await eventsFromPiece(db, run.id, pieces + 1))
  return events.filter((event) => event.kind !== 'inspect' || event.pieces.some((piece) => piece > pieces))
}

/** The gauges of every kind that the line's pieces come in, around those the run was started with. */
async function kindsOf(context: FlowContext, run: RunRow, design: DesignDocument): Promise<RunView['kinds']> {
  const line = run.line_id === null ? undefined : await findLine(context.db, run.line_id)
  const { character = 'alike' } = line ? makingFromText(line.made) : {}
  const sheetMm = mmFromUm(run.sheet_um)
  const { ruler } = await currentSettings(context)
  return siblingGauges(design, { sheetMm, gauges: gaugesFromText(run.gauges), character, ruler }).map(
    (gauges) => gaugesSet(design, gauges, sheetMm),
  )
}

/** Everything the fold screen needs; `null` where there is no such run. */
export async function readRun(context: FlowContext, id: string): Promise<RunView | null> {
  const { db } = context
  const run = await findRun(db, id)
  if (!run) return null
  const design = (await readDesigns(context, [run.design_hash])).get(run.design_hash)
  if (!design) return null
  const { plan, steps } = await runPlan(context, run)
  const [paper] = await papersById(db, run.paper_id === null ? [] : [run.paper_id])
  const epoch = await readEpoch(db)
  const { tally, seq, oddClocks } = await knownRun(context, epoch, run, plan)
  const closed = tally.closedPieces()
  const project = run.project_id === null ? undefined : await findProject(db, run.project_id)
  return {
    id: run.id,
    projectId: run.project_id,
    projectName: project?.name ?? null,
    designId: design.id,
    designName: design.name,
    variantName: variantOf(design, run.variant_key).name,
    variantKey: run.variant_key,
    partName: (design.parts.find((part) => part.key === run.part_key) ?? mainPart(design)).name,
    test: design.guide?.test ?? null,
    paper: paper ? paperInHand(paper) : null,
    hand: run.hand,
    sheetMm: mmFromUm(run.sheet_um),
    startedAtMs: run.started_at_ms,
    archived: run.archived_at_ms !== null,
    plan,
    steps,
    kinds: await kindsOf(context, run, design),
    closed,
    feed: { epoch, seq, events: await openEvents(context, run, closed) },
    oddClocks,
  }
}

/** A run with the design and gauges it pins and its pictures, for the fold screen. */
export async function readRunDesign(
  context: FlowContext,
  id: string,
): Promise<{
  readonly run: RunView
  readonly design: DesignDocument
  readonly gauges: GaugeSettings
  readonly pictures: RunPictures | null
} | null> {
  const run = await readRun(context, id)
  const row = await findRun(context.db, id)
  const design = row && (await readDesigns(context, [row.design_hash])).get(row.design_hash)
  if (!run || !row || !design) return null
  const gauges = gaugesFromText(row.gauges)
  const { variantKey, sheetMm } = run
  const { way } = row
  const pictures = await readRunPictures(context, row.design_hash, { variantKey, sheetMm, gauges, way })
  return { run, design, gauges, pictures }
}

/** What a run's log tells above its units. */
export interface RunHead {
  readonly id: string
  readonly projectName: string | null
  readonly designName: string
  readonly variantName: string
  readonly partName: string
  readonly paper: PaperView | null
  readonly sheetMm: number
  readonly startedAtMs: number
  readonly archived: boolean
  readonly wanted: number
  readonly usable: number
  readonly activeMs: number
  readonly oddClocks: number
}

/** A run without its taps; `null` where there is none. */
export async function readRunHead(context: FlowContext, id: string): Promise<RunHead | null> {
  const { db } = context
  const run = await findRun(db, id)
  const design = run && (await readDesigns(context, [run.design_hash])).get(run.design_hash)
  if (!run || !design) return null
  const { plan } = await runPlan(context, run)
  const { tally, oddClocks } = await knownRun(context, await readEpoch(db), run, plan)
  const { usable, activeMs } = tally.state(null)
  const [paper] = await papersById(db, run.paper_id === null ? [] : [run.paper_id])
  const project = run.project_id === null ? undefined : await findProject(db, run.project_id)
  return {
    id: run.id,
    projectName: project?.name ?? null,
    designName: design.name,
    variantName: variantOf(design, run.variant_key).name,
    partName: (design.parts.find((part) => part.key === run.part_key) ?? mainPart(design)).name,
    paper: paper ? paperView(paper) : null,
    sheetMm: mmFromUm(run.sheet_um),
    startedAtMs: run.started_at_ms,
    archived: run.archived_at_ms !== null,
    wanted: run.wanted,
    usable,
    activeMs,
    oddClocks,
  }
}
