import { unitOf, type Spot } from '../../geometry'
import { rastered, type Grid } from './raster'
import { roundAbout, type Triangles } from './triangles'
import { eyeTowards, type Eye } from './view'

/** Light from one direction, and how near to it the paper is, place by place. */
export interface Lamp {
  readonly eye: Eye
  readonly grid: Grid
  readonly near: Float32Array
  /** Its share of all light of its kind. */
  readonly weight: number
}

/** The window: to the left, a little before the piece, as wide as soft light is. Sky: all that is above the table. */
const SUN: Spot = unitOf({ x: -0.5, y: -0.42, z: 0.76 })
/** How much of it paper gets that lies on the table. */
export const SUN_UPRIGHT = SUN.z
const SUN_COUNT = 16
const SUN_SPREAD_RAD = 0.11
const SKY_COUNT = 40
/** Pixels across a map of shadows. */
const MAP = 300
const GOLDEN_RAD = Math.PI * (3 - Math.sqrt(5))

/** Directions spread evenly over a cap around straight up: the golden angle on rings of like area. */
function spread(count: number, widestRad: number): readonly Spot[] {
  return Array.from({ length: count }, (_, index) => {
    const away = widestRad * Math.sqrt((index + 0.5) / count)
    const round = index * GOLDEN_RAD
    return { x: Math.sin(away) * Math.cos(round), y: Math.sin(away) * Math.sin(round), z: Math.cos(away) }
  })
}

interface Lit {
  readonly triangles: Triangles
  readonly middle: Spot
  readonly reach: number
}

const lit = (triangles: Triangles): Lit => ({ triangles, ...roundAbout(triangles) })

function lampFrom({ triangles, middle, reach }: Lit, direction: Spot, weight: number): Lamp {
  const eye = eyeTowards(Math.asin(direction.z), Math.atan2(direction.x, -direction.y))
  const perSide = MAP / (2.1 * reach)
  const [x, y] = [eye.right, eye.up].map((axis) => axis.x * middle.x + axis.y * middle.y + axis.z * middle.z)
  const grid = {
    width: MAP,
    height: MAP,
    left: (x ?? 0) - MAP / 2 / perSide,
    top: (y ?? 0) + MAP / 2 / perSide,
    perSide,
  }
  return { eye, grid, near: rastered(triangles, eye, grid, () => true).near, weight }
}

/** The window's light: many near directions, so that shadows are soft. */
export function sunOf(triangles: Triangles): readonly Lamp[] {
  const [height, round] = [Math.asin(SUN.z), Math.atan2(SUN.x, -SUN.y)]
  const form = lit(triangles)
  return spread(SUN_COUNT, SUN_SPREAD_RAD).map(({ x, y }) => {
    const { towards } = eyeTowards(height + y, round + x / Math.cos(height))
    return lampFrom(form, towards, 1 / SUN_COUNT)
  })
}

/** The sky's light, each direction counted as the table gets it. */
export function skyOf(triangles: Triangles): readonly Lamp[] {
  const directions = spread(SKY_COUNT, (80 * Math.PI) / 180)
  const form = lit(triangles)
  const sum = directions.reduce((total, { z }) => total + z, 0)
  return directions.map((direction) => lampFrom(form, direction, 1 / sum))
}

/** Nearer to the lamp than this by less, in sides, paper does not shade itself. */
const OWN = 4e-3

/** Whether a lamp's light reaches a spot. */
export function reaches({ eye, grid, near }: Lamp, x: number, y: number, z: number): boolean {
  const { right, up, towards } = eye
  const px = Math.floor((right.x * x + right.y * y + right.z * z - grid.left) * grid.perSide)
  const py = Math.floor((grid.top - (up.x * x + up.y * y + up.z * z)) * grid.perSide)
  if (px < 0 || py < 0 || px >= grid.width || py >= grid.height) return true
  return towards.x * x + towards.y * y + towards.z * z + OWN > (near[py * grid.width + px] as number)
}
