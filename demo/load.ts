import type { FlowContext } from '../src/flows/flow-context'
import { archiveProject } from '../src/flows/deeds/archive-project'
import { tickCut } from '../src/flows/deeds/cuts'
import { handOver } from '../src/flows/deeds/deliveries'
import { recordJoin } from '../src/flows/deeds/joins'
import { choosePlannedOrders } from '../src/flows/deeds/orders'
import { addSheets } from '../src/flows/deeds/papers'
import { acceptProof, cutProof, skipProof } from '../src/flows/deeds/proofs'
import { startLooseRun, startProjectRun } from '../src/flows/deeds/runs'
import { saveBrief } from '../src/flows/deeds/save-brief'
import { readProject, type ProjectView } from '../src/flows/read/project'
import { briefOf, dayFrom, lastYearsDay, saturdayFrom, type DemoLine } from './brief'
import { done, fillCupboard, fillDrawer } from './drawer'
import { playRun, type Playing } from './play'

const DAY_MS = 24 * 3600 * 1000
const MINUTE_MS = 60_000

async function project(context: FlowContext, id: string): Promise<ProjectView> {
  const found = await readProject(context, id)
  if (!found) throw new Error(`no demo project ${id}`)
  return found
}

/** Ticks off every layout as it is planned. */
async function cutAll(context: FlowContext, projectId: string): Promise<void> {
  const { cutPlan } = await project(context, projectId)
  for (const { id, sheets } of cutPlan?.layouts ?? [])
    await done(tickCut(context, projectId, { planId: cutPlan?.id, layoutId: id, sheets: String(sheets) }))
}

interface DemoRun extends Playing {
  readonly line: number
  readonly paper: number
  readonly traySize?: string
}

async function foldLine(context: FlowContext, projectId: string, run: DemoRun): Promise<void> {
  const line = (await project(context, projectId)).lines[run.line]
  const row = line?.papers[run.paper]
  const { runId } = await done(
    startProjectRun({ ...context, nowMs: run.fromMs }, projectId, {
      lineId: line?.id,
      partKey: row?.part.key,
      paperId: row?.paper.id,
      pieces: String(row?.goodUnits ?? 0),
      grain: 'fold',
      order: 'piece by piece',
      traySize: run.traySize ?? '6',
      hand: 'right',
      way: 'whole',
    }),
  )
  await playRun(context, runId, run)
}

/** Finished a week ago: what the log has learnt from. */
async function messageHearts(context: FlowContext, papers: ReadonlyMap<string, string>): Promise<void> {
  const beganMs = context.nowMs - 9 * DAY_MS
  const then = { ...context, nowMs: beganMs }
  const lines: readonly DemoLine[] = [
    {
      id: 'new-1',
      design: 'simple-heart',
      variant: 'rounded',
      axis: 'width',
      size: '6',
      pieces: '24',
      papers: [
        ['Buoy Orange', '12'],
        ['Dusk Plum', '12'],
      ],
    },
  ]
  const brief = briefOf('Hearts as lantern tags', dayFrom(context.nowMs, -2), lines, papers)
  const { projectId } = await done(saveBrief(then, null, brief))
  const [line] = (await project(context, projectId)).lines
  await done(skipProof(then, projectId, line?.id ?? ''))
  await cutAll(then, projectId)
  await foldLine(context, projectId, {
    line: 0,
    paper: 0,
    seed: 11,
    fromMs: beganMs + 40 * MINUTE_MS,
    secondsPerPiece: 190,
    spoil: { 3: 'uneven' },
    backRow: [2],
  })
  await foldLine(context, projectId, {
    line: 0,
    paper: 1,
    seed: 12,
    fromMs: beganMs + DAY_MS,
    secondsPerPiece: 165,
    backRow: [9],
  })
  await done(
    handOver({ ...context, nowMs: context.nowMs - 2 * DAY_MS }, projectId, {
      note: 'to the jetty shed',
      pieces: [{ lineId: line?.id, pieces: '24' }],
    }),
  )
}

