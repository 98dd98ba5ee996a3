import { pointOf, type FoldPicture, type FoldSymbol, type GaugeShares, type Piece } from '../fold'
import { centre as middleOf, distance, minus, plus, times, type Point } from '../geometry'
import { assembledPicture, type Held } from './assembled-picture'
import { sightOf, turnedAbout, type Assembled } from './assembly'
import type { Assembly } from './types'

/** The first join, one like all others, and the one that closes the round: before the unit is in its place. */
export interface JoiningPictures {
  readonly first: FoldPicture
  readonly each: FoldPicture
  readonly last: FoldPicture
}

/** How far off its place the unit in the hand is held, as a share of the distance between neighbours. */
const HELD_OFF = 1
/** Of the whole round, how many are joined where one join like all others is shown. */
const SO_FAR = 0.4

/**
 * Pictures of how units become a piece. A unit that is slid into another comes along the line between the two; one that
 * is laid on another comes from outside. *Throws* what a place that is not on the paper throws.
 */
export function joiningPictures(
  unit: FoldPicture,
  laid: Assembled,
  assembly: Assembly,
  end: Piece,
  gauges: GaugeShares,
): JoiningPictures {
  const { centre, stepRad, units } = laid
  const table = { state: end.state, gauges }
  const onUnit = (at: Point, index: number) => turnedAbout(centre, index * stepRad, at)
  const middles = units.map((outline) => middleOf(outline))
  const offOf = (index: number): Point => {
    const [own, before] = [middles[index] ?? centre, middles[index - 1] ?? centre]
    const apart = distance(own, before)
    const way = 'tab' in assembly.join ? minus(own, before) : minus(own, centre)
    const size = distance(own, 'tab' in assembly.join ? before : centre)
    return times(way, (HELD_OFF * apart) / size)
  }
  const picture = (joined: number): FoldPicture => {
    const off = offOf(joined)
    const held: readonly Held[] = [
      ...Array.from({ length: joined }, (_, index) => ({ unit: index })),
      { unit: joined, off },
    ]
    const drawn = assembledPicture(unit, laid, assembly.next, held)
    return { ...drawn, symbols: symbolsOf(joined, off) }
  }
  const symbolsOf = (joined: number, off: Point): readonly FoldSymbol[] => {
    const { join } = assembly
    if (!('tab' in join)) {
      const to = middles[joined] ?? centre
      return [{ kind: 'arrow', head: 'front', from: plus(to, off), to }]
    }
    const [tab, seat] = [pointOf(table, join.tab), pointOf(table, join.seat)]
    const to = onUnit(seat, joined - 1)
    const from = plus(onUnit(tab, joined), off)
    const corner = { kind: 'corner' } as const
    const slid: readonly FoldSymbol[] = [
      { kind: 'landmark', role: 'moves', at: from, name: corner },
      { kind: 'landmark', role: 'target', at: to, name: corner },
      { kind: 'arrow', head: 'between', from, to },
    ]
    // The last one takes the tab of the first as well.
    const closes = joined === units.length - 1
    const taken: readonly FoldSymbol[] = closes
      ? [{ kind: 'arrow', head: 'between', from: tab, to: plus(onUnit(seat, joined), off) }]
      : []
    return [...slid, ...taken, ...markOf(joined)]
  }
  /** On the join before: how far the closed edge of the next unit leaves the mouth from the point of the star. */
  const markOf = (joined: number): readonly FoldSymbol[] => {
    const share = sightOf(assembly, end, gauges)
    if (share === null || !assembly.sight || joined < 2 || joined === units.length - 1) return []
    const [start, beyond] = assembly.sight.crosses.map((spec) => onUnit(pointOf(table, spec), joined - 2))
    if (!start || !beyond) return []
    const to = plus(start, times(minus(beyond, start), share / distance(start, beyond)))
    return [{ kind: 'measure', from: start, to, share }]
  }
  return {
    first: picture(1),
    each: picture(Math.max(2, Math.round(SO_FAR * units.length))),
    last: picture(units.length - 1),
  }
}
