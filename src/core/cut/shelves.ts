import { countsIn, type Lying, type Part, type Pattern, type Strip } from './pattern'
import {
  cuttingOf,
  isBetter,
  type Cutting,
  type PaperProblem,
  type SheetKind,
  type WayToBegin,
} from './paper-problem'
import { areaUm2 } from './types'

/** How a sheet is filled strip by strip: which demand first, and which way round a piece leads a strip. */
interface Rule {
  readonly order: readonly number[]
  readonly lead: 'thin' | 'thick' | 'full'
}

/** What is still wanted while a sheet is filled. */
class Wanted {
  readonly counts: number[]
  constructor(counts: readonly number[]) {
    this.counts = [...counts]
  }
  of = (demand: number): number => this.counts[demand] ?? 0
  take(demand: number, pieces: number): void {
    this.counts[demand] = this.of(demand) - pieces
  }
}

const areaOf = ({ throughUm, alongUm }: Lying): number => throughUm * alongUm

/** One strip: for each demand in order as many parts as fit, each piled as high as the strip is thick. */
function fillStrip(
  throughUm: number,
  alongUm: number,
  lying: readonly Lying[],
  { order }: Rule,
  onePiece: boolean,
  wanted: Wanted,
): Strip {
  const parts: Part[] = []
  let left = alongUm
  for (const demand of order)
    while (wanted.of(demand) > 0) {
      const offers = lying
        .filter((one) => one.demand === demand && one.throughUm <= throughUm && one.alongUm <= left)
        .map((one) => {
          const high = onePiece ? 1 : Math.floor(throughUm / one.throughUm)
          const pieces = Math.min(high, wanted.of(demand))
          return { one, pieces, used: (pieces * areaOf(one)) / (one.alongUm * throughUm) }
        })
      const best = offers.reduce<(typeof offers)[number] | null>(
        (most, offer) => (most === null || offer.used > most.used ? offer : most),
        null,
      )
      if (!best) break
      wanted.take(demand, best.pieces)
      left -= best.one.alongUm
      parts.push({ alongUm: best.one.alongUm, pieces: Array.from({ length: best.pieces }, () => best.one) })
    }
  return { throughUm, parts }
}

/** Which way a demand leads a strip, of those that still fit. */
function leading(offers: readonly Lying[], lead: Rule['lead'], alongUm: number): Lying | undefined {
  const full = ({ throughUm, alongUm: along }: Lying) =>
    (Math.floor(alongUm / along) * along) / alongUm + throughUm * 1e-12
  const better = (a: Lying, b: Lying): boolean =>
    lead === 'thin'
      ? a.throughUm < b.throughUm
      : lead === 'thick'
        ? a.throughUm > b.throughUm
        : full(a) > full(b)
  return offers.reduce<Lying | undefined>((best, one) => (!best || better(one, best) ? one : best), undefined)
}

/** One sheet, strip by strip. `null` where nothing wanted fits. */
function fillSheet(
  kind: SheetKind,
  { sheet, lying, thickestUm }: WayToBegin,
  onePiece: boolean,
  counts: readonly number[],
  rule: Rule,
): Pattern | null {
  const wanted = new Wanted(counts)
  const strips: Strip[] = []
  let left = sheet.throughUm
  for (const demand of rule.order)
    while (wanted.of(demand) > 0) {
      const room = Math.min(left, thickestUm)
      const offers = lying.filter((one) => one.demand === demand && one.throughUm <= room)
      const lead = leading(offers, rule.lead, sheet.alongUm)
      if (!lead) break
      strips.push(fillStrip(lead.throughUm, sheet.alongUm, lying, rule, onePiece, wanted))
      left -= lead.throughUm
    }
  if (strips.length === 0) return null
  return { stock: kind.stock, first: sheet.first, strips, counts: countsIn(strips, counts.length) }
}

/** Sheets filled one after another, each as often as it can be, until nothing is wanted or nothing is left. */
function fillAll(problem: PaperProblem, rule: Rule): Cutting {
  const { demands, kinds, tools } = problem
  const areas = demands.map(({ sizeUm }) => areaUm2(sizeUm))
  const wanted = demands.map(({ count }) => count)
  const there = kinds.map(({ sheets }) => sheets.available)
  const uses: { readonly pattern: Pattern; readonly sheets: number }[] = []
  const usedOf = (pattern: Pattern) =>
    pattern.counts.reduce((sum, count, at) => sum + count * (areas[at] ?? 0), 0)
  for (;;) {
    let best: { readonly pattern: Pattern; readonly worth: number } | null = null
    for (const kind of kinds) {
      if ((there[kind.stock] ?? 0) === 0) continue
      const filled = [
        ...kind.ready.filter(({ counts }) => counts.every((count, at) => count <= (wanted[at] ?? 0))),
        ...kind.ways.flatMap((way) => fillSheet(kind, way, tools.stages === 2, wanted, rule) ?? []),
      ]
      for (const pattern of filled) {
        // What costs nothing goes first, and of that what is used best.
        const used = usedOf(pattern)
        const worth = kind.cost === 0 ? 1e18 * (used / areaUm2(kind.sheets.sizeUm)) : used / kind.cost
        if (!best || worth > best.worth) best = { pattern, worth }
      }
    }
    if (!best) return cuttingOf(problem, uses)
    const { pattern } = best
    const often = pattern.counts.reduce(
      (least, count, at) => (count === 0 ? least : Math.min(least, Math.floor((wanted[at] ?? 0) / count))),
      there[pattern.stock] ?? 0,
    )
    uses.push({ pattern, sheets: often })
    there[pattern.stock] = (there[pattern.stock] ?? 0) - often
    pattern.counts.forEach((count, at) => {
      wanted[at] = (wanted[at] ?? 0) - often * count
    })
  }
}

/** Orders that sheets are filled in: the large first, by one measure or another. */
function ordersOf({ demands }: PaperProblem): readonly (readonly number[])[] {
  const by = (measure: (at: number) => number) =>
    demands.map((_, at) => at).sort((a, b) => measure(b) - measure(a) || a - b)
  const long = (at: number) => Math.max(demands[at]?.sizeUm.widthUm ?? 0, demands[at]?.sizeUm.heightUm ?? 0)
  const short = (at: number) => Math.min(demands[at]?.sizeUm.widthUm ?? 0, demands[at]?.sizeUm.heightUm ?? 0)
  const all = [
    by(long),
    by(short),
    by((at) => long(at) * short(at)),
    by((at) => long(at) * short(at) * (demands[at]?.count ?? 0)),
  ]
  const names = all.map((order) => order.join())
  return all.filter((_, index) => names.indexOf(names[index] ?? '') === index)
}

/** The first plan, at once: the best of strips filled by a few rules. */
export function cutInShelves(problem: PaperProblem): Cutting {
  const rules = ordersOf(problem).flatMap((order) =>
    (['full', 'thin', 'thick'] as const).map((lead): Rule => ({ order, lead })),
  )
  const [first = { order: [], lead: 'full' }, ...others] = rules
  return others.reduce(
    (best, rule) => {
      const one = fillAll(problem, rule)
      return isBetter(one, best) ? one : best
    },
    fillAll(problem, first),
  )
}
