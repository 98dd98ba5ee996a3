import { areaUm2, type CutDemand, type CutTools, givenBy, type Placement, type StockSheets } from '../cut'
import { bestGrid, sameSize, type SizeUm } from '../sheet'
import { sum } from './progress'
import { demandOf, type LayoutLeft, type Reservation, type StoredCutPlan } from './types'

/** Why a stored plan is not what would be planned now. */
export type StaleBecause =
  /** More has to be cut than the plan still gives: pieces were spoiled. */
  | 'more wanted'
  /** The brief asks for other sizes, papers or fewer pieces. */
  | 'other wishes'
  /** Sheets it counted with are gone, or promised to another project. */
  | 'sheets gone'
  /** It was short, and there are sheets now that would help. */
  | 'sheets came'
  /** Something else is said of a paper: which way its pieces lie, or how much smaller its sheets may be. */
  | 'other paper'
  /** It was made for other cuts than those that are made now: another margin, trimmer or number of stages. */
  | 'other tools'

/** The stored plan as it stands now. */
export type Standing =
  | { readonly status: 'none' }
  | { readonly status: 'current' }
  | { readonly status: 'stale'; readonly because: StaleBecause }

/** Layouts of a plan that still have sheets to cut, for whichever project. */
export const layoutsLeft = (stored: StoredCutPlan | null): readonly LayoutLeft[] =>
  stored === null
    ? []
    : stored.plan.layouts.flatMap((layout) => {
        const ticked = sum(
          stored.ticked.filter(({ layoutId }) => layoutId === layout.id),
          ({ sheets }) => sheets,
        )
        const sheets = layout.sheets - ticked
        return sheets > 0 ? [{ ...layout, sheets, planned: layout.sheets, share: 1 }] : []
      })

/** Of the layouts left those that give pieces of some lines, with the share of these in their paper. */
export function layoutsOf(
  { problem }: Pick<StoredCutPlan, 'problem'>,
  left: readonly LayoutLeft[],
  lineIds: ReadonlySet<string>,
): readonly LayoutLeft[] {
  const areas = new Map(problem.demands.map(({ key, sizeUm }) => [key, areaUm2(sizeUm)]))
  return left.flatMap((layout) => {
    const areaOf = ({ demand }: Placement) => areas.get(demand) ?? 0
    const own = layout.placements.filter(({ demand }) => lineIds.has(demandOf(demand).lineId))
    return own.length === 0 ? [] : [{ ...layout, share: sum(own, areaOf) / sum(layout.placements, areaOf) }]
  })
}

/** Sheets of each stock that the layouts left take: what a project reserves. */
export function sheetsTaken(
  layouts: readonly Pick<LayoutLeft, 'stockId' | 'sheets'>[],
): ReadonlyMap<string, number> {
  const taken = new Map<string, number>()
  for (const { stockId, sheets } of layouts) taken.set(stockId, (taken.get(stockId) ?? 0) + sheets)
  return taken
}

/** Whether a sheet is the piece already: there is nothing to cut, and no cut to prove. */
export function isReadyCut(
  { placements, sheetUm }: Pick<LayoutLeft, 'placements' | 'sheetUm'>,
  { problem }: Pick<StoredCutPlan, 'problem'>,
): boolean {
  const [only] = placements
  const size = problem.demands.find(({ key }) => key === only?.demand)?.sizeUm
  return placements.length === 1 && size !== undefined && sameSize(size, sheetUm)
}

/** Whether a layout of the stored plan is cut from offcuts. */
export const isOffcut = (
  { stockId }: Pick<LayoutLeft, 'stockId'>,
  plan: Pick<StoredCutPlan, 'problem'> | null,
): boolean => plan?.problem.stock.some((sheets) => sheets.stockId === stockId && sheets.offcut) ?? false

/** Whether one such piece comes off a sheet. */
export const comesOff = (sheetUm: SizeUm, pieceUm: SizeUm): boolean => bestGrid(sheetUm, pieceUm).count > 0

interface StandingOf {
  readonly stored: StoredCutPlan | null
  readonly layouts: readonly LayoutLeft[]
  readonly demands: readonly CutDemand[]
  /** Sheets in the drawer, as they are. */
  readonly stock: readonly StockSheets[]
  /** What every project has been promised of them. */
  readonly reservations: readonly Reservation[]
  readonly tools: CutTools
  readonly projectId: string
}

/** Sheets nobody has been promised, by stock. */
export const unpromised = (
  stock: readonly StockSheets[],
  reservations: readonly Reservation[],
): readonly StockSheets[] =>
  stock.map((one) => ({
    ...one,
    available: Math.max(
      0,
      one.available -
        sum(
          reservations.filter(({ stockId }) => stockId === one.stockId),
          ({ sheets }) => sheets,
        ),
    ),
  }))

/** Whether sheets lie and are counted on as they were when a plan was made. */
const isSameSheet = (a: StockSheets, b: StockSheets): boolean =>
  sameSize(a.sizeUm, b.sizeUm) && (a.toleranceUm ?? 0) === (b.toleranceUm ?? 0)

/** Whether plans made for some tools can be cut with others. How many sheets go in one stack changes no cut. */
const sameTools = (a: CutTools, b: CutTools): boolean =>
  a.stages === b.stages && a.marginUm === b.marginUm && a.trimmerUm === b.trimmerUm

/**
 * How a stored plan stands against what is wanted and there now. Fewer spares wanted than planned, because folding
 * went well, leave it current: the plan is not made anew for that.
 */
export function standingOf({
  stored,
  layouts,
  demands,
  stock,
  reservations,
  tools,
  projectId,
}: StandingOf): Standing {
  if (stored === null) return demands.length === 0 ? { status: 'current' } : { status: 'none' }
  const { problem, plan } = stored
  const stale = (because: StaleBecause): Standing => ({ status: 'stale', because })
  if (layouts.length > 0 && problem.tools && !sameTools(problem.tools, tools)) return stale('other tools')
  const given = givenBy(layouts)
  const was = (key: string) => problem.demands.find((demand) => demand.key === key)
  for (const { key, sizeUm, turnable } of demands) {
    const planned = was(key)
    if (!planned || !sameSize(planned.sizeUm, sizeUm)) return stale('other wishes')
    if (planned.turnable !== turnable) return stale('other paper')
  }
  const missing = plan.status === 'short' ? plan.missing : []
  const missingOf = (key: string) => missing.find(({ demand }) => demand === key)?.count ?? 0
  for (const { key, count } of demands)
    if (count > (given.get(key) ?? 0) + missingOf(key)) return stale('more wanted')
  const free = unpromised(stock, reservations)
  const holders = new Set([projectId, ...stored.sharedWith])
  const mine = (id: string) =>
    sum(
      reservations.filter((one) => one.stockId === id && holders.has(one.projectId)),
      ({ sheets }) => sheets,
    )
  for (const [stockId, sheets] of sheetsTaken(layouts)) {
    const now = stock.find((one) => one.stockId === stockId)
    if ((now?.available ?? 0) < sheets || mine(stockId) < sheets) return stale('sheets gone')
    const then = problem.stock.find((one) => one.stockId === stockId)
    if (now && then && !isSameSheet(now, then)) return stale('other paper')
  }
  const helped = missing.some(({ demand }) => {
    const wanted = was(demand)
    return (
      wanted !== undefined &&
      demands.some(({ key }) => key === demand) &&
      free.some(
        (one) => one.available > 0 && one.paperId === wanted.paperId && comesOff(one.sizeUm, wanted.sizeUm),
      )
    )
  })
  return helped ? stale('sheets came') : { status: 'current' }
}
