import { area, contains, distance, leftPart, move, signedDistance, type Line, type Point } from '../geometry'
import { lying, type FoldedState } from '../fold'
import { CARRIED_THROUGH, SAME_AREA } from '../numeric'

/**
 * The faces that go when what lies left of a line is bent: those at the places named, and all that hang together with
 * them beyond the line; every face that reaches beyond it where no place is named.
 */
export function facesBent(
  state: FoldedState,
  line: Line,
  places: readonly Point[] | null,
): ReadonlySet<number> {
  const beyond = state.faces.flatMap((face, index) =>
    area(leftPart(lying(face), line)) > SAME_AREA ? [index] : [],
  )
  if (!places) return new Set(beyond)
  const found = new Set(
    beyond.filter((face) => places.some((at) => contains(state.faces[face]?.sheet ?? [], at))),
  )
  const reaches = (face: number, at: Point) => {
    const pose = state.faces[face]?.pose
    return pose !== undefined && signedDistance(line, move(pose, at)) > CARRIED_THROUGH
  }
  const joined = state.hinges.filter(
    ({ first, from, to }) =>
      distance(from, to) > CARRIED_THROUGH && (reaches(first, from) || reaches(first, to)),
  )
  for (let before = -1; before < found.size;) {
    before = found.size
    for (const { first, second } of joined)
      if (found.has(first) !== found.has(second)) found.add(first).add(second)
  }
  return found
}
