import { largest } from '../numeric'
import { bestGrid } from '../sheet'
import { areaUm2, type CutDemand, type CutProblem, type StockSheets } from './types'

/** Lengths are also counted in (k + 1)ths of the sheet, for k up to this. */
const MOST_PARTS = 12

/**
 * A dual feasible function: lengths whose sum is at most the whole are mapped to shares whose sum is at most 1. `k = 0`
 * is the length itself; else u(k) of Fekete and Schepers (2001), from memory: a multiple of 1/(k + 1) stays, anything
 * else becomes floor((k + 1) x) / k. Proved for each k by trying all small cases in the test.
 */
export function countedShare(lengthUm: number, wholeUm: number, k: number): number {
  if (k === 0) return lengthUm / wholeUm
  const parts = ((k + 1) * lengthUm) / wholeUm
  return Number.isInteger(parts) ? lengthUm / wholeUm : Math.floor(parts) / k
}

/** Rounding of sums of shares: a sum this close above a whole number of sheets is that number. */
const SAME_SHARE = 1e-9

/** What a demand counts for on a sheet, by the functions `j` across and `k` up; the lesser of its two ways to lie. */
function shareOf(
  { sizeUm, turnable }: CutDemand,
  sheet: { readonly widthUm: number; readonly heightUm: number },
  j: number,
  k: number,
): number {
  const lying = (widthUm: number, heightUm: number) =>
    widthUm > sheet.widthUm || heightUm > sheet.heightUm
      ? Infinity
      : countedShare(widthUm, sheet.widthUm, j) * countedShare(heightUm, sheet.heightUm, k)
  const upright = lying(sizeUm.widthUm, sizeUm.heightUm)
  const share = turnable ? Math.min(upright, lying(sizeUm.heightUm, sizeUm.widthUm)) : upright
  return share === Infinity ? 0 : share
}

/**
 * The most that pieces lying in one offcut can count for: no more than a sheet it lies in, and no more than its area
 * holds of the pieces that fit it, counted whole where only one kind does.
 */
function shareInOffcut(
  { sizeUm }: StockSheets,
  demands: readonly CutDemand[],
  shareOfDemand: (demand: CutDemand) => number,
  liesInSheet: boolean,
): number {
  const area = areaUm2(sizeUm)
  const fitting = demands.filter(({ sizeUm: piece }) => bestGrid(sizeUm, piece).count > 0)
  const [only, ...others] = fitting
  if (!only) return 0
  const most =
    others.length === 0
      ? Math.floor(area / areaUm2(only.sizeUm)) * shareOfDemand(only)
      : area * largest(fitting.map((demand) => shareOfDemand(demand) / areaUm2(demand.sizeUm)))
  return liesInSheet ? Math.min(1, most) : most
}

function boundOfPaper(demands: readonly CutDemand[], stock: readonly StockSheets[]): number {
  const wholes = stock.filter(({ offcut, available }) => !offcut && available > 0)
  if (wholes.length === 0) return 0
  // Every whole sheet lies in this one, so a number of these is enough wherever a number of them is.
  const sheet = {
    widthUm: largest(wholes.map(({ sizeUm }) => sizeUm.widthUm)),
    heightUm: largest(wholes.map(({ sizeUm }) => sizeUm.heightUm)),
  }
  const offcuts = stock.filter(({ offcut, available }) => offcut && available > 0)
  const lies = ({ sizeUm }: StockSheets) =>
    sizeUm.widthUm <= sheet.widthUm && sizeUm.heightUm <= sheet.heightUm
  let most = 0
  for (let j = 0; j <= MOST_PARTS; j++)
    for (let k = 0; k <= MOST_PARTS; k++) {
      const share = (demand: CutDemand) => shareOf(demand, sheet, j, k)
      const wanted = demands.reduce((sum, demand) => sum + demand.count * share(demand), 0)
      const inOffcuts = offcuts.reduce(
        (sum, one) => sum + one.available * shareInOffcut(one, demands, share, lies(one)),
        0,
      )
      most = Math.max(most, Math.ceil(wanted - inOffcuts - SAME_SHARE))
    }
  return most
}

/**
 * Whole sheets that any plan takes at least, whatever the cuts: by area, and by counting lengths in parts of the sheet,
 * across and up, so that two pieces wider than half a sheet never lie side by side. A piece larger than every sheet
 * counts for nothing: it is short.
 */
export function boundSheets({ demands, stock }: CutProblem): number {
  const papers = [...new Set(demands.map(({ paperId }) => paperId))]
  return papers.reduce(
    (sum, paperId) =>
      sum +
      boundOfPaper(
        demands.filter((demand) => demand.paperId === paperId),
        stock.filter((one) => one.paperId === paperId),
      ),
    0,
  )
}
