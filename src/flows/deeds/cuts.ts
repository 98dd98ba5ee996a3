import { nanoid } from 'nanoid'
import { countsOf, type CutLayout } from '@/core/cut'
import {
  demandKey,
  demandOf,
  isReadyCut,
  layoutsLeft,
  sheetsTaken,
  type DemandOf,
  type Ticked,
} from '@/core/plan'
import { deleteProof, findCut, insertCut, markCutUndone, projectsOfCut } from '@/data/repositories/cuts'
import { listOpenProjects } from '@/data/repositories/projects'
import { addStockMoves, movesOfCut, stockItemFor, stockOf } from '@/data/repositories/stock'
import { sameSize } from '@/core/sheet'
import type { CutPieceRow, CutRow } from '@/data/tables'
import { parseFields } from '@/schema/field-errors'
import { tickFields } from '@/schema/cut'
import { keepPlanned } from '../baseline'
import type { FlowContext } from '../flow-context'
import { deed, refuseFields, RefusalError, type DeedResult } from '../deed'
import { planCuts } from '../plan-cuts'
import { planningState } from '../planning-state'
import { promisesOf } from '../promises'
import { paperIdsOf, plannedOr, type PlannedProject } from '../project-plan'

interface CutToRecord {
  readonly projectId: string
  readonly planId: string | null
  readonly layout: CutLayout
  readonly proof: boolean
  readonly sizeOf: (demand: string) => { readonly widthUm: number; readonly heightUm: number }
}

/** Takes the sheets from the stock and puts the offcuts in. */
async function recordCut({ db, nowMs }: FlowContext, cut: CutToRecord): Promise<void> {
  const { layout } = cut
  const id = nanoid()
  const demands = [...countsOf(layout)]
  const paperId = demandOf(demands[0]?.[0] ?? '').paperId
  const pieces = demands.map(([demand, count]): CutPieceRow => {
    const { lineId, partKey } = demandOf(demand)
    const { widthUm, heightUm } = cut.sizeOf(demand)
    return {
      cut_id: id,
      line_id: lineId,
      part_key: partKey,
      pieces: count * layout.sheets,
      width_um: widthUm,
      height_um: heightUm,
    }
  })
  const level = (await stockOf(db, [paperId])).find((one) => one.id === layout.stockId)?.amount ?? 0
  if (level < layout.sheets) throw new RefusalError('NOT_ENOUGH_STOCK')
  const row = {
    id,
    project_id: cut.projectId,
    paper_id: paperId,
    proof: cut.proof ? 1 : 0,
    sheets: layout.sheets,
    cut_plan_id: cut.planId,
    layout_id: cut.planId === null ? null : layout.id,
    layout: JSON.stringify(layout),
    at_ms: nowMs,
    undone_at_ms: null,
  }
  await insertCut(db, row, pieces)
  const move = { cut_id: id, at_ms: nowMs }
  await addStockMoves(db, [
    { ...move, id: nanoid(), stock_item_id: layout.stockId, delta: -layout.sheets, kind: 'cut' },
  ])
  for (const sizeUm of layout.offcuts) {
    const stock_item_id = await stockItemFor(db, { id: nanoid(), paperId, sizeUm, offcut: true })
    await addStockMoves(db, [{ ...move, id: nanoid(), stock_item_id, delta: layout.sheets, kind: 'offcut' }])
  }
}

/** Promises a project, and those it is cut together with, the sheets their plan still takes once these cuts stand. */
async function keepPromises(
  context: FlowContext,
  { brief, records: { cutPlan }, row }: PlannedProject,
  ticked: readonly Ticked[],
): Promise<void> {
  if (cutPlan === null) return
  const takes = brief.archived ? new Map<string, number>() : sheetsTaken(layoutsLeft({ ...cutPlan, ticked }))
  const promises = await promisesOf(context, [], await listOpenProjects(context.db))
  await promises.replace([row.id, ...cutPlan.sharedWith], takes)
}

/** Ticks a layout of the stored plan off, or some of its sheets. Refused where the plan is another by now. */
export const tickCut = (context: FlowContext, projectId: string, input: unknown): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const parsed = parseFields(tickFields, input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { planId, layoutId, sheets } = parsed.value
    const project = await plannedOr(inDeed, projectId)
    const { cutPlan } = project.records
    if (cutPlan?.id !== planId) throw new RefusalError('PLAN_CHANGED')
    const sharing = [projectId, ...cutPlan.sharedWith]
    if ((await planningState(inDeed, sharing, paperIdsOf(project))) === 'being planned')
      throw new RefusalError('BEING_PLANNED')
    const layout = project.plan.layouts.find(({ id }) => id === layoutId)
    if (!layout) throw new RefusalError('ALREADY_CUT')
    if (sheets > layout.sheets)
      throw refuseFields({ sheets: `This layout is for ${layout.sheets}. Tick off up to that many.` })
    // Sheets that were promised to somebody else meanwhile (this project was archived) are not this one's to cut.
    const promised = project.reservations
      .filter((one) => sharing.includes(one.projectId) && one.stockId === layout.stockId)
      .reduce((sum, one) => sum + one.sheets, 0)
    if (promised < sheets) throw new RefusalError('PLAN_CHANGED')
    await keepPlanned(inDeed, project)
    for (const id of cutPlan.sharedWith) await keepPlanned(inDeed, await plannedOr(inDeed, id))
    const { planned: _, share: __, ...whole } = layout
    const done: CutLayout = { ...whole, sheets }
    const demands = new Map(cutPlan.problem.demands.map(({ key, sizeUm }) => [key, sizeUm]))
    const sizeOf = (demand: string) => {
      const size = demands.get(demand)
      if (!size) throw new RefusalError('PLAN_CHANGED')
      return size
    }
    await recordCut(inDeed, { projectId, planId, layout: done, proof: false, sizeOf })
    await keepPromises(inDeed, project, [...cutPlan.ticked, { layoutId, sheets }])
    return null
  })

