import {
  pointOf,
  type FoldPicture,
  type FoldSymbol,
  type GaugeShares,
  type Piece,
  type PointSpec,
} from '../fold'
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

/** A round of units, with what is read off one of them. */
interface Round {
  readonly laid: Assembled
  readonly assembly: Assembly
  readonly middles: readonly Point[]
  /** A place of the unit as it lies in the plane it was folded in. */
  readonly place: (spec: PointSpec) => Point
  readonly onUnit: (at: Point, unit: number) => Point
  /** How far from its first end the mark lies; `null` where there is none. */
  readonly sight: number | null
}

/** How far off its place the next unit is held. */
function offOf({ laid: { centre }, assembly, middles }: Round, unit: number): Point {
  const [own, before] = [middles[unit] ?? centre, middles[unit - 1] ?? centre]
  const from = 'tab' in assembly.join ? before : centre
  return times(minus(own, from), (HELD_OFF * distance(own, before)) / distance(own, from))
}

/** Where the unit in the hand goes. */
function comesTo(round: Round, joined: number, off: Point): readonly FoldSymbol[] {
  const { laid, assembly, middles, place, onUnit } = round
  const { join } = assembly
  if (!('tab' in join)) {
    const to = middles[joined] ?? laid.centre
    return [{ kind: 'arrow', head: 'front', from: plus(to, off), to }]
  }
  const [tab, seat] = [place(join.tab), place(join.seat)]
  const [from, to] = [plus(onUnit(tab, joined), off), onUnit(seat, joined - 1)]
  const corner = { kind: 'corner' } as const
  return [
    { kind: 'landmark', role: 'moves', at: from, name: corner },
    { kind: 'landmark', role: 'target', at: to, name: corner },
    { kind: 'arrow', head: 'between', from, to },
    // The last one takes the tab of the first as well.
    ...(joined === laid.units.length - 1
      ? [{ kind: 'arrow', head: 'between', from: tab, to: plus(onUnit(seat, joined), off) } as const]
      : []),
    ...markOf(round, joined),
  ]
}

/** On the join before: how far the edge that is looked at leaves its mark. */
function markOf({ laid, assembly, place, onUnit, sight }: Round, joined: number): readonly FoldSymbol[] {
  if (sight === null || !assembly.sight || joined < 2 || joined === laid.units.length - 1) return []
  const [start, beyond] = assembly.sight.crosses.map((spec) => onUnit(place(spec), joined - 2))
  if (!start || !beyond) return []
  const to = plus(start, times(minus(beyond, start), sight / distance(start, beyond)))
  return [{ kind: 'measure', from: start, to, share: sight }]
}

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
  const round: Round = {
    laid,
    assembly,
    middles: units.map((outline) => middleOf(outline)),
    place: (spec) => pointOf({ state: end.state, gauges }, spec),
    onUnit: (at, index) => turnedAbout(centre, index * stepRad, at),
    sight: sightOf(assembly, end, gauges),
  }
  const picture = (joined: number): FoldPicture => {
    const off = offOf(round, joined)
    const held: readonly Held[] = [
      ...Array.from({ length: joined }, (_, index) => ({ unit: index })),
      { unit: joined, off },
    ]
    return { ...assembledPicture(unit, laid, assembly.next, held), symbols: comesTo(round, joined, off) }
  }
  return {
    first: picture(1),
    each: picture(Math.max(2, Math.round(SO_FAR * units.length))),
    last: picture(units.length - 1),
  }
}
