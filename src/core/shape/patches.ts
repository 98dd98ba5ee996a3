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
import { SAME_AREA } from '../numeric'

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

/** Flat patches cut along a line: the parts on its left, and those on its right. */
export function cutAlong(
  { faces }: FoldedState,
  patches: readonly Patch[],
  line: Line,
): { readonly left: readonly Patch[]; readonly right: readonly Patch[] } {
  const part = (side: Line) =>
    patches.flatMap((patch): Patch[] => {
      const pose = faces[patch.face]?.pose
      const lay = leftPart(patch.lay, side)
      if (!pose || area(lay) < SAME_AREA) return []
      return lay === patch.lay ? [patch] : [lyingFlat(patch.face, lay, pose)]
    })
  return { left: part(line), right: part(reversed(line)) }
}