/**
 * Takes sheets that are the piece already out of the drawer for one part of a line: there is nothing to cut, so nobody has
 * to tick it off. Part of the deed that begins to fold them; a plan that is out of date is left alone.
 */
export async function takeOutReady(
  inDeed: FlowContext,
  project: PlannedProject,
  of: DemandOf,
): Promise<void> {
  const { cutPlan } = project.records
  if (cutPlan === null || project.plan.standing.status !== 'current') return
  const key = demandKey(of)
  const sizeUm = cutPlan.problem.demands.find((demand) => demand.key === key)?.sizeUm
  const ready = project.plan.layouts.filter(
    (layout) => layout.placements[0]?.demand === key && isReadyCut(layout, cutPlan),
  )
  if (!sizeUm || ready.length === 0) return
  for (const { planned: _, share: __, ...layout } of ready)
    await recordCut(inDeed, {
      projectId: project.row.id,
      planId: cutPlan.id,
      layout,
      proof: false,
      sizeOf: () => sizeUm,
    })
  const ticked = ready.map(({ id, sheets }) => ({ layoutId: id, sheets }))
  await keepPromises(inDeed, project, [...cutPlan.ticked, ...ticked])
}

/** Takes a cut back: sheets return and its offcuts go. Refused once its pieces are folded or its offcuts used. */
export const undoCut = (context: FlowContext, projectId: string, cutId: string): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const { db, nowMs } = inDeed
    const cut = await findCut(db, cutId)
    const owners = await projectsOfCut(db, cutId)
    if (!cut || !owners.includes(projectId) || cut.undone_at_ms !== null) throw new RefusalError('NOT_FOUND')
    const projects = await Promise.all(owners.map((id) => plannedOr(inDeed, id)))
    for (const project of projects) refuseUsed(project, cut)
    const moves = await movesOfCut(db, cutId)
    const levels = new Map((await stockOf(db, [cut.paper_id])).map((one) => [one.id, one.amount]))
    for (const { stock_item_id, delta } of moves)
      if ((levels.get(stock_item_id) ?? 0) - delta < 0)
        throw new RefusalError('CUT_IN_USE', { waiting: 0, pieces: 0 })
    if (!(await markCutUndone(db, cutId, nowMs))) throw new RefusalError('NOT_FOUND')
    await addStockMoves(
      db,
      moves.map(({ stock_item_id, delta }) => ({
        id: nanoid(),
        stock_item_id,
        delta: -delta,
        kind: 'cut undone' as const,
        cut_id: cutId,
        at_ms: nowMs,
      })),
    )
    if (cut.proof === 1) for (const project of projects) await dropProofsOf(inDeed, project, cut.id)
    // A cut of the plan comes back to it as it was; one outside it (a proof piece) changes what is wanted.
    for (const project of projects) {
      const { cutPlan } = project.records
      if (cutPlan === null || cut.cut_plan_id !== cutPlan.id)
        await planCuts(inDeed, { project: project.row.id })
      else await keepPromises(inDeed, project, withoutOne(cutPlan.ticked, cut))
    }
    // Its offcuts may have been promised to another project meanwhile.
    await planCuts(inDeed, { paperIds: [cut.paper_id] })
    return null
  })

/** Refuses where pieces of a cut are folded: fewer wait than it gave. */
function refuseUsed({ plan, records }: PlannedProject, { id, paper_id }: CutRow): void {
  const pieces = records.cuts.find((one) => one.id === id)?.pieces ?? []
  for (const { lineId, partKey, sizeUm, count } of pieces) {
    const part = plan.lines
      .find(({ line }) => line.id === lineId)
      ?.parts.find((one) => one.part.key === partKey)
    const paper = part?.papers.find(({ paperId }) => paperId === paper_id)
    if (!paper || !part || !sameSize(part.part.sheetUm, sizeUm)) continue
    if (paper.waitingUnits < count)
      throw new RefusalError('CUT_IN_USE', { waiting: paper.waitingUnits, pieces: count })
  }
}

/** A proof piece whose cut is taken back is asked for again, unless it was judged already. */
async function dropProofsOf({ db }: FlowContext, { records }: PlannedProject, cutId: string): Promise<void> {
  const pieces = records.cuts.find(({ id }) => id === cutId)?.pieces ?? []
  for (const { lineId, status } of records.proofs)
    if (status === 'cut' && pieces.some((piece) => piece.lineId === lineId)) await deleteProof(db, lineId)
}

/** What was ticked, without one cut. */
function withoutOne(ticked: readonly Ticked[], { layout_id, sheets }: CutRow): readonly Ticked[] {
  const at = ticked.findIndex((one) => one.layoutId === layout_id && one.sheets === sheets)
  return ticked.filter((_, index) => index !== at)
}

/** Cuts one piece before the bulk and plans the rest again. */
export async function recordProofCut(
  context: FlowContext,
  project: PlannedProject,
  layout: CutLayout,
  sizeUm: { readonly widthUm: number; readonly heightUm: number },
): Promise<void> {
  await keepPlanned(context, project)
  await recordCut(context, {
    projectId: project.row.id,
    planId: null,
    layout,
    proof: true,
    sizeOf: () => sizeUm,
  })
  await planCuts(context, { project: project.row.id })
}
