import { FEELS, caliperOf, grainOf, type Paper } from '@/core/paper'
import { formatOf } from '@/core/sheet'
import { mmFromUm } from '@/core/units'
import { findPaper, listPapers, projectsByPaper } from '@/data/repositories/papers'
import { latestMovesOf, stockOf, type StockLine, type StockMoveRow } from '@/data/repositories/stock'
import type { PaperRow } from '@/data/tables'
import type { FlowContext } from '../flow-context'

/** What a page shows of a paper that only stands beside something. */
export type PaperView = Pick<Paper, 'id' | 'name' | 'frontColour' | 'backColour' | 'pattern'>

export interface SheetView {
  readonly stockItemId: string
  readonly widthMm: number
  readonly heightMm: number
  readonly formatLabel: string | null
  readonly offcut: boolean
  readonly amount: number
  readonly priceMinor: number | null
  /** The name it is sold under where that is not its size. */
  readonly soldAs: string
  /** Kept for stems: no other pieces are cut of it. */
  readonly forStems: boolean
  /** Along which of its sides the grain runs, where that is known. */
  readonly grain: 'width' | 'height' | null
}

/** A paper with what there is of it; plain, so that it can go to the browser. */
export interface DrawerPaper extends Paper {
  readonly feelLabel: string
  readonly caliperMm: number
  readonly sheets: readonly SheetView[]
}

/** A project in which a paper is used. */
export interface UsedIn {
  readonly id: string
  readonly name: string
}

export const paperView = (row: PaperRow): PaperView => ({
  id: row.id,
  name: row.name,
  frontColour: row.front_colour,
  backColour: row.back_colour,
  pattern: row.pattern,
})

/** A paper that is folded now: how thick it is tells what room its layers need. */
export interface PaperInHand extends PaperView {
  readonly caliperMm: number
}
export const paperInHand = (row: PaperRow): PaperInHand => ({
  ...paperView(row),
  caliperMm: caliperOf(paperOf(row)),
})

export const sheetView = (line: StockLine): SheetView => ({
  stockItemId: line.id,
  widthMm: mmFromUm(line.width_um),
  heightMm: mmFromUm(line.height_um),
  formatLabel: formatOf(mmFromUm(line.width_um), mmFromUm(line.height_um))?.label ?? null,
  offcut: line.offcut === 1,
  amount: line.amount,
  priceMinor: line.price_minor,
  soldAs: line.sold_as,
  forStems: line.kept_for === 'stems',
  grain: grainOf(
    { grain: line.grain, turnable: line.turnable === 1 },
    { widthUm: line.width_um, heightUm: line.height_um },
    line.offcut === 1,
  ),
})

const paperOf = (row: PaperRow): Paper => ({
  ...paperView(row),
  feel: row.feel,
  pattern: row.pattern,
  texture: row.texture,
  grain: row.grain,
  turnable: row.turnable === 1,
  toleranceMm: row.tolerance_um === null ? null : mmFromUm(row.tolerance_um),
  grammageGsm: row.grammage_gsm,
  caliperMeasuredMm: row.caliper_um === null ? null : mmFromUm(row.caliper_um),
  note: row.note,
})

function drawerPaper(row: PaperRow, stock: readonly StockLine[]): DrawerPaper {
  const paper = paperOf(row)
  return {
    ...paper,
    feelLabel: FEELS[paper.feel].label,
    caliperMm: caliperOf(paper),
    sheets: stock.filter((line) => line.paper_id === row.id).map(sheetView),
  }
}

/** Whether there is any paper in the drawer. */
export const hasPapers = async ({ db }: FlowContext): Promise<boolean> => (await listPapers(db)).length > 0

/** Papers to choose from, by name. */
export const readPaperNames = async ({ db }: FlowContext): Promise<readonly { id: string; name: string }[]> =>
  (await listPapers(db)).map(({ id, name }) => ({ id, name }))

/** Where every paper of the drawer is used now. */
export async function readUses({ db }: FlowContext): Promise<ReadonlyMap<string, readonly UsedIn[]>> {
  const uses = new Map<string, UsedIn[]>()
  for (const { paper_id, id, name } of await projectsByPaper(db))
    uses.set(paper_id, [...(uses.get(paper_id) ?? []), { id, name }])
  return uses
}

/** The paper drawer. */
export async function readDrawer({ db }: FlowContext): Promise<readonly DrawerPaper[]> {
  const papers = await listPapers(db)
  const stock = await stockOf(
    db,
    papers.map((paper) => paper.id),
  )
  return papers.map((paper) => drawerPaper(paper, stock))
}

/** A movement of sheets as it is listed. */
export interface MoveView {
  readonly id: string
  readonly kind: StockMoveRow['kind']
  readonly delta: number
  readonly widthMm: number
  readonly heightMm: number
  readonly offcut: boolean
  readonly atMs: number
  readonly note: string
  /** It can be taken back here: no cut made it, and nothing took it back yet. */
  readonly canUndo: boolean
  readonly undone: boolean
}

/** How many of the latest movements are listed. */
const MOVES_SHOWN = 30

/** The latest movements of a paper, newest first. */
export async function readMoves({ db }: FlowContext, paperId: string): Promise<readonly MoveView[]> {
  return (await latestMovesOf(db, paperId, MOVES_SHOWN)).map((move) => ({
    id: move.id,
    kind: move.kind,
    delta: move.delta,
    widthMm: mmFromUm(move.width_um),
    heightMm: mmFromUm(move.height_um),
    offcut: move.offcut === 1,
    atMs: move.at_ms,
    note: move.note,
    canUndo: move.cut_id === null && move.kind !== 'undone' && move.undone === 0,
    undone: move.undone === 1,
  }))
}

/** One paper of the drawer; `null` where there is none, or it was put away. */
export async function readDrawerPaper({ db }: FlowContext, id: string): Promise<DrawerPaper | null> {
  const paper = await findPaper(db, id)
  return paper && paper.archived_at_ms === null ? drawerPaper(paper, await stockOf(db, [id])) : null
}
