import { cuttableEdgeToEdge, cutWith } from './guillotine'
import {
  givenBy,
  placedAt,
  usableUm,
  wholeSheets,
  type CutDemand,
  type CutLayout,
  type CutPlan,
  type CutProblem,
  type RectUm,
} from './types'

/** What is wrong with a plan. */
export type CutFault =
  | {
      readonly code:
        | 'UNKNOWN_SHEET'
        | 'SHEET_SIZE'
        | 'NO_SHEETS'
        | 'UNKNOWN_PIECE'
        | 'OTHER_PAPER'
        | 'TURNED'
        | 'OFF_THE_SHEET'
        | 'OVERLAP'
        | 'NOT_EDGE_TO_EDGE'
        | 'NOT_WITH_THESE_TOOLS'
      readonly layout: string
    }
  /** Two layouts, demands or sheets bear one name: what is said of one would count for both. */
  | { readonly code: 'SAME_NAME'; readonly name: string }
  | { readonly code: 'STOCK_EXCEEDED'; readonly stockId: string }
  | { readonly code: 'DEMAND'; readonly demand: string; readonly planned: number; readonly wanted: number }
  /** Said to be missing of what is not wanted, twice, or less than nothing. */
  | { readonly code: 'MISSING'; readonly demand: string }
  | { readonly code: 'STATUS'; readonly sheets: number; readonly bound: number }

const inside = ({ xUm, yUm, widthUm, heightUm }: RectUm, sheet: CutLayout['sheetUm']): boolean =>
  xUm >= 0 &&
  yUm >= 0 &&
  widthUm > 0 &&
  heightUm > 0 &&
  xUm + widthUm <= sheet.widthUm &&
  yUm + heightUm <= sheet.heightUm

/** Names that stand there more than once. */
const twice = (names: readonly string[]): readonly string[] => {
  const seen = new Set<string>()
  return [...new Set(names.filter((name) => seen.has(name) || !seen.add(name)))]
}

function nameFaults({ demands, stock }: CutProblem, plan: CutPlan): readonly CutFault[] {
  const missing = plan.status === 'short' ? plan.missing : []
  const wanted = new Map(demands.map(({ key, count }) => [key, count]))
  const alike = [
    ...twice(plan.layouts.map(({ id }) => id)),
    ...twice(demands.map(({ key }) => key)),
    ...twice(stock.map(({ stockId }) => stockId)),
  ]
  return [
    ...alike.map((name): CutFault => ({ code: 'SAME_NAME', name })),
    ...[
      ...twice(missing.map(({ demand }) => demand)),
      ...missing.flatMap(({ demand, count }) =>
        count >= 1 && count <= (wanted.get(demand) ?? 0) ? [] : [demand],
      ),
    ].map((demand): CutFault => ({ code: 'MISSING', demand })),
  ]
}

const overlap = (a: RectUm, b: RectUm): boolean =>
  a.xUm < b.xUm + b.widthUm &&
  b.xUm < a.xUm + a.widthUm &&
  a.yUm < b.yUm + b.heightUm &&
  b.yUm < a.yUm + a.heightUm

function layoutFaults(
  problem: CutProblem,
  demands: ReadonlyMap<string, CutDemand>,
  layout: CutLayout,
): readonly CutFault[] {
  const fault = (code: Extract<CutFault, { layout: string }>['code']): readonly CutFault[] => [
    { code, layout: layout.id },
  ]
  const stock = problem.stock.find(({ stockId }) => stockId === layout.stockId)
  if (!stock) return fault('UNKNOWN_SHEET')
  const { sheetUm, sheets, placements, offcuts } = layout
  const rects: RectUm[] = [...offcuts]
  for (const placement of placements) {
    const demand = demands.get(placement.demand)
    if (!demand) return fault('UNKNOWN_PIECE')
    if (demand.paperId !== stock.paperId) return fault('OTHER_PAPER')
    if (placement.turned && !demand.turnable) return fault('TURNED')
    rects.push(placedAt(placement, demand.sizeUm))
  }
  if (sheetUm.widthUm !== stock.sizeUm.widthUm || sheetUm.heightUm !== stock.sizeUm.heightUm)
    return fault('SHEET_SIZE')
  if (!Number.isInteger(sheets) || sheets < 1 || placements.length === 0) return fault('NO_SHEETS')
  const pieces = rects.slice(offcuts.length)
  // A sheet that is the piece keeps its edges, however large it came out.
  const [only] = pieces
  const ready = pieces.length === 1 && only?.widthUm === sheetUm.widthUm && only.heightUm === sheetUm.heightUm
  const sure = ready ? sheetUm : usableUm(stock)
  if (!pieces.every((piece) => inside(piece, sure))) return fault('OFF_THE_SHEET')
  if (!rects.every((rect) => Object.values(rect).every(Number.isInteger) && inside(rect, sheetUm)))
    return fault('OFF_THE_SHEET')
  if (rects.some((rect, index) => rects.slice(index + 1).some((other) => overlap(rect, other))))
    return fault('OVERLAP')
  if (!cuttableEdgeToEdge(rects)) return fault('NOT_EDGE_TO_EDGE')
  return problem.tools && !cutWith(sheetUm, pieces, problem.tools) ? fault('NOT_WITH_THESE_TOOLS') : []
}

/**
 * Verifies a plan against its problem without knowing how it was made: every piece and offcut inside its sheet, none
 * over another, all parted by edge-to-edge cuts, no sheet taken twice, every demand met but for what is said missing, no
 * name borne twice.
 * *Returns* every fault found; none means the plan holds. *Cost* pairs of rectangles on a sheet.
 */
export function checkCutPlan(problem: CutProblem, plan: CutPlan): readonly CutFault[] {
  const wanted = new Map(problem.demands.map((demand) => [demand.key, demand]))
  const given = givenBy(plan.layouts)
  const faults: CutFault[] = [
    ...nameFaults(problem, plan),
    ...plan.layouts.flatMap((layout) => layoutFaults(problem, wanted, layout)),
  ]
  for (const { stockId, available } of problem.stock) {
    const taken = plan.layouts
      .filter((layout) => layout.stockId === stockId)
      .reduce((sum, layout) => sum + layout.sheets, 0)
    if (taken > available) faults.push({ code: 'STOCK_EXCEEDED', stockId })
  }
  for (const { key, count } of problem.demands) {
    const missing = plan.status === 'short' ? plan.missing.find(({ demand }) => demand === key)?.count : 0
    const planned = given.get(key) ?? 0
    const least = count - (missing ?? 0)
    // Free places on a sheet are spares at no cost.
    if (planned < least) faults.push({ code: 'DEMAND', demand: key, planned, wanted: least })
  }
  // What proofs say is worked out anew by `verifiedPlan`, not looked at here.
  if ((plan.proofs ?? []).length > 0) return faults
  const sheets = wholeSheets(plan.layouts, problem.stock)
  const over = plan.status === 'within' ? plan.sheets : 0
  if (plan.status !== 'short' && sheets > plan.boundSheets + over)
    faults.push({ code: 'STATUS', sheets, bound: plan.boundSheets })
  return faults
}
