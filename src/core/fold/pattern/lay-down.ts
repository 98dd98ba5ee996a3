import { largest } from '../../numeric'
import { after, distance, lineThrough, move, reflection, type Isometry } from '../../geometry'
import type { CutUpSheet, PatternFault } from './crease-pattern'

/** Ways round a corner that end further apart than this, in sheets of side 1, do not close. */
const CLOSES = 1e-6

/**
 * Lays every face down from one of them, reflecting at each crease; where ways disagree there is a gap.
 * *Returns* a pose for every face; faces that nothing joins to the base lie as the base does.
 */
export function layDown(
  { corners, edges, faces, sides }: CutUpSheet,
  base: { readonly face: number; readonly pose: Isometry },
): { readonly poses: readonly Isometry[]; readonly faults: readonly PatternFault[] } {
  const poses: (Isometry | undefined)[] = faces.map(() => undefined)
  const faults: PatternFault[] = []
  const around: number[][] = faces.map(() => [])
  sides.forEach(({ left, right }, edge) => {
    if (edges[edge]?.mark === 'edge') return
    around[left]?.push(edge)
    around[right]?.push(edge)
  })
  poses[base.face] = base.pose
  const queue = [base.face]
  for (let face = queue.pop(); face !== undefined; face = queue.pop()) {
    const pose = poses[face] ?? base.pose
    for (const index of around[face] ?? []) {
      const { left = -1, right = -1 } = sides[index] ?? {}
      const other = left === face ? right : left
      const edge = edges[index]
      const [from, to] = [corners[edge?.from ?? -1], corners[edge?.to ?? -1]]
      if (other < 0 || !edge || !from || !to) continue
      const expected = edge.mark === 'F' ? pose : after(pose, reflection(lineThrough(from, to)))
      const known = poses[other]
      if (known === undefined) {
        poses[other] = expected
        queue.push(other)
        continue
      }
      const gap = largest(
        (faces[other] ?? []).map((corner) =>
          distance(move(known, corners[corner] ?? from), move(expected, corners[corner] ?? from)),
        ),
      )
      if (gap > CLOSES) faults.push({ code: 'CLOSURE_GAP', at: from, gap })
    }
  }
  return { poses: poses.map((pose) => pose ?? base.pose), faults }
}
