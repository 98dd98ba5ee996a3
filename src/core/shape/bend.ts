import { CoreError } from '../errors'
import {
  lineMoving,
  sheetPoint,
  whereIs,
  type CurvePartSpec,
  type FoldedState,
  type Frame,
  type ShapeAct,
} from '../fold'
import {
  centre,
  dot,
  inverse,
  leftOf,
  leftPart,
  lineThrough,
  minus,
  move,
  reversed,
  signedDistance,
  type Line,
  type Point,
  type Spot,
} from '../geometry'
import { largest } from '../numeric'
import { curveOf, onCurve, stripsOf, type Curve } from './curve'
import { cutAlong, type Patch } from './patches'
import { facesBent } from './reach'
import type { ShapeSettings } from './settings'

/** A bend, read against the piece: the line with what goes on its left, which faces go, and along which curve. */
export interface Bend {
  readonly line: Line
  readonly faces: ReadonlySet<number>
  readonly curve: Curve
}

/** *Throws* `NO_SUCH_LINE` where the place that goes lies on the line; what amounts throw. */
export function bendOf(
  state: FoldedState,
  act: Extract<ShapeAct, { act: 'bend' }>,
  settings: ShapeSettings,
): Bend {
  const here = { state, gauges: settings.gauges }
  const line = lineMoving(here, act.line, act.moves)
  const places = act.layers?.map((at) => sheetPoint(here, at)) ?? null
  return { line, faces: facesBent(state, line, places), curve: curveOf(act.curve, settings) }
}

/**
 * The bend of a flap along the crease that hangs it to the rest, wherever the piece has been moved since.
 * *Throws* `NO_SUCH_LINE` where that fold made no flap.
 */
export function bendOfFlap(
  state: FoldedState,
  { before, done }: Frame,
  parts: readonly CurvePartSpec[],
  settings: ShapeSettings,
): Bend {
  const onSheet = (face: number, at: Point): Point => {
    const pose = before.state.faces[face]?.pose
    return pose ? move(inverse(pose), at) : at
  }
  const { line, creases, moving } = done
  const [crease] = creases
  const ends = crease && [crease.from, crease.to].map((at) => whereIs(state, onSheet(crease.face, at)))
  const places = moving.flatMap((face): Point[] => {
    const { sheet = [], pose } = before.state.faces[face] ?? {}
    const lay = pose ? sheet.map((at) => move(pose, at)) : []
    const part = line ? leftPart(lay, line) : []
    return part.length > 0 ? [onSheet(face, centre(part))] : []
  })
  const [from, to] = ends ?? []
  const mover = places[0] && whereIs(state, places[0])
  if (!from || !to || !mover)
    throw new CoreError('NO_SUCH_LINE', { name: 'flap to be shaped', value: 'that fold made no flap' })
  const found = lineThrough(from, to)
  const hanging = signedDistance(found, mover) > 0 ? found : reversed(found)
  return { line: hanging, faces: facesBent(state, hanging, places), curve: curveOf(parts, settings) }
}

const goes = ({ line, faces }: Bend, { face, lay }: Patch): boolean =>
  faces.has(face) && signedDistance(line, centre(lay)) > 0

/** Flat patches cut so that each lies on one side of the bend, and in strips where paper is rolled. */
export function cutForBend(state: FoldedState, patches: readonly Patch[], bend: Bend): readonly Patch[] {
  const { line, curve } = bend
  const { left, right } = cutAlong(state, patches, line)
  const stays = left.filter(({ face }) => !bend.faces.has(face))
  let rest: readonly Patch[] = left.filter(({ face }) => bend.faces.has(face))
  const longest = largest(rest.flatMap(({ lay }) => lay.map((at) => signedDistance(line, at))))
  const done: Patch[] = [...right, ...stays]
  const normal = leftOf(line.direction)
  for (const at of stripsOf(curve, longest)) {
    const origin = { x: line.origin.x + normal.x * at, y: line.origin.y + normal.y * at }
    const cut = cutAlong(state, rest, { ...line, origin })
    for (const patch of cut.right) done.push(patch)
    rest = cut.left
  }
  return [...done, ...rest]
}

/**
 * Patches after a bend. A spot keeps how far it stands over the paper that is bent: what was bent before within a flap
 * goes along with it, and where only a crease is opened it is turned as a whole.
 */
export function bentPatches(patches: readonly Patch[], bend: Bend): readonly Patch[] {
  const { line, curve } = bend
  const normal = leftOf(line.direction)
  const bent = (spot: Spot): Spot => {
    const from = minus(spot, line.origin)
    const [beyond, along] = [dot(normal, from), dot(line.direction, from)]
    const { x, z, headingRad } = onCurve(curve, beyond)
    const out = x - spot.z * Math.sin(headingRad)
    return {
      x: line.origin.x + line.direction.x * along + normal.x * out,
      y: line.origin.y + line.direction.y * along + normal.y * out,
      z: z + spot.z * Math.cos(headingRad),
    }
  }
  return patches.map((patch) => (goes(bend, patch) ? { ...patch, spots: patch.spots.map(bent) } : patch))
}
