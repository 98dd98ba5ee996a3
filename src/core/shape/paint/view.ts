import { inner, type Spot } from '../../geometry'

/** How a form is looked at, each without perspective, so that lengths keep one scale. */
export const VIEWS = ['front', 'above', 'angle'] as const
export type ViewName = (typeof VIEWS)[number]

/** What is right, what is up and what is towards the viewer in a view; three unit vectors square to one another. */
export interface Eye {
  readonly right: Spot
  readonly up: Spot
  readonly towards: Spot
}

/** From a height over the table, and so far round to the right of its near edge. */
const LOOKS: Readonly<Record<ViewName, { readonly heightDegrees: number; readonly roundDegrees: number }>> = {
  front: { heightDegrees: 16, roundDegrees: 0 },
  above: { heightDegrees: 90, roundDegrees: 0 },
  angle: { heightDegrees: 38, roundDegrees: 24 },
}

/** The eye that looks from this direction, x to the right wherever there is a right. */
export function eyeTowards(heightRad: number, roundRad: number): Eye {
  const [sinH, cosH] = [Math.sin(heightRad), Math.cos(heightRad)]
  const [sinR, cosR] = [Math.sin(roundRad), Math.cos(roundRad)]
  return {
    right: { x: cosR, y: sinR, z: 0 },
    up: { x: -sinH * sinR, y: sinH * cosR, z: cosH },
    towards: { x: cosH * sinR, y: -cosH * cosR, z: sinH },
  }
}

const RADIANS = Math.PI / 180

/** What is thin from straight above is looked down on at a slant. */
export function eyeOf(view: ViewName, lookDownDegrees: number): Eye {
  const { heightDegrees, roundDegrees } = LOOKS[view]
  return eyeTowards(Math.min(heightDegrees, lookDownDegrees) * RADIANS, roundDegrees * RADIANS)
}

/** Where a spot is seen, and how near it is. */
export const seenFrom = ({ right, up, towards }: Eye, spot: Spot): Spot => ({
  x: inner(right, spot),
  y: inner(up, spot),
  z: inner(towards, spot),
})
