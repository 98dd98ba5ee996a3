import { move } from '../../geometry'
import type { FoldedCrease } from '../order'
import type { Face, Hinge } from './types'

/** Poses whose matrices differ by less than this are one way up: the crease between them is flat. */
const SAME_POSE = 1e-6

/** Hinges as they lie now; flat where both faces lie in one pose. */
export const creasesLying = (faces: readonly Face[], hinges: readonly Hinge[]): readonly FoldedCrease[] =>
  hinges.flatMap(({ first, second, from, to }) => {
    const [one, other] = [faces[first]?.pose, faces[second]?.pose]
    if (!one || !other) return []
    const change =
      Math.abs(one.a - other.a) +
      Math.abs(one.b - other.b) +
      Math.abs(one.c - other.c) +
      Math.abs(one.d - other.d)
    return [{ first, second, from: move(one, from), to: move(one, to), folded: change > SAME_POSE }]
  })
