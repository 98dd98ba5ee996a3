import { CoreError } from '../errors'
import { amountOf, type CurvePartSpec } from '../fold'
import { angleRad, radiusOf, type ShapeSettings } from './settings'

/** A straight stretch of a curve in a plane, from so far along it on. */
interface Stretch {
  readonly from: number
  readonly x: number
  readonly z: number
  /** Its direction, from the plane upwards. */
  readonly headingRad: number
}

/**
 * A curve that starts in the origin and keeps its length, in straight stretches: paper that is bent along it is cut where
 * they meet, so that every strip stays plane and strips that lie on one another stay so. After its last stretch it runs
 * straight on.
 */
export type Curve = readonly [Stretch, ...Stretch[]]

/** Strips on an arc turn by no more than this, and are no wider, in sides of the sheet. */
const STRIP_RAD = (6 * Math.PI) / 180
const STRIP = 0.01
/** By so many times wider where nobody looks. */
const COARSER = 2

/** A curve as it is told. *Throws* `OUT_OF_RANGE` for a straight part below zero, what an amount throws. */
export function curveOf(parts: readonly CurvePartSpec[], settings: ShapeSettings): Curve {
  const stretches: [Stretch, ...Stretch[]] = [{ from: 0, x: 0, z: 0, headingRad: 0 }]
  let last: Stretch = stretches[0]
  let [end, headingRad] = [0, 0]
  const on = (length: number) => {
    const ran = end - last.from
    last = {
      from: end,
      x: last.x + ran * Math.cos(last.headingRad),
      z: last.z + ran * Math.sin(last.headingRad),
      headingRad,
    }
    // What has no length of its own is only the beginning of what follows.
    if (ran === 0) stretches.pop()
    stretches.push(last)
    end += length
  }
  for (const part of parts)
    if ('turn' in part) headingRad += angleRad(settings, part.turn)
    else if ('straight' in part) {
      const length = amountOf(settings, part.straight)
      if (length < 0)
        throw new CoreError('OUT_OF_RANGE', { name: 'straight part of a bend', value: length, min: 0 })
      on(length)
    } else {
      const turn = angleRad(settings, part.roll)
      const length = Math.abs(turn) * radiusOf(settings, part.over)
      const finest = Math.max(Math.abs(turn) / STRIP_RAD, settings.coarse ? 0 : length / STRIP)
      const strips = Math.max(1, Math.ceil(finest / (settings.coarse ? COARSER : 1)))
      // Each strip runs as the arc does at its middle.
      headingRad += turn / strips / 2
      for (let strip = 0; strip < strips; strip++) {
        on(length / strips)
        headingRad += turn / strips
      }
      headingRad -= turn / strips / 2
    }
  on(0)
  return stretches
}

/** A place on a curve and the direction there. */
export interface OnCurve {
  readonly x: number
  readonly z: number
  readonly headingRad: number
}

/** The place so far along a curve. Before its start it runs straight, in its first direction. */
export function onCurve(curve: Curve, length: number): OnCurve {
  let stretch: Stretch = curve[0]
  for (const one of curve) if (one.from <= length) stretch = one
  const { from, x, z, headingRad } = stretch
  const ran = length - from
  return { x: x + ran * Math.cos(headingRad), z: z + ran * Math.sin(headingRad), headingRad }
}

/** Where paper is cut in strips, up to a length. */
export const stripsOf = (curve: Curve, longest: number): readonly number[] =>
  curve.flatMap(({ from }) => (from > 0 && from < longest ? [from] : []))
