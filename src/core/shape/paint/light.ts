import type { Spot } from '../../geometry'
import { reaches, skyOf, SUN_UPRIGHT, sunOf, type Lamp } from './lamps'
import type { Triangles } from './triangles'

/** Light that falls on a form. */
export interface Light {
  readonly sun: readonly Lamp[]
  readonly sky: readonly Lamp[]
}

export const lightOf = (triangles: Triangles): Light => ({ sun: sunOf(triangles), sky: skyOf(triangles) })

/** One in so many lamps, in so many ways, each as strong as all: together they are the whole light. */
export function partsOf({ sun, sky }: Light, ways: number): readonly Light[] {
  const part = (lamps: readonly Lamp[], way: number) =>
    lamps.flatMap((lamp, index) => (index % ways === way ? [{ ...lamp, weight: lamp.weight * ways }] : []))
  return Array.from({ length: ways }, (_, way) => ({ sun: part(sun, way), sky: part(sky, way) }))
}

/** How much of all light comes from the window; the rest from the sky and from the table. By eye. */
const SUN_SHARE = 0.56
/** What shines through paper from behind, and what the table throws back. By eye. */
const THROUGH = 0.16
const BOUNCE = 0.2
/** What comes from everywhere in a room, however deep a spot lies. */
const ROOM = 0.42
/** How far off the paper its light is looked up, in sides. */
const OFF = 3e-3
/** Paper that lies flat in full light is this light. */
const FULL = 0.96

/** How much of a lamp's light falls on paper whose upright is n: on this side, and from behind through it. */
function fallsOn(lamps: readonly Lamp[], at: Spot, n: Spot): number {
  let sum = 0
  for (const lamp of lamps) {
    const { towards } = lamp.eye
    const facing = n.x * towards.x + n.y * towards.y + n.z * towards.z
    const side = facing > 0 ? OFF : -OFF
    if (!reaches(lamp, at.x + n.x * side, at.y + n.y * side, at.z + n.z * side)) continue
    sum += lamp.weight * (facing > 0 ? facing : -facing * THROUGH)
  }
  return sum
}

/** How light paper is at a spot, 0 to 1; `n` is its upright on the side that is seen. */
export function lightAt({ sun, sky }: Light, at: Spot, n: Spot): number {
  const upright = SUN_UPRIGHT
  const bounced = (BOUNCE * (1 - n.z)) / 2
  const light =
    (SUN_SHARE * fallsOn(sun, at, n)) / upright + (1 - SUN_SHARE) * (fallsOn(sky, at, n) + bounced)
  return ROOM + (FULL - ROOM) * light
}

/** How dark the shadow on the table is at a place, 0 for none. */
export function shadowAt({ sun, sky }: Light, x: number, y: number): number {
  let light = 0
  for (const lamp of sun) if (reaches(lamp, x, y, OFF / 4)) light += SUN_SHARE * lamp.weight
  for (const lamp of sky)
    if (reaches(lamp, x, y, OFF / 4)) light += (1 - SUN_SHARE) * lamp.weight * lamp.eye.towards.z
  return Math.max(0, 1 - light)
}