/** The job in hand: 36 rosettes with two leaves each, the first tray folded, waiting at piece 7. */
async function lanternLids(context: FlowContext, papers: ReadonlyMap<string, string>): Promise<void> {
  const beganMs = context.nowMs - 3 * DAY_MS
  const then = { ...context, nowMs: beganMs }
  const lines: readonly DemoLine[] = [
    {
      id: 'new-1',
      design: 'corner-folded-rosette',
      variant: 'plain',
      axis: 'edge-to-edge',
      size: '5',
      gauges: { overhang: '0.3' },
      pieces: '36',
      papers: [
        ['Buoy Orange', '12'],
        ['Tidewater', '12'],
        ['Dusk Plum', '12'],
      ],
    },
    {
      id: 'new-2',
      design: 'narrow-leaf',
      variant: 'halved',
      axis: 'tip-to-tip',
      size: '8.5',
      attachedTo: 'new-1',
      perPiece: '2',
      papers: [['Reed Green', '72']],
    },
  ]
  const brief = briefOf('Rosettes for the lantern lids', saturdayFrom(context.nowMs), lines, papers)
  const { projectId } = await done(saveBrief(then, null, brief))
  await done(choosePlannedOrders(then, projectId))
  const view = await project(context, projectId)
  const [rosettes, leaves] = view.lines
  const firstPaper = rosettes?.papers[0]?.paper.id
  await done(cutProof(then, projectId, { lineId: rosettes?.id, paperId: firstPaper }))
  await done(
    acceptProof({ ...then, nowMs: beganMs + 15 * MINUTE_MS }, projectId, {
      lineId: rosettes?.id,
      axis: 'edge-to-edge',
      measured: '5',
    }),
  )
  await done(skipProof(then, projectId, leaves?.id ?? ''))
  const cutting = { ...context, nowMs: beganMs + 30 * MINUTE_MS }
  await cutAll(cutting, projectId)
  await foldLine(context, projectId, {
    line: 1,
    paper: 0,
    seed: 21,
    fromMs: beganMs + DAY_MS,
    secondsPerPiece: 80,
    traySize: '12',
    until: { piece: 25, taps: 0 },
  })
  await foldLine(context, projectId, {
    line: 0,
    paper: 0,
    seed: 22,
    fromMs: context.nowMs - 90 * MINUTE_MS,
    secondsPerPiece: 400,
    until: { piece: 7, taps: 4 },
  })
  await done(recordJoin(context, projectId, { id: 'demo-join-1', lineId: rosettes?.id, delta: 1 }))
  await done(recordJoin(context, projectId, { id: 'demo-join-2', lineId: rosettes?.id, delta: 1 }))
}

/** Planned, and short of paper. */
async function jettyGarland(context: FlowContext, papers: ReadonlyMap<string, string>): Promise<void> {
  const lines: readonly DemoLine[] = [
    {
      id: 'new-1',
      design: 'narrow-leaf',
      variant: 'open',
      axis: 'tip-to-tip',
      size: '14',
      made: 'garland',
      measures: { pieces: '90', every: '15', tail: '40', knot: '3', across: '1300' },
      papers: [
        ['Sea Holly', '40'],
        ['Oyster', '50'],
      ],
    },
  ]
  const brief = briefOf('Garland of leaves along the jetty rail', dayFrom(context.nowMs, 24), lines, papers)
  await done(saveBrief({ ...context, nowMs: context.nowMs - DAY_MS }, null, brief))
}

/** Planned: pieces of several units, and a 2:1 piece. */
async function boathouseStars(context: FlowContext, papers: ReadonlyMap<string, string>): Promise<void> {
  const star = { design: 'ring-star', variant: 'nine', axis: 'across', size: '29.5', pieces: '3' }
  const kites = { design: 'window-star', variant: 'eight', axis: 'across', size: '24', pieces: '4' }
  const heart = { design: 'framed-heart', variant: 'plain', axis: 'width', size: '6', pieces: '6' }
  const each = ['Tidewater', 'Buoy Orange', 'Dusk Plum'].map((paper) => [paper, '1'] as const)
  const lines: readonly DemoLine[] = [
    { id: 'new-1', ...star, papers: each, colours: 'in turn' },
    { id: 'new-2', ...kites, papers: [['Reed Green', '4']] },
    { id: 'new-3', ...heart, gauges: { frame: '0.7' }, papers: [['Dusk Plum', '6']] },
  ]
  const brief = briefOf('Stars for the boathouse windows', dayFrom(context.nowMs, 26), lines, papers)
  await done(saveBrief({ ...context, nowMs: context.nowMs - DAY_MS }, null, brief))
}

