import { requireCount } from '../errors'
import { boundSheets } from './bound'
import { fill, offcutsOf, type Filled, type Want } from './fill'
import {
  areaUm2,
  countsOf,
  wholeSheets,
  type CutDemand,
  type CutLayout,
  type CutPlan,
  type CutProblem,
  type StockSheets,
} from './types'

type Unnamed = Omit<CutLayout, 'id'>

/** Large before small; of equals the order of their keys, so that the order of the lines makes no difference. */
const largeFirst = (a: CutDemand, b: CutDemand): number =>
  Math.max(b.sizeUm.widthUm, b.sizeUm.heightUm) - Math.max(a.sizeUm.widthUm, a.sizeUm.heightUm) ||
  areaUm2(b.sizeUm) - areaUm2(a.sizeUm) ||
  (a.key < b.key ? -1 : a.key > b.key ? 1 : 0)

/** A drawer that is taken from, and what is still wanted. */
class Cutting {
  readonly layouts: Unnamed[] = []
  readonly #left: Map<string, number>
  readonly #stock: readonly StockSheets[]
  readonly #wanted: Map<string, number>
  readonly #demands: readonly CutDemand[]

  constructor(demands: readonly CutDemand[], stock: readonly StockSheets[]) {
    this.#stock = stock.toSorted((a, b) => (a.stockId < b.stockId ? -1 : 1))
    this.#left = new Map(stock.map(({ stockId, available }) => [stockId, available]))
    this.#demands = demands.toSorted(largeFirst)
    this.#wanted = new Map(demands.map(({ key, count }) => [key, count]))
  }

  wanted = ({ key }: CutDemand): number => this.#wanted.get(key) ?? 0

  #wants(demands: readonly CutDemand[]): readonly Want[] {
    return demands.map((demand) => ({
      demand: demand.key,
      sizeUm: demand.sizeUm,
      turnable: demand.turnable,
      count: this.wanted(demand),
    }))
  }

  /** Offcuts first, then the sheet that wastes least of itself, then the smaller. */
  #bestSheet(lead: CutDemand, others: readonly CutDemand[]) {
    const wants = this.#wants([lead, ...others])
    return this.#stock
      .filter(({ stockId }) => (this.#left.get(stockId) ?? 0) > 0)
      .map((stock) => {
        const filled = fill({ xUm: 0, yUm: 0, ...stock.sizeUm }, wants)
        return { stock, filled, used: filled.usedUm2 / areaUm2(stock.sizeUm) }
      })
      .filter(({ filled }) => filled.placements.some(({ demand }) => demand === lead.key))
      .sort(
        (a, b) =>
          Number(b.stock.offcut) - Number(a.stock.offcut) ||
          b.used - a.used ||
          areaUm2(a.stock.sizeUm) - areaUm2(b.stock.sizeUm),
      )[0]
  }

  #take(stock: StockSheets, filled: Filled): void {
    const counts = countsOf(filled)
    let sheets = this.#left.get(stock.stockId) ?? 0
    for (const [key, count] of counts)
      sheets = Math.min(sheets, Math.floor((this.#wanted.get(key) ?? 0) / count))
    for (const [key, count] of counts) this.#wanted.set(key, (this.#wanted.get(key) ?? 0) - sheets * count)
    this.#left.set(stock.stockId, (this.#left.get(stock.stockId) ?? 0) - sheets)
    this.layouts.push({
      stockId: stock.stockId,
      sheetUm: stock.sizeUm,
      sheets,
      placements: filled.placements,
      offcuts: offcutsOf(filled),
    })
  }

  /** Cuts all demands, the large first; `together` lets small ones lie beside them. */
  cut(together: boolean): this {
    this.#demands.forEach((lead, index) => {
      while (this.wanted(lead) > 0) {
        const best = this.#bestSheet(lead, together ? this.#demands.slice(index + 1) : [])
        if (!best) return
        this.#take(best.stock, best.filled)
      }
    })
    return this
  }

  get missing(): number {
    return this.#demands.reduce((sum, demand) => sum + this.wanted(demand), 0)
  }
}

/** The plan of one paper: sizes together, or each by itself where that takes fewer sheets. */
function cutPaper(demands: readonly CutDemand[], stock: readonly StockSheets[]): Cutting {
  const together = new Cutting(demands, stock).cut(true)
  if (demands.length < 2) return together
  const apart = new Cutting(demands, stock).cut(false)
  const [sheetsTogether, sheetsApart] = [together, apart].map(({ layouts }) => wholeSheets(layouts, stock))
  const fewer = apart.missing - together.missing || (sheetsApart ?? 0) - (sheetsTogether ?? 0)
  return fewer < 0 ? apart : together
}

/**
 * A plan at once, for all lines together: blocks of equal pieces, the strips beside them filled with smaller ones,
 * offcuts first. Not always the fewest sheets; how far from it at most is said.
 * *Returns* `short` with all it could place where the stock runs out. *Throws* `NOT_INTEGER`, `OUT_OF_RANGE`.
 */
export function planQuickly(problem: CutProblem): CutPlan {
  for (const { count } of problem.demands) requireCount('pieces', count, 0, 1_000_000)
  const papers = [...new Set(problem.demands.map(({ paperId }) => paperId))].sort()
  const cuttings = papers.map((paperId) =>
    cutPaper(
      problem.demands.filter((demand) => demand.paperId === paperId),
      problem.stock.filter((one) => one.paperId === paperId),
    ),
  )
  const layouts = cuttings
    .flatMap((cutting) => cutting.layouts)
    .map((layout, index): CutLayout => ({ id: String(index + 1), ...layout }))
  const bound = boundSheets(problem)
  const made = { layouts, boundSheets: bound }
  const missing = problem.demands.flatMap((demand) => {
    const count = cuttings[papers.indexOf(demand.paperId)]?.wanted(demand) ?? 0
    return count === 0 ? [] : [{ demand: demand.key, count }]
  })
  if (missing.length > 0) return { ...made, status: 'short', missing }
  const over = wholeSheets(layouts, problem.stock) - bound
  return over <= 0 ? { ...made, status: 'proven' } : { ...made, status: 'within', sheets: over }
}
