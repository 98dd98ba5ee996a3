import type { Spot } from '../geometry'
import type { ShapedForm } from './form'

/**
 * A size that only the form in space has: how high it stands; between its two furthest spots as seen from above; from its
 * front to its back.
 */
export const FORM_MEASURES = ['height', 'across', 'depth'] as const
export type FormMeasure = (typeof FORM_MEASURES)[number]

/** How far a form reaches along a direction of length 1, in sides. */
export function extentOf({ patches }: ShapedForm, { x, y, z }: Spot): number {
  let [low, high] = [Infinity, -Infinity]
  for (const { spots } of patches)
    for (const spot of spots) {
      const place = spot.x * x + spot.y * y + spot.z * z
      if (place < low) low = place
      if (place > high) high = place
    }
  return high - low
}

/** Directions, over half a turn, in which the widest is looked for: a caliper turned by three degrees at a time. */
const DIRECTIONS = 60

export function measureForm(form: ShapedForm, measure: FormMeasure): number {
  switch (measure) {
    case 'height':
      return extentOf(form, { x: 0, y: 0, z: 1 })
    case 'depth':
      return extentOf(form, { x: 0, y: 1, z: 0 })
    case 'across':
      return Array.from({ length: DIRECTIONS }, (_, index) => (index * Math.PI) / DIRECTIONS).reduce(
        (widest, angle) => Math.max(widest, extentOf(form, { x: Math.cos(angle), y: Math.sin(angle), z: 0 })),
        0,
      )
  }
}
