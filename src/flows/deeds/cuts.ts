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
import { replaceReservations } from '@/data/repositories/cut-plans'
import { cutPiecesOf, findCut, insertCut, markCutUndone } from '@/data/repositories/cuts'
import { addStockMoves, movesOfCut, stockItemFor, stockOf } from '@/data/repositories/stock'
import type { CutPieceRow } from '@/data/tables'
import { parseFields } from '@/schema/field-errors'
import { tickFields } from '@/schema/cut'
import { keepPlanned } from '../baseline'
import type { FlowContext } from '../flow-context'
import { deed, refuseFields, RefusalError, type DeedResult } from '../deed'
import { planCuts } from '../plan-cuts'
import { plannedOr, type PlannedProject } from '../project-plan'

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

/** Promises a project the sheets its plan still takes once these cuts stand. */
async function keepPromises(
  { db }: FlowContext,
  { brief, records, row }: PlannedProject,
  cuts: readonly Ticked[],
): Promise<void> {
  const takes = brief.archived ? new Map<string, number>() : sheetsTaken(layoutsLeft(records.cutPlan, cuts))
  await replaceReservations(db, row.id, takes)
}

/** Ticks a layout of the stored plan off, or some of its sheets. Refused where the plan is another by now. */
export const tickCut = (context: FlowContext, projectId: string, input: unknown): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const parsed = parseFields(tickFields, input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { planId, layoutId, sheets } = parsed.value
    const project = await plannedOr(inDeed, projectId)
    const { cutPlan, cuts } = project.records
    if (cutPlan?.id !== planId) throw new RefusalError('PLAN_CHANGED')
    const layout = project.plan.layouts.find(({ id }) => id === layoutId)
    if (!layout) throw new RefusalError('ALREADY_CUT')
    if (sheets > layout.sheets)
      throw refuseFields({ sheets: `This layout is for ${layout.sheets}. Tick off up to that many.` })
    // Sheets that were promised to somebody else meanwhile (this project was archived) are not this one's to cut.
    const promised = project.reservations.find(
      (one) => one.projectId === projectId && one.stockId === layout.stockId,
    )
    if ((promised?.sheets ?? 0) < sheets) throw new RefusalError('PLAN_CHANGED')
    await keepPlanned(inDeed, project)
    const { planned: _, ...whole } = layout
    const done: CutLayout = { ...whole, sheets }
    const demands = new Map(cutPlan.problem.demands.map(({ key, sizeUm }) => [key, sizeUm]))
    const sizeOf = (demand: string) => {
      const size = demands.get(demand)
      if (!size) throw new RefusalError('PLAN_CHANGED')
      return size
    }
    await recordCut(inDeed, { projectId, planId, layout: done, proof: false, sizeOf })
    await keepPromises(inDeed, project, [...cuts, { sheets, layout: { planId, id: layoutId } }])
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
  const { cutPlan, cuts } = project.records
  if (cutPlan === null || project.plan.standing.status !== 'current') return
  const key = demandKey(of)
  const sizeUm = cutPlan.problem.demands.find((demand) => demand.key === key)?.sizeUm
  const ready = project.plan.layouts.filter(
    (layout) => layout.placements[0]?.demand === key && isReadyCut(layout, cutPlan),
  )
  if (!sizeUm || ready.length === 0) return
  for (const { planned: _, ...layout } of ready)
    await recordCut(inDeed, {
      projectId: project.row.id,
      planId: cutPlan.id,
      layout,
      proof: false,
      sizeOf: () => sizeUm,
    })
  const ticked = ready.map(({ id, sheets }) => ({ sheets, layout: { planId: cutPlan.id, id } }))
  await keepPromises(inDeed, project, [...cuts, ...ticked])
}

/** Takes a cut back: sheets return and its offcuts go. Refused once its pieces are folded or its offcuts used. */
export const undoCut = (context: FlowContext, projectId: string, cutId: string): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const { db, nowMs } = inDeed
    const cut = await findCut(db, cutId)
    if (!cut || cut.project_id !== projectId || cut.undone_at_ms !== null) throw new RefusalError('NOT_FOUND')
    const project = await plannedOr(inDeed, projectId)
    const pieces = (await cutPiecesOf(db, [projectId])).filter((piece) => piece.cut_id === cutId)
    for (const piece of pieces) {
      const part = project.plan.lines
        .find(({ line }) => line.id === piece.line_id)
        ?.parts.find((one) => one.part.key === piece.part_key)
      const paper = part?.papers.find(({ paperId }) => paperId === cut.paper_id)
      const { widthUm, heightUm } = part?.part.sheetUm ?? { widthUm: 0, heightUm: 0 }
      if (!paper || widthUm !== piece.width_um || heightUm !== piece.height_um) continue
      if (paper.waitingUnits < piece.pieces)
        throw new RefusalError('CUT_IN_USE', { waiting: paper.waitingUnits, pieces: piece.pieces })
    }
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
    // A cut of the plan comes back to it as it was; one outside it (a proof piece) changes what is wanted.
    const ofThePlan = cut.cut_plan_id !== null && cut.cut_plan_id === project.records.cutPlan?.id
    if (ofThePlan)
      await keepPromises(
        inDeed,
        project,
        project.records.cuts.filter(({ id }) => id !== cutId),
      )
    // Its offcuts may have been promised to another project meanwhile.
    await planCuts(inDeed, { paperIds: [cut.paper_id], ...(ofThePlan ? {} : { project: projectId }) })
    return null
  })

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
