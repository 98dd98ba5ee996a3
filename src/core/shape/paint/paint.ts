import type { ShapedForm } from '../form'
import { largest, least } from '../../numeric'
import { lightAt, lightOf, partsOf, shadowAt, type Light } from './light'
import { contactOf } from './contact'
import { rastered, spotAt, type Grid, type Hides, type Raster } from './raster'
import { trianglesOf, turnedTo, uprightAt, type Triangles } from './triangles'
import { eyeOf, seenFrom, type Eye, type ViewName } from './view'

/**
 * A form as it is seen, without colours: for each pixel how much light the front of the paper sends there, and how much
 * the back. Paper of any two colours is `front x red + back x green`, channel by channel, in the colours as they are
 * written (sRGB); what is left transparent is shadow on whatever it lies on.
 */
export interface PaintedView {
  readonly view: ViewName
  readonly width: number
  readonly height: number
  /** Red, green, nothing, alpha. */
  readonly pixels: Uint8Array
  /** What the picture covers, and the piece within it, in sides of the sheet. */
  readonly frame: Box
  readonly piece: Box
}

export interface Box {
  readonly left: number
  readonly right: number
  readonly bottom: number
  readonly top: number
}

/** Room around the piece for its shadow, as a share of its larger extent. */
const ROOM = 0.16
/** Looks per pixel, across and down: edges are smooth by them. */
const FINE = 2
/** Pixels of the table are looked up this far apart, and smoothed between. */
const COARSE = 3
/** Over this share of the picture, from its edge inwards. */
const FADES = 0.14
/** How dark the deepest shadow on the table may be. */
const DEEPEST = 0.5

function boxSeen({ corners }: Triangles, eye: Eye): Box {
  const xs: number[] = []
  const ys: number[] = []
  for (let i = 0; i < corners.length; i += 3) {
    const { x, y } = seenFrom(eye, {
      x: corners[i] as number,
      y: corners[i + 1] as number,
      z: corners[i + 2] as number,
    })
    xs.push(x)
    ys.push(y)
  }
  return { left: least(xs), right: largest(xs), bottom: least(ys), top: largest(ys) }
}

/** Which of two triangles lying on one another is seen, by the order of their layers and the side looked at. */
const hidesIn =
  ({ flipped, above }: ShapedForm, triangles: Triangles, { towards }: Eye): Hides =>
  (one, other) => {
    const [i, j] = [triangles.faces[one] as number, triangles.faces[other] as number]
    if (i === j) return false
    const fromAbove = turnedTo(triangles, one, towards) > 0 !== (flipped[i] ?? false)
    return above(i, j) === (fromAbove ? 1 : -1)
  }

/** Light on every fine pixel that shows paper, and which side: front above zero, back below. */
function lightsOf(triangles: Triangles, light: Light, eye: Eye, grid: Grid, raster: Raster): Float32Array {
  const out = new Float32Array(grid.width * grid.height)
  const { towards } = eye
  // Each look within a pixel asks some of the lamps; the pixel has them all.
  const parts = partsOf(light, FINE * FINE)
  for (let py = 0; py < grid.height; py++)
    for (let px = 0; px < grid.width; px++) {
      const pixel = py * grid.width + px
      const t = raster.triangle[pixel] as number
      if (t < 0) continue
      const at = spotAt(eye, grid, px, py, raster.near[pixel] as number)
      const n = uprightAt(triangles, t, at)
      const front = turnedTo(triangles, t, towards) > 0
      const part = parts[(py % FINE) * FINE + (px % FINE)] ?? light
      const value = Math.max(1 / 255, lightAt(part, at, front ? n : { x: -n.x, y: -n.y, z: -n.z }))
      out[pixel] = front ? value : -value
    }
  return out
}

