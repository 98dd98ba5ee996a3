import { CoreError } from '../errors'
import { faceAt, sheetPoint, type FoldedState, type ShapeAct } from '../fold'
import {
  add,
  area,
  contains,
  inner,
  less,
  normalOf,
  onTriangle,
  scaled,
  sized,
  unitOf,
  type Point,
  type Spot,
} from '../geometry'
import { SAME_AREA, SAME_POINT } from '../numeric'
import { angleRad, type ShapeSettings } from './settings'
import type { Patch } from './patches'

type PeelAct = Extract<ShapeAct, { act: 'peel' }>

/** Layers that are bent back over a plane: what lies beyond it comes to lie mirrored. */
export interface Peel {
  readonly faces: ReadonlySet<number>
  readonly from: Point
  readonly tip: Point
  readonly turnRad: number
}

/** Places of the sheet nearer than this, in sides, are one. */
const SAME_PLACE = 1e-7

const refuse = (value: string, at: Point): CoreError =>
  new CoreError('OUT_OF_RANGE', { name: 'layers that are peeled', value, at })

/** *Throws* `OUT_OF_RANGE` for a place that is on no face. */
export function peelOf(state: FoldedState, act: PeelAct, settings: ShapeSettings): Peel {
  const here = { gauges: settings.gauges }
  const faces = act.layers.map((spec) => {
    const at = sheetPoint(here, spec)
    const face = faceAt(state.faces, at)
    if (face < 0) throw refuse('a place is on no layer', at)
    return face
  })
  return {
    faces: new Set(faces),
    from: sheetPoint(here, act.from),
    tip: sheetPoint(here, act.tip),
    turnRad: angleRad(settings, act.degrees),
  }
}

/**
 * A sheet that lies around a ridge, mirrored in a plane across the ridge, keeps all its lengths: it is bent back along
 * the two lines in which the plane cuts it. The plane is the one that turns the way to the tip by the angle, outwards.
 * *Throws* `OUT_OF_RANGE` where a place named is not on the layers.
 */
export function peeled(patches: readonly Patch[], peel: Peel): readonly Patch[] {
  const own = patches.filter(({ face }) => peel.faces.has(face))
  const [from, tip] = [spotOn(own, peel.from), spotOn(own, peel.tip)]
  if (!from) throw refuse('where the crease begins is not on them', peel.from)
  if (!tip) throw refuse('their tip is not on them', peel.tip)
  if (sized(less(tip, from)) < SAME_PLACE) throw refuse('their tip lies on the crease', peel.tip)
  const ahead = unitOf(less(tip, from))
  // Outwards: away from what the paper there faces, square to the way to the tip.
  const facing = own.reduce<Spot>(
    (all, { sheet, spots }) => (contains(sheet, peel.from) ? add(all, outOf(spots, patches)) : all),
    { x: 0, y: 0, z: 0 },
  )
  const across = less(facing, scaled(ahead, inner(facing, ahead)))
  if (sized(across) < SAME_PLACE) throw refuse('no side of them faces outwards there', peel.from)
  const outwards = unitOf(across)
  const then = add(scaled(ahead, Math.cos(peel.turnRad)), scaled(outwards, Math.sin(peel.turnRad)))
  const normal = unitOf(less(ahead, then))
  const height = (spot: Spot) => inner(normal, less(spot, from))
  const mirrored = (spot: Spot): Spot => less(spot, scaled(normal, 2 * height(spot)))
  const apart = own.flatMap((patch) => {
    const [before, beyond] = [part(patch, height, -1), part(patch, height, 1)]
    return [
      ...(before ? [{ patch: before, beyond: false }] : []),
      ...(beyond ? [{ patch: beyond, beyond: true }] : []),
    ]
  })
  const free = reachedFrom(
    peel.tip,
    apart.flatMap(({ patch, beyond }) => (beyond ? [patch] : [])),
  )
  return [
    ...patches.filter(({ face }) => !peel.faces.has(face)),
    ...apart.map(({ patch }) => (free.has(patch) ? { ...patch, spots: patch.spots.map(mirrored) } : patch)),
  ]
}

/** What hangs together with the tip: a layer that bends away may come beyond the plane once more elsewhere. */
function reachedFrom(tip: Point, patches: readonly Patch[]): ReadonlySet<Patch> {
  const near = (p: Point, q: Point) => Math.hypot(p.x - q.x, p.y - q.y) < SAME_PLACE
  const joined = (one: Patch, other: Patch) =>
    one.sheet.filter((p) => other.sheet.some((q) => near(p, q))).length > 1
  const reached = new Set(patches.filter(({ sheet }) => contains(sheet, tip)))
  const queue = [...reached]
  for (let patch = queue.pop(); patch; patch = queue.pop())
    for (const other of patches)
      if (!reached.has(other) && joined(patch, other)) {
        reached.add(other)
        queue.push(other)
      }
  return reached
}

/** The side of a patch that faces away from the middle of the whole form. */
function outOf(spots: readonly Spot[], patches: readonly Patch[]): Spot {
  const all = patches.flatMap((patch) => patch.spots)
  const middle = scaled(
    all.reduce((sum, spot) => add(sum, spot), { x: 0, y: 0, z: 0 }),
    1 / Math.max(1, all.length),
  )
  const normal = unitOf(normalOf(spots))
  return inner(normal, less(spots[0] ?? middle, middle)) > 0 ? normal : scaled(normal, -1)
}

/** Where a place of the sheet is in space. */
function spotOn(patches: readonly Patch[], at: Point): Spot | null {
  for (const { sheet, spots } of patches) {
    if (!contains(sheet, at)) continue
    const [a, p] = [sheet[0], spots[0]]
    for (let index = 1; index + 1 < sheet.length; index++) {
      const [b, c, q, r] = [sheet[index], sheet[index + 1], spots[index], spots[index + 1]]
      if (!a || !b || !c || !p || !q || !r) continue
      if (area([a, b, c]) < SAME_AREA) continue
      return onTriangle([a, b, c], [p, q, r], at)
    }
  }
  return null
}

/** What of a plane patch lies on one side of a plane: beyond it 1, before it -1. */
function part(patch: Patch, height: (spot: Spot) => number, side: 1 | -1): Patch | null {
  const sheet: Point[] = []
  const lay: Point[] = []
  const spots: Spot[] = []
  const between = (p: Point, q: Point, share: number): Point => ({
    x: p.x + (q.x - p.x) * share,
    y: p.y + (q.y - p.y) * share,
  })
  patch.spots.forEach((spot, index) => {
    const next = (index + 1) % patch.spots.length
    const other = patch.spots[next] ?? spot
    const [p, q, l, m] = [patch.sheet[index], patch.sheet[next], patch.lay[index], patch.lay[next]]
    if (!p || !q || !l || !m) return
    const [here, there] = [side * height(spot), side * height(other)]
    if (here >= -SAME_POINT) {
      sheet.push(p)
      lay.push(l)
      spots.push(spot)
    }
    if ((here > SAME_POINT && there < -SAME_POINT) || (here < -SAME_POINT && there > SAME_POINT)) {
      const share = here / (here - there)
      sheet.push(between(p, q, share))
      lay.push(between(l, m, share))
      spots.push(add(spot, scaled(less(other, spot), share)))
    }
  })
  return sheet.length < 3 || area(sheet) < SAME_AREA ? null : { ...patch, sheet, lay, spots }
}
