import {
  mainPart,
  stagesOf,
  variantOf,
  wordsFor,
  type CreaseStrength,
  type DesignDocument,
  type GaugeSettings,
  type Rigour,
} from '@/core/design'
import {
  believedAtMs,
  timeBelieved,
  type RunEvent,
  type RunPlan,
  type TapGrain,
  type TrayOrder,
} from '@/core/run'
import { mmFromUm } from '@/core/units'
import { papersById } from '@/data/repositories/papers'
import { findProject } from '@/data/repositories/projects'
import { eventsOfRun, findRun } from '@/data/repositories/runs'
import { readEpoch } from '@/data/repositories/settings'
import type { RunEventRow, RunRow } from '@/data/tables'
import type { FlowContext } from '../flow-context'
import { readDesigns } from './designs'
import { readRunPictures, type RunPictures } from './folds'
import { paperView, type PaperView } from './papers'
import { gaugesFromText } from './gauges'

/** A step as the fold screen says it. */
export interface SaidStep {
  readonly stageName: string
  readonly say: string
  readonly each: string
  readonly repeats: number
  readonly crease: CreaseStrength
  readonly rigour: Rigour
  readonly note: string | null
  readonly normal: string | null
  readonly look: readonly string[]
}

/** Events of a run after some sequence number, and the marks a client needs to go on from there. */
export interface RunFeed {
  readonly epoch: string
  readonly seq: number
  readonly events: readonly RunEvent[]
}

export interface RunView {
  readonly id: string
  readonly projectId: string | null
  readonly projectName: string | null
  readonly designId: string
  readonly designName: string
  readonly variantName: string
  readonly variantKey: string
  readonly partName: string
  readonly paper: PaperView | null
  readonly hand: 'right' | 'left'
  readonly sheetMm: number
  readonly startedAtMs: number
  readonly archived: boolean
  readonly plan: RunPlan
  readonly steps: readonly SaidStep[]
  readonly feed: RunFeed
  /** Taps whose clock cannot be right; they are taken to have been when they arrived. */
  readonly oddClocks: number
}

/** The plan a run was started with, from its row and its pinned design. */
export async function runPlan(
  context: FlowContext,
  run: RunRow,
): Promise<{ plan: RunPlan; steps: readonly SaidStep[] }> {
  const design = (await readDesigns(context, [run.design_hash])).get(run.design_hash)
  if (!design) throw new Error(`run ${run.id} pins a design that is not stored`)
  const part = design.parts.find((candidate) => candidate.key === run.part_key) ?? mainPart(design)
  const stages = stagesOf(part, variantOf(design, run.variant_key), run.way)
  const steps = stages.flatMap((stage, index) =>
    stage.steps.map((step) => ({ stage: index, stageName: stage.name, step })),
  )
  return {
    plan: {
      steps: steps.map(({ stage, step }) => ({ stage, repeats: step.repeats })),
      grain: run.grain as TapGrain,
      order: run.tray_order as TrayOrder,
      traySize: run.tray_size,
      wanted: run.wanted,
    },
    steps: steps
      .map(({ stageName, step }) => ({ stageName, step: wordsFor(run.hand, step) }))
      .map(({ stageName, step }) => ({
        stageName,
        say: step.say,
        each: step.each,
        repeats: step.repeats,
        crease: step.crease,
        rigour: step.rigour,
        note: step.note ?? null,
        normal: step.normal ?? null,
        look: step.look ?? [],
      })),
  }
}

type Started = Pick<RunRow, 'started_at_ms'>

const receipt = ({ started_at_ms }: Started, { received_at_ms }: RunEventRow) => ({
  startedAtMs: started_at_ms,
  receivedAtMs: received_at_ms,
})

/**
 * Events as they were stored; bodies were checked on their way in. A tap whose clock cannot be right is kept, but taken
 * to have been when it arrived.
 */
export const storedEvents = (run: Started, rows: readonly RunEventRow[]): readonly RunEvent[] =>
  rows.map((row) => {
    const event = JSON.parse(row.body) as RunEvent
    return { ...event, atMs: believedAtMs(event.atMs, receipt(run, row)) }
  })

export function feedOf(run: Started, epoch: string, rows: readonly RunEventRow[], since: number): RunFeed {
  return {
    epoch,
    seq: rows.at(-1)?.seq ?? 0,
    events: storedEvents(
      run,
      rows.filter((row) => row.seq > since),
    ),
  }
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
  const rows = await eventsOfRun(db, id)
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
    paper: paper ? paperView(paper) : null,
    hand: run.hand,
    sheetMm: mmFromUm(run.sheet_um),
    startedAtMs: run.started_at_ms,
    archived: run.archived_at_ms !== null,
    plan,
    steps,
    feed: feedOf(run, await readEpoch(db), rows, 0),
    oddClocks: rows.filter((row) => !timeBelieved(row.at_ms, receipt(run, row))).length,
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
