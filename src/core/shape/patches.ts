import {
  area,
  inverse,
  leftPart,
  move,
  reversed,
  type Isometry,
  type Line,
  type Point,
  type Polygon,
  type Spot,
} from '../geometry'
import type { FoldedState } from '../fold'
import { SAME_AREA, SAME_POINT } from '../numeric'

/** A plane convex part of one face: where it is on the sheet, where it lies in the flat piece, where it is in space. */
export interface Patch {
  readonly face: number
  readonly sheet: Polygon
  readonly lay: Polygon
  readonly spots: readonly Spot[]
}

const flat = ({ x, y }: Point): Spot => ({ x, y, z: 0 })

/** A patch that still lies flat. */
const lyingFlat = (face: number, lay: Polygon, pose: Isometry): Patch => ({
  face,
  lay,
  sheet: lay.map((at) => move(inverse(pose), at)),
  spots: lay.map(flat),
})

/** Every face of a piece as one flat patch; corners run as on the sheet. */
export const patchesOf = ({ faces }: FoldedState): readonly Patch[] =>
  faces.map(({ sheet, pose }, face) => ({
    face,
    sheet,
    lay: sheet.map((at) => move(pose, at)),
    spots: sheet.map((at) => flat(move(pose, at))),
  }))

/** The sides of a line on which a polygon has corners that are not on it. */
function sidesOf(
  { origin, direction }: Line,
  polygon: Polygon,
): { readonly left: boolean; readonly right: boolean } {
  let [left, right] = [false, false]
  for (const { x, y } of polygon) {
    const side = direction.x * (y - origin.y) - direction.y * (x - origin.x)
    if (side > SAME_POINT) left = true
    else if (side < -SAME_POINT) right = true
  }
  return { left, right }
}

/** Flat patches cut along a line: the parts on its left, and those on its right. */
export function cutAlong(
  { faces }: FoldedState,
  patches: readonly Patch[],
  line: Line,
): { readonly left: readonly Patch[]; readonly right: readonly Patch[] } {
  const left: Patch[] = []
  const right: Patch[] = []
  const back = reversed(line)
  for (const patch of patches) {
    const sides = sidesOf(line, patch.lay)
    if (!sides.right) left.push(patch)
    else if (!sides.left) right.push(patch)
    else {
      const pose = faces[patch.face]?.pose
      if (!pose) continue
      for (const [side, half] of [
        [left, leftPart(patch.lay, line)],
        [right, leftPart(patch.lay, back)],
      ] as const)
        if (half.length > 0 && area(half) >= SAME_AREA) side.push(lyingFlat(patch.face, half, pose))
    }
  }
  return { left, right }
}
