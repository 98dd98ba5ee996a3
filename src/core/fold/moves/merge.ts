import { area, signedArea, type Point, type Polygon } from '../../geometry'
import { ROUNDING, SAME_AREA } from '../../numeric'
import { creasesLying } from '../state/creases'
import { relation, type Face, type FoldedState, type Hinge } from '../state/types'

/** Convex hull, counter-clockwise (Andrew's monotone chain). Corners in line with their neighbours are left out. */
function hull(points: readonly Point[]): Polygon {
  const sorted = [...points].sort((p, q) => p.x - q.x || p.y - q.y)
  const chain = (list: readonly Point[]) => {
    const kept: Point[] = []
    for (const p of list) {
      for (;;) {
        const [a, b] = [kept.at(-2), kept.at(-1)]
        if (!a || !b || signedArea([a, b, p]) > SAME_AREA) break
        kept.pop()
      }
      kept.push(p)
    }
    return kept.slice(0, -1)
  }
  return [...chain(sorted), ...chain([...sorted].reverse())]
}

/**
 * The state with faces joined where the crease between them lies flat again, so that one unfolded flap leaves no
 * trace. Parts that do not make one convex face together (after a cut) stay apart.
 */
export function mergeFlat(state: FoldedState): FoldedState {
  const flat = creasesLying(state.faces, state.hinges).filter((crease) => !crease.folded)
  if (flat.length === 0) return state
  const group = state.faces.map((_, index) => index)
  const rootOf = (index: number): number => {
    const up = group[index] ?? index
    return up === index ? index : rootOf(up)
  }
  for (const { first, second } of flat) group[rootOf(first)] = rootOf(second)
  const roots = state.faces.map((_, index) => rootOf(index))
  const joined = new Map<number, Face>()
  for (const root of new Set(roots)) {
    const members = state.faces.filter((_, index) => roots[index] === root)
    const sheet = hull(members.flatMap((face) => face.sheet))
    const whole = members.reduce((sum, face) => sum + area(face.sheet), 0)
    const pose = state.faces[root]?.pose
    if (pose && members.length > 1 && Math.abs(area(sheet) - whole) < ROUNDING)
      joined.set(root, { sheet, pose })
  }
  if (joined.size === 0) return state
  // Old faces in their order; those that were joined come where the first of them was.
  const numbers = new Map<string, number>()
  const olds: number[][] = []
  const numberOf = state.faces.map((_, index) => {
    const root = roots[index] ?? index
    const key = joined.has(root) ? `joined ${root}` : `face ${index}`
    const number = numbers.get(key) ?? numbers.size
    numbers.set(key, number)
    olds[number] = [...(olds[number] ?? []), index]
    return number
  })
  const faces = olds.map((members): Face => {
    const [index = 0] = members
    return (
      joined.get(roots[index] ?? -1) ??
      state.faces[index] ?? { sheet: [], pose: { a: 1, b: 0, c: 0, d: 1, x: 0, y: 0 } }
    )
  })
  const hinges = state.hinges.flatMap((hinge): Hinge[] => {
    const [first = -1, second = -1] = [numberOf[hinge.first], numberOf[hinge.second]]
    return first === second ? [] : [{ ...hinge, first, second }]
  })
  const above = new Int8Array(faces.length ** 2)
  olds.forEach((members, i) =>
    olds.forEach((others, j) => {
      const one = members
        .flatMap((a) => others.map((b) => relation(state, a, b)))
        .find((value) => value !== 0)
      above[i * faces.length + j] = i === j ? 0 : (one ?? 0)
    }),
  )
  return { ...state, faces, hinges, above }
}
