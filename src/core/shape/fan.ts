import { CoreError } from '../errors'
import { add, inner, outer, scaled, sized, unitOf, type Spot } from '../geometry'

/**
 * Plane sectors around one point, one after another: paper that runs from one direction to another over so much of its
 * own angle as a part of a round cone. Directions are unit vectors; between two that follow each other the paper is plane.
 */
export type Fan = readonly Spot[]

/** A direction turned about an axis of length 1 (Rodrigues). */
function turnedAbout(axis: Spot, angleRad: number, at: Spot): Spot {
  const [cos, sin] = [Math.cos(angleRad), Math.sin(angleRad)]
  return add(add(scaled(at, cos), scaled(outer(axis, at), sin)), scaled(axis, inner(axis, at) * (1 - cos)))
}

const BISECTIONS = 60

/** The whole turn of `count` equal chords on a circle of the sphere that together span `spanRad`, each `chordRad`. */
function turnOf(count: number, chordRad: number, spanRad: number): number {
  const wanted = Math.sin(spanRad / 2) / Math.sin(chordRad / 2)
  let [low, high] = [1e-6, Math.PI]
  // The more they turn, the nearer their ends come.
  for (let step = 0; step < BISECTIONS; step++) {
    const middle = (low + high) / 2
    if (Math.sin(middle / 2) / Math.sin(middle / 2 / count) > wanted) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/**
 * The fan from one direction to another that is `lengthRad` long on the paper, in `count` plane sectors; it leaves the
 * first direction as nearly along `onward` as it can.
 * *Throws* `OUT_OF_RANGE` where the paper is too short to get there, or so long that it would turn by more than a half.
 */
export function fanBetween(from: Spot, to: Spot, lengthRad: number, count: number, onward: Spot): Fan {
  const spanRad = Math.acos(Math.max(-1, Math.min(1, inner(from, to))))
  const turn = turnOf(count, lengthRad / count, spanRad)
  if (spanRad > lengthRad || Math.PI - turn < 1e-3)
    throw new CoreError('OUT_OF_RANGE', {
      name: 'angle between the sides of a fan',
      value: (spanRad * 180) / Math.PI,
      unit: 'degrees',
      min: 0,
      max: (lengthRad * 180) / Math.PI,
    })
  const sin = Math.min(1, Math.sin(spanRad / 2) / Math.sin(turn / 2))
  const along = Math.sqrt(1 - sin * sin) / Math.cos(spanRad / 2)
  const [middle, side] = [unitOf(add(from, to)), unitOf(outer(from, to))]
  const across = Math.sqrt(Math.max(0, 1 - along * along))
  const ways = [1, -1].map((way) => {
    const axis = unitOf(add(scaled(middle, along), scaled(side, way * across)))
    const angle = inner(outer(from, to), axis) > 0 ? turn / count : -turn / count
    return Array.from({ length: count + 1 }, (_, at) => turnedAbout(axis, at * angle, from))
  })
  const leaves = ([first, second]: Fan): number =>
    first && second ? inner(unitOf(add(second, scaled(first, -1))), onward) : -1
  const arrives = (fan: Fan): boolean => sized(add(fan[count] ?? from, scaled(to, -1))) < 1e-6
  const [one, other] = ways
  if (!one || !other) return []
  if (!arrives(one)) return other
  return !arrives(other) || leaves(one) >= leaves(other) ? one : other
}

/** The direction so far along a fan of that length on the paper. */
export function inFan(fan: Fan, lengthRad: number, atRad: number): Spot {
  const count = fan.length - 1
  const step = lengthRad / count
  const index = Math.max(0, Math.min(count - 1, Math.floor(atRad / step)))
  const [from, to] = [fan[index] as Spot, fan[index + 1] as Spot]
  const angle = atRad - index * step
  // Along the great circle between both.
  const sin = Math.sin(step)
  return add(scaled(from, Math.sin(step - angle) / sin), scaled(to, Math.sin(angle) / sin))
}
