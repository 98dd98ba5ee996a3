import { CoreError } from '../../errors'
import { IDENTITY, move, signedArea, type Polygon } from '../../geometry'
import { SAME_AREA } from '../../numeric'
import type { Face, FoldedState } from './types'

export const unitSquare: Polygon = [
  { x: 0, y: 0 },
  { x: 1, y: 0 },
  { x: 1, y: 1 },
  { x: 0, y: 1 },
]

/** A regular hexagon of that corner-to-corner diameter around the origin, two corners on the x axis. */
export const regularHexagon = (diameter: number): Polygon =>
  Array.from({ length: 6 }, (_, k) => ({
    x: (diameter / 2) * Math.cos((k * Math.PI) / 3),
    y: (diameter / 2) * Math.sin((k * Math.PI) / 3),
  }))

/** The flat sheet, its front down or up. *Throws* `OUT_OF_RANGE` unless it is convex and counter-clockwise. */
export function flatSheet(outline: Polygon): FoldedState {
  requireConvex(outline)
  return { outline, faces: [{ sheet: outline, pose: IDENTITY }], hinges: [], above: new Int8Array(1) }
}

function requireConvex(outline: Polygon): void {
  outline.forEach(({ x, y }, corner) => {
    if (!Number.isFinite(x) || !Number.isFinite(y))
      throw new CoreError('NOT_FINITE', { name: `corner ${corner + 1} of the sheet`, value: `${x}, ${y}` })
  })
  const size = outline.length < 3 ? 0 : signedArea(outline)
  if (!(size > SAME_AREA))
    throw new CoreError('OUT_OF_RANGE', { name: 'area of the sheet', value: size, min: SAME_AREA })
  outline.forEach((p, index) => {
    const next = outline.slice(index + 1).concat(outline.slice(0, index + 1))
    const [q = p, r = p] = next
    if (signedArea([p, q, r]) < SAME_AREA)
      throw new CoreError('OUT_OF_RANGE', {
        name: `corner ${((index + 1) % outline.length) + 1} of the sheet`,
        value: 'not convex',
      })
  })
}

/** A face as it lies now, counter-clockwise as seen from above. */
export function lying(face: Face): Polygon {
  const corners = face.sheet.map((p) => move(face.pose, p))
  return signedArea(corners) < 0 ? corners.reverse() : corners
}