/** Fourteen bottles, flowers and leaves in each; planned, and short of paper. */
async function tableBottles(context: FlowContext, papers: ReadonlyMap<string, string>): Promise<void> {
  const lines: readonly DemoLine[] = [
    {
      id: 'new-1',
      design: 'field-flower',
      variant: 'plain',
      axis: 'height',
      size: '9',
      made: 'bouquet',
      measures: { bouquets: '14', each: '3', stem: '18', vase: '12' },
      papers: [
        ['Tidewater', '21'],
        ['Dusk Plum', '21'],
      ],
    },
    {
      id: 'new-2',
      design: 'narrow-leaf',
      variant: 'open',
      axis: 'tip-to-tip',
      size: '9',
      made: 'bouquet',
      measures: { bouquets: '14', each: '2', stem: '18', vase: '' },
      goesWith: 'new-1',
      papers: [['Reed Green', '28']],
    },
  ]
  const brief = briefOf('Bottles for the long tables', dayFrom(context.nowMs, 27), lines, papers)
  await done(saveBrief({ ...context, nowMs: context.nowMs - DAY_MS }, null, brief))
}

/** Last year's, put away since: it comes every year, and it is time to begin. */
async function lastYearsWreath(context: FlowContext, papers: ReadonlyMap<string, string>): Promise<void> {
  const beganMs = context.nowMs - 362 * DAY_MS
  const then = { ...context, nowMs: beganMs }
  const paperId = papers.get('Buoy Orange') ?? ''
  const sheets = {
    paperId,
    width: '21',
    height: '29.7',
    amount: '4',
    price: '0.14',
    offcut: false,
    soldAs: '',
  }
  await done(addSheets(then, sheets))
  const lines: readonly DemoLine[] = [
    {
      id: 'new-1',
      design: 'simple-heart',
      variant: 'rounded',
      axis: 'width',
      size: '7',
      made: 'wreath',
      measures: { radius: '', pieces: '12', overlap: '0' },
      papers: [['Buoy Orange', '12']],
    },
  ]
  const due = lastYearsDay(context.nowMs, 8)
  const brief = briefOf('Wreath on the boathouse door', due, lines, papers, { yearly: true })
  const { projectId } = await done(saveBrief(then, null, brief))
  const [line] = (await project(context, projectId)).lines
  await done(skipProof(then, projectId, line?.id ?? ''))
  await cutAll(then, projectId)
  await foldLine(context, projectId, {
    line: 0,
    paper: 0,
    seed: 41,
    fromMs: beganMs + DAY_MS,
    secondsPerPiece: 200,
  })
  const pieces = [{ lineId: line?.id, pieces: '12' }]
  await done(handOver({ ...context, nowMs: beganMs + 5 * DAY_MS }, projectId, { note: '', pieces }))
  await done(archiveProject({ ...context, nowMs: beganMs + 9 * DAY_MS }, projectId, true))
}

/** An evening without a project. */
async function looseRosettes(context: FlowContext, papers: ReadonlyMap<string, string>): Promise<void> {
  const fromMs = context.nowMs - 14 * DAY_MS
  const { runId } = await done(
    startLooseRun(
      { ...context, nowMs: fromMs },
      {
        designId: 'corner-folded-rosette',
        variantKey: 'plain',
        paperId: papers.get('Oyster'),
        size: '15',
        pieces: '8',
        grain: 'fold',
        order: 'piece by piece',
        traySize: '4',
        hand: 'right',
        way: 'whole',
      },
    ),
  )
  await playRun(context, runId, { seed: 31, fromMs, secondsPerPiece: 460, spoil: { 2: 'torn' } })
}

/** Saltmarsh Lantern Night: a made-up village evening on a tidal flat. Dates are set from the moment of loading. */
export async function loadDemo(context: FlowContext): Promise<void> {
  const papers = await fillDrawer({ ...context, nowMs: context.nowMs - 20 * DAY_MS })
  await fillCupboard({ ...context, nowMs: context.nowMs - 20 * DAY_MS }, papers)
  await lastYearsWreath(context, papers)
  await looseRosettes(context, papers)
  await messageHearts(context, papers)
  await lanternLids(context, papers)
  await jettyGarland(context, papers)
  await boathouseStars(context, papers)
  await tableBottles(context, papers)
}
