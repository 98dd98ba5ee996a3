import { converter, formatHex } from 'culori'
import { kmeans } from 'ml-kmeans'
import { requireCount } from '../errors'
import { differenceOf, labOf } from './difference'

/** A colour of a picture, and how much of the picture is near it. */
export interface PictureColour {
  readonly hex: string
  readonly share: number
}

/** Pixels as a canvas gives them: red, green, blue, opacity by turns, 0 to 255 each. */
type Pixels = ArrayLike<number>

/** So many points of a picture say what its colours are; more say it no better. */
const MOST_POINTS = 8000
/** Below this opacity a point shows what is behind it. */
const OPAQUE = 128
/** Two colours nearer than this (CIEDE2000) are one, differently lit. Our own choice, not measured. */
const ONE_COLOUR = 8
/** Groups looked for beyond the colours wanted, so that a small clear colour is not drowned in a large one. */
const GROUPS_MORE = 6
const SEED = 11

export const MOST_PICTURE_COLOURS = 12

const toOklab = converter('oklab')

/** Every so-many-th point, in OKLab, where equal distances look about equally different. */
function pointsOf(pixels: Pixels): number[][] {
  const count = Math.floor(pixels.length / 4)
  const every = Math.max(1, Math.ceil(count / MOST_POINTS))
  const points: number[][] = []
  for (let at = 0; at < count; at += every) {
    const [r, g, b, alpha] = [0, 1, 2, 3].map((channel) => pixels[4 * at + channel] ?? 0)
    if ((alpha ?? 0) < OPAQUE) continue
    const lab = toOklab({ mode: 'rgb', r: (r ?? 0) / 255, g: (g ?? 0) / 255, b: (b ?? 0) / 255 })
    points.push([lab.l, lab.a, lab.b])
  }
  return points
}

const hexOf = ([l = 0, a = 0, b = 0]: readonly number[]): string => formatHex({ mode: 'oklab', l, a, b })

/** A group of near points: its middle in OKLab, and how many they are. */
interface Group {
  readonly middle: readonly number[]
  readonly points: number
}

/** Side of the cells that points are first gathered in, in OKLab. */
const CELL = 0.05

/** Points gathered in cells, each with the middle of its own: a small clear colour has a cell as well as a large one. */
function cellsOf(points: readonly (readonly number[])[]): readonly Group[] {
  const cells = new Map<string, Group>()
  for (const middle of points) {
    const name = middle.map((value) => Math.round(value / CELL)).join(' ')
    const group = { middle, points: 1 }
    const there = cells.get(name)
    cells.set(name, there ? together(there, group) : group)
  }
  return [...cells.values()]
}

/** Two groups as one, its middle between theirs by how many they are. */
function together(one: Group, other: Group): Group {
  const points = one.points + other.points
  return {
    points,
    middle: one.middle.map(
      (value, at) => (value * one.points + (other.middle[at] ?? 0) * other.points) / points,
    ),
  }
}

/** Groups that are one colour, differently lit, brought together, the most frequent first. */
function merged(groups: readonly Group[]): readonly Group[] {
  const kept: Group[] = []
  for (const group of groups.toSorted((one, other) => other.points - one.points)) {
    const lab = labOf(hexOf(group.middle))
    const at = kept.findIndex(({ middle }) => differenceOf(labOf(hexOf(middle)), lab) < ONE_COLOUR)
    const same = kept[at]
    if (same) kept[at] = together(same, group)
    else kept.push(group)
  }
  return kept.toSorted((one, other) => other.points - one.points)
}

/**
 * The colours of a picture, most of it first: groups of near points in OKLab (k-means by the package ml-kmeans, from
 * the same start each time), those that look alike brought together.
 * *Returns* none where every point is transparent. *Throws* `OUT_OF_RANGE`, `NOT_INTEGER`.
 */
export function coloursOfPicture(pixels: Pixels, most: number): readonly PictureColour[] {
  requireCount('colours', most, 1, MOST_PICTURE_COLOURS)
  const points = pointsOf(pixels)
  const cells = cellsOf(points)
  if (cells.length === 0) return []
  const groups = Math.min(most + GROUPS_MORE, cells.length)
  const middles = cells.map(({ middle }) => [...middle])
  const { clusters } = kmeans(middles, groups, { seed: SEED, initialization: 'kmeans++' })
  const found: (Group | undefined)[] = Array.from({ length: groups })
  for (const [at, cell] of cells.entries()) {
    const group = clusters[at] ?? 0
    const there = found[group]
    found[group] = there ? together(there, cell) : cell
  }
  return merged(found.flatMap((group) => group ?? []))
    .slice(0, most)
    .map((group) => ({ hex: hexOf(group.middle), share: group.points / points.length }))
}

export interface NearPaper {
  readonly id: string
  readonly difference: number
}

/** Papers by how near their colour is (CIEDE2000), the nearest first. */
export const nearestPapers = (
  hex: string,
  papers: readonly { readonly id: string; readonly colour: string }[],
): readonly NearPaper[] =>
  papers
    .map(({ id, colour }) => ({ id, difference: differenceOf(labOf(hex), labOf(colour)) }))
    .toSorted((one, other) => one.difference - other.difference)
