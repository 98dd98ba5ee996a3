import { PatternFinder } from './best-pattern'
import { THOROUGH } from './effort'
import { waysToCut, waysToLie, type Lying, type Pattern, type Sheet } from './pattern'
import { areaUm2, usableUm, type CutDemand, type CutProblem, type CutTools, type StockSheets } from './types'
import { sameSize } from '../sheet'

/** One of both ways to begin to cut a sheet, with the pieces that fit. */
export interface WayToBegin {
  readonly sheet: Sheet
  readonly lying: readonly Lying[]
  /** How thick a strip may be: as the trimmer is long. */
  readonly thickestUm: number
}

/** A stock of one paper with the ways to cut it. */
export interface SheetKind {
  /** Index of the stock. */
  readonly stock: number
  readonly sheets: StockSheets
  /** What one sheet counts for in what is to be least, a whole number; an offcut counts for nothing. */
  readonly cost: number
  readonly ways: readonly WayToBegin[]
  /** Of the ways whose patterns can all be searched. */
  readonly finders: readonly PatternFinder[]
  /** Whether every way to cut it can be searched through; else only bounds by area hold. */
  readonly searched: boolean
  /** Demands whose piece the sheet is already, turned or not. */
  readonly ready: readonly Pattern[]
}

/** What is to be cut of one paper, and what is to be least: money where every price is known, else paper. */
export interface PaperProblem {
  readonly demands: readonly CutDemand[]
  readonly kinds: readonly SheetKind[]
  readonly tools: CutTools
  readonly least: 'money' | 'sheets' | 'area'
  /** All costs are multiples of it. */
  readonly costStep: number
}

/** Any way of cutting that a person with a trimmer does: three stages, no margin. */
export const USUAL_TOOLS: CutTools = { stages: 3, marginUm: 0, trimmerUm: null, stackSheets: 1 }

const commonDivisor = (a: number, b: number): number => (b === 0 ? a : commonDivisor(b, a % b))

function costsOf(whole: readonly StockSheets[]): Pick<PaperProblem, 'least'> & {
  readonly costOf: (sheets: StockSheets) => number
} {
  const prices = whole.map(({ priceMinor }) => priceMinor ?? 0)
  if (whole.length > 0 && prices.every((price) => price > 0))
    return { least: 'money', costOf: ({ priceMinor }) => priceMinor ?? 0 }
  const areas = whole.map(({ sizeUm }) => areaUm2(sizeUm))
  const [first] = areas
  if (first === undefined || areas.every((area) => area === first))
    return { least: 'sheets', costOf: () => 1 }
  const step = areas.reduce(commonDivisor)
  return { least: 'area', costOf: ({ sizeUm }) => areaUm2(sizeUm) / step }
}

const thereOf = ({ stock }: CutProblem, paperId: string): readonly StockSheets[] =>
  stock.filter((one) => one.paperId === paperId && one.available > 0)

const wholeOf = (stock: readonly StockSheets[]): readonly StockSheets[] =>
  stock.filter(({ offcut }) => !offcut)

/** What is to be least in one paper of a problem. */
export const leastIn = (problem: CutProblem, paperId: string): PaperProblem['least'] =>
  costsOf(wholeOf(thereOf(problem, paperId))).least

/** What some layouts cost in one paper of a problem, whoever found them. */
export function costIn(
  problem: CutProblem,
  paperId: string,
  layouts: readonly { readonly stockId: string; readonly sheets: number }[],
): number {
  const there = thereOf(problem, paperId)
  const { costOf } = costsOf(wholeOf(there))
  return layouts.reduce((sum, { stockId, sheets }) => {
    const stock = there.find((one) => one.stockId === stockId)
    return sum + (stock && !stock.offcut ? sheets * costOf(stock) : 0)
  }, 0)
}

/** The problem of one paper of several. */
export function paperProblem(
  problem: CutProblem,
  paperId: string,
  mostSums: number = THOROUGH.sums,
): PaperProblem {
  const { demands, tools = USUAL_TOOLS } = problem
  const own = demands.filter((demand) => demand.paperId === paperId && demand.count > 0)
  const there = thereOf(problem, paperId)
  const { least, costOf } = costsOf(wholeOf(there))
  const kinds = there.map((sheets, index): SheetKind => {
    const ways = waysToCut(usableUm(sheets), tools).flatMap((sheet): readonly WayToBegin[] => {
      const thickestUm = Math.min(sheet.throughUm, tools.trimmerUm ?? Infinity)
      const lying = own
        .flatMap((demand, at) => waysToLie(at, demand.sizeUm, demand.turnable, sheet.first))
        .filter(({ throughUm, alongUm }) => throughUm <= thickestUm && alongUm <= sheet.alongUm)
      return lying.length === 0 ? [] : [{ sheet, lying, thickestUm }]
    })
    const found = ways.map((way) => PatternFinder.of(way, tools.stages, mostSums))
    return {
      stock: index,
      sheets,
      cost: sheets.offcut ? 0 : costOf(sheets),
      ways,
      finders: found.flatMap((finder) => finder ?? []),
      searched: !found.includes(null),
      ready: own.flatMap((demand, at) => readyPattern(index, sheets, demand, at, own.length)),
    }
  })
  return {
    demands: own,
    kinds,
    tools,
    least,
    costStep: Math.max(1, kinds.map(({ cost }) => cost).reduce(commonDivisor, 0)),
  }
}

/** A sheet that is the piece: nothing is cut, and no margin is taken off. */
function readyPattern(
  stock: number,
  { sizeUm }: StockSheets,
  demand: CutDemand,
  at: number,
  demands: number,
): readonly Pattern[] {
  const turned = { widthUm: demand.sizeUm.heightUm, heightUm: demand.sizeUm.widthUm }
  const upright = sameSize(sizeUm, demand.sizeUm)
  if (!upright && !(demand.turnable && sameSize(sizeUm, turned))) return []
  const piece = { demand: at, turned: !upright, throughUm: sizeUm.heightUm, alongUm: sizeUm.widthUm }
  return [
    {
      stock,
      first: 'across',
      strips: [{ throughUm: sizeUm.heightUm, parts: [{ alongUm: sizeUm.widthUm, pieces: [piece] }] }],
      counts: Array.from({ length: demands }, (_, index) => (index === at ? 1 : 0)),
      ready: true,
    },
  ]
}

/** Patterns with how many sheets are cut by each. */
export interface Cutting {
  readonly uses: readonly { readonly pattern: Pattern; readonly sheets: number }[]
  readonly cost: number
  /** Pieces that are still wanted, by demand. */
  readonly missing: readonly number[]
}

export const missingIn = ({ missing }: Cutting): number => missing.reduce((sum, count) => sum + count, 0)

/** Uses of patterns counted together. */
export function cuttingOf({ demands, kinds }: PaperProblem, uses: Cutting['uses']): Cutting {
  const given = demands.map((_, at) =>
    uses.reduce((sum, { pattern, sheets }) => sum + sheets * (pattern.counts[at] ?? 0), 0),
  )
  return {
    uses,
    cost: uses.reduce((sum, { pattern, sheets }) => sum + sheets * (kinds[pattern.stock]?.cost ?? 0), 0),
    missing: demands.map(({ count }, at) => Math.max(0, count - (given[at] ?? 0))),
  }
}

/** Fewer pieces missing, then less cost, then fewer layouts. */
export const isBetter = (a: Cutting, b: Cutting): boolean =>
  (missingIn(a) - missingIn(b) || a.cost - b.cost || a.uses.length - b.uses.length) < 0
