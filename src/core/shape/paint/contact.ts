import type { ShapedForm } from '../form'
import type { Grid, Raster } from './raster'
import { turnedTo, type Triangles } from './triangles'
import type { Eye } from './view'

/** Layers that lie on one another have no thickness here; by these the eye still tells them apart. All by eye. */
const EDGE = 0.84
const DARKEST = 0.3
/** How far the shadow of a layer's edge reaches, in sides, and how far apart layers may be to be said to lie. */
const REACH = 0.016
const LYING = 8e-3

/** Steps towards the window and to both sides of it: what lies there and above throws a shadow here. */
const TOWARDS = [
  [-1, 0.5, 1],
  [-1, -0.4, 0.6],
  [0, 1, 0.6],
  [0.8, -0.6, 0.3],
] as const

/** Pixels across a block: one that shows one face, and whose neighbours do, has no edge near. */
const BLOCK = 16
const MIXED = -2

/** The face that each block shows, or `MIXED`. */
function blocksOf(shown: Int32Array, { width, height }: Grid): Int32Array {
  const across = Math.ceil(width / BLOCK)
  const blocks = new Int32Array(across * Math.ceil(height / BLOCK)).fill(-3)
  for (let py = 0; py < height; py++)
    for (let px = 0; px < width; px++) {
      const block = Math.floor(py / BLOCK) * across + Math.floor(px / BLOCK)
      const face = shown[py * width + px] as number
      const known = blocks[block] as number
      if (known === -3) blocks[block] = face
      else if (known !== face) blocks[block] = MIXED
    }
  return blocks
}

/** Whether an edge of a face may be near a pixel. */
function edgeNear(shown: Int32Array, grid: Grid): (px: number, py: number) => boolean {
  const blocks = blocksOf(shown, grid)
  const [across, down] = [Math.ceil(grid.width / BLOCK), Math.ceil(grid.height / BLOCK)]
  const mixed = blocks.map((face, block) => {
    const [x, y] = [block % across, Math.floor(block / across)]
    for (let v = Math.max(0, y - 1); v <= Math.min(down - 1, y + 1); v++)
      for (let u = Math.max(0, x - 1); u <= Math.min(across - 1, x + 1); u++)
        if (blocks[v * across + u] !== face || face === MIXED) return 1
    return 0
  })
  return (px, py) => mixed[Math.floor(py / BLOCK) * across + Math.floor(px / BLOCK)] === 1
}

/** Whether a layer lies on top of another for who looks from there. */
const onTopOf =
  ({ flipped, above }: ShapedForm, triangles: Triangles, { towards }: Eye) =>
  (t: number, u: number): boolean => {
    const [i, j] = [triangles.faces[t] as number, triangles.faces[u] as number]
    return above(i, j) === (turnedTo(triangles, u, towards) > 0 !== (flipped[j] ?? false) ? 1 : -1)
  }

/**
 * What each pixel's light is multiplied by: dark lines where one face ends on another, and a narrow shadow beneath the
 * edge of a layer that lies on top.
 */
export function contactOf(
  form: ShapedForm,
  triangles: Triangles,
  eye: Eye,
  grid: Grid,
  { triangle, near }: Raster,
): Float32Array {
  const { width, height, perSide } = grid
  const out = new Float32Array(width * height).fill(1)
  const far = Math.min(BLOCK, Math.max(2, Math.round(REACH * perSide)))
  const shown = triangle.map((t) => (t < 0 ? -1 : (triangles.faces[t] as number)))
  const edgesNear = edgeNear(shown, grid)
  const onTop = onTopOf(form, triangles, eye)
  const ways = TOWARDS.map(([dx, dy, strength]) => ({
    strength,
    right: Array.from({ length: far }, (_, step) => Math.round(dx * (step + 1))),
    down: Array.from({ length: far }, (_, step) => Math.round(dy * (step + 1))),
  }))
  /** How dark the shadow is of what lies on top of a pixel in that direction. */
  const cast = (px: number, py: number, { right, down }: (typeof ways)[number]): number => {
    const pixel = py * width + px
    for (let step = 1; step <= far; step++) {
      const x = px + (right[step - 1] as number)
      const y = py + (down[step - 1] as number)
      if (x < 0 || y < 0 || x >= width || y >= height) return 0
      const other = y * width + x
      if ((shown[other] as number) < 0 || shown[other] === shown[pixel]) continue
      if (Math.abs((near[other] as number) - (near[pixel] as number)) > LYING) return 0
      return onTop(triangle[other] as number, triangle[pixel] as number) ? (1 - (step - 1) / far) ** 2 : 0
    }
    return 0
  }
  for (let py = 0; py < height; py++)
    for (let px = 0; px < width; px++) {
      const pixel = py * width + px
      const face = shown[pixel] as number
      if (face < 0 || !edgesNear(px, py)) continue
      const ends = [px + 1 < width ? pixel + 1 : pixel, py + 1 < height ? pixel + width : pixel].some(
        (other) => (shown[other] as number) >= 0 && shown[other] !== face,
      )
      let dark = 0
      for (const way of ways) dark = Math.max(dark, way.strength * cast(px, py, way))
      out[pixel] = (ends ? EDGE : 1) * (1 - DARKEST * dark)
    }
  return out
}
