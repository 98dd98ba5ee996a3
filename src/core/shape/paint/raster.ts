import type { Spot } from '../../geometry'
import type { Eye } from './view'
import type { Triangles } from './triangles'

/** A grid laid over a view: pixel (0, 0) is upper left, `perSide` pixels to a side of the sheet. */
export interface Grid {
  readonly width: number
  readonly height: number
  readonly left: number
  readonly top: number
  readonly perSide: number
}

/** What is seen in each pixel: a triangle's index or -1, and how near it is. */
export interface Raster {
  readonly triangle: Int32Array
  readonly near: Float32Array
}

/** Which of two triangles that are equally near is seen: whether the first hides the second. */
export type Hides = (one: number, other: number) => boolean

/** Spots so near to one another, in sides, lie on one another: then the order of layers decides. */
const ON_ONE_ANOTHER = 2e-5

/** A share of a triangle by which it is drawn larger, so that nothing shines through where two meet. */
const SEAM = 1e-6

/** Corners as they are seen on a grid: x, y in pixels, and nearness in sides. */
function placed(corners: Float64Array, eye: Eye, grid: Grid): Float64Array {
  const { right, up, towards } = eye
  const out = new Float64Array(corners.length)
  for (let i = 0; i < corners.length; i += 3) {
    const [x, y, z] = [corners[i] as number, corners[i + 1] as number, corners[i + 2] as number]
    out[i] = (right.x * x + right.y * y + right.z * z - grid.left) * grid.perSide
    out[i + 1] = (grid.top - (up.x * x + up.y * y + up.z * z)) * grid.perSide
    out[i + 2] = towards.x * x + towards.y * y + towards.z * z
  }
  return out
}

/** All triangles drawn into a grid, the nearest seen. Pixels count by their middles. */
export function rastered({ count, corners }: Triangles, eye: Eye, grid: Grid, hides: Hides): Raster {
  const { width, height } = grid
  const triangle = new Int32Array(width * height).fill(-1)
  const near = new Float32Array(width * height).fill(-Infinity)
  const at = placed(corners, eye, grid)
  for (let t = 0; t < count; t++) {
    const i = 9 * t
    const [ax, ay, az] = [at[i] as number, at[i + 1] as number, at[i + 2] as number]
    const [bx, by, bz] = [at[i + 3] as number, at[i + 4] as number, at[i + 5] as number]
    const [cx, cy, cz] = [at[i + 6] as number, at[i + 7] as number, at[i + 8] as number]
    const twice = (bx - ax) * (cy - ay) - (by - ay) * (cx - ax)
    if (Math.abs(twice) < 1e-9) continue
    const fromX = Math.max(0, Math.ceil(Math.min(ax, bx, cx) - 0.5))
    const toX = Math.min(width - 1, Math.floor(Math.max(ax, bx, cx) - 0.5))
    const fromY = Math.max(0, Math.ceil(Math.min(ay, by, cy) - 0.5))
    const toY = Math.min(height - 1, Math.floor(Math.max(ay, by, cy) - 0.5))
    // What a step to the right adds to the shares of the second and the third corner.
    const [stepV, stepW] = [(cy - ay) / twice, (ay - by) / twice]
    for (let py = fromY; py <= toY; py++) {
      const [x, y] = [fromX + 0.5 - ax, py + 0.5 - ay]
      const v0 = x * stepV - (y * (cx - ax)) / twice
      const w0 = (y * (bx - ax)) / twice + x * stepW
      // Only what lies within: long slivers lie slantwise in boxes of hundreds of pixels.
      let [first, last] = [0, toX - fromX]
      for (let side = 0; side < 3; side++) {
        const at0 = SEAM + (side === 0 ? v0 : side === 1 ? w0 : 1 - v0 - w0)
        const step = side === 0 ? stepV : side === 1 ? stepW : -stepV - stepW
        if (step > 0) first = Math.max(first, Math.ceil(-at0 / step))
        else if (step < 0) last = Math.min(last, Math.floor(at0 / -step))
        else if (at0 < 0) last = -1
      }
      for (let i = first; i <= last; i++) {
        const [v, w] = [v0 + i * stepV, w0 + i * stepW]
        const pixel = py * width + fromX + i
        const depth = az + v * (bz - az) + w * (cz - az)
        const ahead = depth - (near[pixel] as number)
        const seen = triangle[pixel] as number
        if (ahead < -ON_ONE_ANOTHER || (ahead <= ON_ONE_ANOTHER && seen >= 0 && !hides(t, seen))) continue
        triangle[pixel] = t
        near[pixel] = depth
      }
    }
  }
  return { triangle, near }
}

/** The spot of space that is seen in a pixel at that nearness. */
export function spotAt({ right, up, towards }: Eye, grid: Grid, px: number, py: number, near: number): Spot {
  const x = grid.left + (px + 0.5) / grid.perSide
  const y = grid.top - (py + 0.5) / grid.perSide
  return {
    x: right.x * x + up.x * y + towards.x * near,
    y: right.y * x + up.y * y + towards.y * near,
    z: right.z * x + up.z * y + towards.z * near,
  }
}
