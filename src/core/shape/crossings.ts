import { inner, less, normalOf, outer, sized, type Spot } from '../geometry'
import { largest, least } from '../numeric'
import type { Patch } from './patches'
import type { ShapedForm } from './form'

/** A face that goes through another: by how much at its deepest, in sides of the sheet. */
export interface Crossing {
  readonly faces: readonly [through: number, other: number]
  readonly depth: number
}

interface Triangle {
  readonly face: number
  readonly corners: readonly [Spot, Spot, Spot]
  readonly normal: Spot
}

/** Nearer than this to an edge of what is crossed, in shares of it, two only touch: at a crease, or where one ends. */
const TOUCHES = 0.02
/** Less deep than this, in sides, layers lie on one another. */
const LIES_ON = 5e-4
/** Side of the cells that space is parted into, in sides of the sheet. */
const CELL = 0.05

const trianglesOf = ({ face, spots }: Patch): readonly Triangle[] =>
  spots.slice(2).flatMap((c, index): Triangle[] => {
    const [a, b] = [spots[0], spots[index + 1]]
    if (!a || !b) return []
    const corners = [a, b, c] as const
    return sized(outer(less(b, a), less(c, a))) < LIES_ON ** 2
      ? []
      : [{ face, corners, normal: normalOf(corners) }]
  })

const cellsOf = (spots: readonly Spot[]): readonly string[] => {
  const range = (key: 'x' | 'y' | 'z'): readonly number[] => {
    const values = spots.map((spot) => spot[key])
    const [low, high] = [Math.floor(least(values) / CELL), Math.floor(largest(values) / CELL)]
    return Array.from({ length: high - low + 1 }, (_, index) => low + index)
  }
  const [xs, ys, zs] = [range('x'), range('y'), range('z')]
  return xs.flatMap((x) => ys.flatMap((y) => zs.map((z) => `${x} ${y} ${z}`)))
}

/** How deep a stretch goes through the inside of a triangle: what of it is beyond, on the shorter side; 0 where it does not. */
function depthThrough(from: Spot, to: Spot, { corners: [a, b, c], normal }: Triangle): number {
  const [p, q] = [inner(normal, less(from, a)), inner(normal, less(to, a))]
  if (p * q >= 0) return 0
  const share = p / (p - q)
  const at = {
    x: from.x + (to.x - from.x) * share,
    y: from.y + (to.y - from.y) * share,
    z: from.z + (to.z - from.z) * share,
  }
  const whole = inner(normal, outer(less(b, a), less(c, a)))
  const part = (u: Spot, v: Spot) => inner(normal, outer(less(u, at), less(v, at))) / whole
  return Math.min(part(a, b), part(b, c), part(c, a)) < TOUCHES ? 0 : Math.min(Math.abs(p), Math.abs(q))
}

/**
 * Faces of a form that go through one another, the deepest crossing of each pair, deepest first. Layers have no thickness
 * in a form and lie in one place where they touch: that is no crossing. *Cost* the patches times those near each of them.
 */
export function crossingsOf({ patches }: Pick<ShapedForm, 'patches'>): readonly Crossing[] {
  const near = new Map<string, Triangle[]>()
  for (const patch of patches)
    for (const triangle of trianglesOf(patch))
      for (const cell of cellsOf(triangle.corners)) {
        const there = near.get(cell)
        if (there) there.push(triangle)
        else near.set(cell, [triangle])
      }
  const deepest = new Map<string, Crossing>()
  for (const { face, spots } of patches)
    spots.forEach((from, index) => {
      const to = spots[(index + 1) % spots.length] ?? from
      const met = new Set(cellsOf([from, to]).flatMap((cell) => near.get(cell) ?? []))
      for (const triangle of met) {
        if (triangle.face === face) continue
        const depth = depthThrough(from, to, triangle)
        const key = `${face} ${triangle.face}`
        if (depth > LIES_ON && depth > (deepest.get(key)?.depth ?? 0))
          deepest.set(key, { faces: [face, triangle.face], depth })
      }
    })
  return [...deepest.values()].sort((one, other) => other.depth - one.depth)
}
