import { nanoid } from 'nanoid'
import { z } from 'zod'
import { bestGrid, pieceSizeUm } from '@/core/sheet'
import { checkCutPlan, offcutsOf, type CutLayout } from '@/core/cut'
import { umFromMm } from '@/core/units'
import { findCut, insertCut, markCutUndone } from '@/data/repositories/cuts'
import { addStockMoves, movesOfCut, stockItemFor, stockOf } from '@/data/repositories/stock'
import { parseFields } from '@/schema/field-errors'
import { countText, idText } from '@/schema/fields'
import type { FlowContext } from '../flow-context'
import { deed, refuseFields, RefusalError, type DeedResult } from '../deed'
import { readProject, type ProjectView } from '../read/project'
import { stockSheets, type LinePaperView, type LineView } from '../read/project-lines'

/** A cut as it is ticked off: which layout, how many of its sheets. */
export const tickFields = z.strictObject({
  lineId: idText('a line'),
  paperId: idText('a paper'),
  stockId: idText('a sheet'),
  piecesPerSheet: z.int().min(1),
  sheets: countText({ name: 'how many sheets', min: 1, max: 100_000 }),
})

async function projectOf(context: FlowContext, projectId: string): Promise<ProjectView> {
  const project = await readProject(context, projectId)
  if (!project) throw new RefusalError('NOT_FOUND')
  return project
}

export function lineAndPaper(
  project: ProjectView,
  lineId: string,
  paperId: string,
): { line: LineView; row: LinePaperView } {
  const line = project.lines.find((candidate) => candidate.id === lineId)
  const row = line?.papers.find((candidate) => candidate.paper.id === paperId)
  if (!line || !row) throw new RefusalError('NOT_FOUND')
  return { line, row }
}

interface CutToRecord {
  readonly projectId: string
  readonly line: LineView
  readonly paperId: string
  readonly layout: CutLayout
  readonly proof: boolean
}

/** Takes the sheets from the stock and puts the offcuts in. The layout is checked once more before anything moves. */
export async function recordCut({ db, nowMs }: FlowContext, cut: CutToRecord): Promise<void> {
  const { layout, line, paperId } = cut
  const pieceUm = umFromMm(line.sheetMm)
  const problem = {
    pieceUm: pieceSizeUm(pieceUm, line.highPerWide),
    pieces: layout.sheets * layout.piecesPerSheet,
    stock: (await stockOf(db, [paperId])).map((one) => stockSheets(one)),
  }
  const faults = checkCutPlan(problem, { status: 'planned', layouts: [layout] })
  if (faults.length > 0) throw new RefusalError('NOT_ENOUGH_STOCK')
  const id = nanoid()
  await insertCut(db, {
    id,
    project_id: cut.projectId,
    line_id: line.id,
    paper_id: paperId,
    proof: cut.proof ? 1 : 0,
    piece_um: pieceUm,
    sheets: layout.sheets,
    pieces: problem.pieces,
    layout: JSON.stringify(layout),
    at_ms: nowMs,
    undone_at_ms: null,
  })
  const move = { cut_id: id, at_ms: nowMs }
  await addStockMoves(db, [
    { ...move, id: nanoid(), stock_item_id: layout.stockId, delta: -layout.sheets, kind: 'cut' },
  ])
  for (const sizeUm of layout.offcutsUm) {
    const stock_item_id = await stockItemFor(db, { id: nanoid(), paperId, sizeUm, offcut: true })
    await addStockMoves(db, [{ ...move, id: nanoid(), stock_item_id, delta: layout.sheets, kind: 'offcut' }])
  }
}

/** Ticks a layout of the plan off, or some of its sheets. Refused where the plan has changed since it was shown. */
export const tickCut = (context: FlowContext, projectId: string, input: unknown): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const parsed = parseFields(tickFields, input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { lineId, paperId, stockId, piecesPerSheet, sheets } = parsed.value
    const { line, row } = lineAndPaper(await projectOf(inDeed, projectId), lineId, paperId)
    const layout = row.layouts.find((one) => one.stockId === stockId && one.piecesPerSheet === piecesPerSheet)
    if (!layout) throw new RefusalError('PLAN_CHANGED')
    if (sheets > layout.sheets)
      throw refuseFields({ sheets: `This layout is for ${layout.sheets}. Tick off up to that many.` })
    await recordCut(inDeed, { projectId, line, paperId, layout: { ...layout, sheets }, proof: false })
    return null
  })

/** Takes a cut back: sheets return and its offcuts go. Refused once its pieces are folded or its offcuts used. */
export const undoCut = (context: FlowContext, projectId: string, cutId: string): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const { db, nowMs } = inDeed
    const cut = await findCut(db, cutId)
    if (!cut || cut.project_id !== projectId || cut.undone_at_ms !== null) throw new RefusalError('NOT_FOUND')
    const { line, row } = lineAndPaper(await projectOf(inDeed, projectId), cut.line_id, cut.paper_id)
    if (cut.piece_um === umFromMm(line.sheetMm) && row.waitingUnits < cut.pieces)
      throw new RefusalError('CUT_IN_USE', { waiting: row.waitingUnits, pieces: cut.pieces })
    const moves = await movesOfCut(db, cutId)
    const levels = new Map((await stockOf(db, [cut.paper_id])).map((one) => [one.id, one.amount]))
    for (const { stock_item_id, delta } of moves)
      if ((levels.get(stock_item_id) ?? 0) - delta < 0)
        throw new RefusalError('CUT_IN_USE', { waiting: 0, pieces: 0 })
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
    await markCutUndone(db, cutId, nowMs)
    return null
  })

/** The layout of one piece off the sheet of this paper that the plan begins with. */
export function proofLayout(
  row: LinePaperView,
  { sheetMm, highPerWide }: Pick<LineView, 'sheetMm' | 'highPerWide'>,
): CutLayout | null {
  const [first] = row.layouts
  if (!first) return null
  const piece = pieceSizeUm(umFromMm(sheetMm), highPerWide)
  const grid = bestGrid(first.sheetUm, piece)
  return { ...first, sheets: 1, piecesPerSheet: 1, grid, offcutsUm: offcutsOf(first.sheetUm, piece, grid, 1) }
}