/** Shadow on the table at the corners of a coarse grid. */
function shadowsOf(light: Light, eye: Eye, grid: Grid): (px: number, py: number) => number {
  const [across, down] = [Math.ceil(grid.width / COARSE) + 1, Math.ceil(grid.height / COARSE) + 1]
  const { right, up, towards } = eye
  const values = Float32Array.from({ length: across * down }, (_, index) => {
    const [x, y] = [
      grid.left + ((index % across) * COARSE) / grid.perSide,
      grid.top - (Math.floor(index / across) * COARSE) / grid.perSide,
    ]
    // Where the line of sight meets the table.
    const near = -(right.z * x + up.z * y) / towards.z
    const at = { x: right.x * x + up.x * y + towards.x * near, y: right.y * x + up.y * y + towards.y * near }
    return shadowAt(light, at.x, at.y)
  })
  return (px, py) => {
    const [u, v] = [px / COARSE, py / COARSE]
    const [i, j] = [Math.floor(u), Math.floor(v)]
    const [s, t] = [u - i, v - j]
    const value = (a: number, b: number) =>
      values[Math.min(down - 1, b) * across + Math.min(across - 1, a)] as number
    return (
      (1 - t) * ((1 - s) * value(i, j) + s * value(i + 1, j)) +
      t * ((1 - s) * value(i, j + 1) + s * value(i + 1, j + 1))
    )
  }
}

/** Towards the edge of the picture a shadow fades out. */
function fade({ width, height }: Grid, px: number, py: number): number {
  const edge = Math.min(px, py, width - 1 - px, height - 1 - py) / (FADES * Math.max(width, height))
  const share = Math.max(0, Math.min(1, edge))
  return share * share * (3 - 2 * share)
}

function paintedView(
  form: ShapedForm,
  triangles: Triangles,
  light: Light,
  view: ViewName,
  perSide: number,
  room: number,
): PaintedView {
  const eye = eyeOf(view, form.lookDownDegrees)
  const piece = boxSeen(triangles, eye)
  const width = Math.ceil((piece.right - piece.left + 2 * room) * perSide)
  const height = Math.ceil((piece.top - piece.bottom + 2 * room) * perSide)
  const [left, top] = [piece.left - room, piece.top + room]
  const frame = { left, top, right: left + width / perSide, bottom: top - height / perSide }
  const grid = { width, height, left, top, perSide }
  const fine = { width: FINE * width, height: FINE * height, left, top, perSide: FINE * perSide }
  const raster = rastered(triangles, eye, fine, hidesIn(form, triangles, eye))
  const lights = lightsOf(triangles, light, eye, fine, raster)
  const contact = contactOf(form, triangles, eye, fine, raster)
  const shadow = shadowsOf(light, eye, grid)
  const pixels = new Uint8Array(4 * width * height)
  for (let py = 0; py < height; py++)
    for (let px = 0; px < width; px++) {
      let [front, back, paper] = [0, 0, 0]
      for (let k = 0; k < FINE * FINE; k++) {
        const at = (FINE * py + Math.floor(k / FINE)) * fine.width + FINE * px + (k % FINE)
        const value = (lights[at] as number) * (contact[at] as number)
        if (value !== 0) paper++
        if (value > 0) front += value
        else back -= value
      }
      const covered = paper / (FINE * FINE)
      const dark = covered === 1 ? 0 : DEEPEST * shadow(px + 0.5, py + 0.5) * fade(grid, px, py)
      const alpha = covered + (1 - covered) * dark
      if (alpha === 0) continue
      const share = 255 / (FINE * FINE) / alpha
      pixels.set(
        [
          Math.min(255, Math.round(front * share)),
          Math.min(255, Math.round(back * share)),
          0,
          Math.round(255 * alpha),
        ],
        4 * (py * width + px),
      )
    }
  return { view, width, height, pixels, frame, piece }
}

/**
 * A form painted from several sides to one scale; `acrossPx` is how large the largest of them is, without the room for
 * shadows. *Cost* some hundred thousand looks at 60 maps of shadows: a second or two for three views of 420 px.
 */
export function paintForm(
  form: ShapedForm,
  views: readonly ViewName[],
  acrossPx: number,
): readonly PaintedView[] {
  const triangles = trianglesOf(form)
  const light = lightOf(triangles)
  const extent = largest(
    views.map((view) => {
      const { left, right, bottom, top } = boxSeen(triangles, eyeOf(view, form.lookDownDegrees))
      return Math.max(right - left, top - bottom)
    }),
  )
  return views.map((view) => paintedView(form, triangles, light, view, acrossPx / extent, ROOM * extent))
}
