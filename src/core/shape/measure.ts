import { inner, type Spot } from '../geometry'
import { largest, least } from '../numeric'
import type { ShapedForm } from './form'

/**
 * A size that only the form in space has: how high it stands; between its two furthest spots as seen from above; from its
 * front to its back.
 */
export const FORM_MEASURES = ['height', 'across', 'depth'] as const
export type FormMeasure = (typeof FORM_MEASURES)[number]

const spotsOf = ({ patches }: ShapedForm): readonly Spot[] => patches.flatMap(({ spots }) => spots)

/** How far a form reaches along a direction of length 1, in sides. */
export function extentOf(form: ShapedForm, along: Spot): number {
  const places = spotsOf(form).map((spot) => inner(along, spot))
  return largest(places) - least(places)
}

/** Directions, over half a turn, in which the widest is looked for: a caliper turned by a degree at a time. */
const DIRECTIONS = 180

export function measureForm(form: ShapedForm, measure: FormMeasure): number {
  if (measure === 'height') return extentOf(form, { x: 0, y: 0, z: 1 })
  if (measure === 'depth') return extentOf(form, { x: 0, y: 1, z: 0 })
  const spots = spotsOf(form)
  return largest(
    Array.from({ length: DIRECTIONS }, (_, index) => {
      const angle = (index * Math.PI) / DIRECTIONS
      const places = spots.map(({ x, y }) => x * Math.cos(angle) + y * Math.sin(angle))
      return largest(places) - least(places)
    }),
  )
}
