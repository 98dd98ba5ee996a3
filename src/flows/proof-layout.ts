import { mayTurn, planByRule, type CutLayout, type CutTools } from '@/core/cut'
import { caliperOf } from '@/core/paper'
import { demandKey, demandOf, unpromised, type PlannedLine, type PlannedPart } from '@/core/plan'
import { mmFromUm } from '@/core/units'
import { listPapers } from '@/data/repositories/papers'
import type { PaperRow } from '@/data/tables'
import type { FlowContext } from './flow-context'
import { readStock, stockSheets, type PlannedProject } from './project-plan'

/** How far the thickness of a paper that stands in for another may be from it: a fifth. Common practice, no source. */
const LIKE_CALIPER = 0.2
/** More papers than these are not offered. */
const MOST_STAND_INS = 6

/** One piece off the sheet of a paper that the plan of this part begins with; `null` where the plan has none. */
export function proofLayout(
  { plan, stock }: PlannedProject,
  { line }: Pick<PlannedLine, 'line'>,
  { part }: Pick<PlannedPart, 'part'>,
  paperId: string,
  tools: CutTools,
): CutLayout | null {
  const isThis = (demand: string) => {
    const of = demandOf(demand)
    return of.lineId === line.id && of.partKey === part.key && of.paperId === paperId
  }
  const first = plan.layouts.find(({ placements }) => placements.some(({ demand }) => isThis(demand)))
  const key = first?.placements.find(({ demand }) => isThis(demand))?.demand
  const sheets = stock.filter(({ id }) => id === first?.stockId).map(stockSheets)
  if (key === undefined) return null
  const demands = [{ key, paperId, sizeUm: part.sheetUm, count: 1, turnable: mayTurn(sheets, paperId) }]
  return planByRule({ demands, stock: sheets, tools }).layouts[0] ?? null
}

/** Another paper that a proof piece may be folded from, and how it is cut off it. */
export interface StandIn {
  readonly paper: PaperRow
  readonly layout: CutLayout
}

const caliperOfRow = ({ feel, grammage_gsm, caliper_um }: PaperRow): number =>
  caliperOf({
    feel,
    grammageGsm: grammage_gsm,
    caliperMeasuredMm: caliper_um === null ? null : mmFromUm(caliper_um),
  })

/**
 * Papers of the drawer that a line does not use and that are about as thick as its first, with one piece off sheets
 * nobody is promised; offcuts first. What is folded of them is never a piece that was ordered.
 */
export async function standInsFor(
  context: FlowContext,
  { line, parts: [first] }: Pick<PlannedLine, 'line' | 'parts'>,
  tools: CutTools,
): Promise<readonly StandIn[]> {
  if (!first) return []
  const papers = await listPapers(context.db)
  const used = new Set(line.parts.flatMap(({ papers: own }) => own.map(({ paperId }) => paperId)))
  const own = papers.find(({ id }) => id === first.papers[0]?.paperId)
  if (!own) return []
  const wantedMm = caliperOfRow(own)
  const like = papers
    .filter(
      (paper) => !used.has(paper.id) && Math.abs(caliperOfRow(paper) - wantedMm) <= LIKE_CALIPER * wantedMm,
    )
    .sort((a, b) => Math.abs(caliperOfRow(a) - wantedMm) - Math.abs(caliperOfRow(b) - wantedMm))
  const { stock, reservations } = await readStock(
    context,
    like.map(({ id }) => id),
  )
  const free = unpromised(stock.map(stockSheets), reservations)
  return like
    .flatMap((paper): readonly StandIn[] => {
      const sheets = free.filter(({ paperId, available }) => paperId === paper.id && available > 0)
      const key = demandKey({ lineId: line.id, partKey: first.part.key, paperId: paper.id })
      const demand = { key, paperId: paper.id, sizeUm: first.part.sheetUm, count: 1 }
      const demands = [{ ...demand, turnable: mayTurn(sheets, paper.id) }]
      const layout = planByRule({ demands, stock: sheets, tools }).layouts[0]
      return layout ? [{ paper, layout }] : []
    })
    .slice(0, MOST_STAND_INS)
}
