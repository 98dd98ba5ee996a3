import { largest, least, ROUNDING } from '@/core/numeric'
import type { DrawnOnce, FoldPicture, FoldSymbol } from '@/core/fold'

/** Where a picture is drawn: 1000 units for its longer side, y down, mirrored for the left hand where asked. */
export interface View {
  readonly x: (value: number) => number
  readonly y: (value: number) => number
  readonly width: number
  readonly height: number
  /** Units of the drawing for the sheet's side. */
  readonly scale: number
  readonly mirrored: boolean
}

type Box = FoldPicture['box']
type At = { readonly x: number; readonly y: number }

const LONG = 1000

/** Points that symbols reach to, so that no arrow leaves the drawing. */
function reach(symbol: FoldSymbol): readonly At[] {
  if ('from' in symbol) return [symbol.from, symbol.to]
  if (symbol.kind !== 'work' || !symbol.size) return []
  const [width, height] = symbol.size
  return symbol.places.flatMap(({ x, y }) => [
    { x: x - width / 2, y: y - height / 2 },
    { x: x + width / 2, y: y + height / 2 },
  ])
}

/** The box of a picture with its symbols. */
export function boxWith(box: Box, symbols: readonly FoldSymbol[]): Box {
  return symbols.flatMap(reach).reduce<Box>(
    (grown, { x, y }) => ({
      left: Math.min(grown.left, x),
      right: Math.max(grown.right, x),
      bottom: Math.min(grown.bottom, y),
      top: Math.max(grown.top, y),
    }),
    box,
  )
}

/** A box grown about its middle until its longer side is so long. */
export function spread({ left, right, bottom, top }: Box, span: number): Box {
  const grow = Math.max(0, (span - Math.max(right - left, top - bottom)) / 2)
  return { left: left - grow, right: right + grow, bottom: bottom - grow, top: top + grow }
}

/**
 * @param unit What places are rounded to: small pictures need no tenths, and say it in a third less.
 * @param long Units for the longer side: fewer make lines and signs heavier.
 */
export function viewOf(
  box: Box,
  margin: number,
  mirrored: boolean,
  unit: 1 | 0.1 = 0.1,
  long: number = LONG,
): View {
  const [across, high] = [box.right - box.left, box.top - box.bottom]
  const scale = (long - 2 * margin) / Math.max(across, high, ROUNDING)
  const [width, height] = [across * scale + 2 * margin, high * scale + 2 * margin]
  const steps = 1 / unit
  const rounded = (value: number): number => Math.round(steps * value) / steps
  return {
    x: (value) =>
      rounded(mirrored ? width - margin - (value - box.left) * scale : margin + (value - box.left) * scale),
    y: (value) => rounded(margin + (box.top - value) * scale),
    width: Math.round(width),
    height: Math.round(height),
    scale,
    mirrored,
  }
}

/** A closed path from x, y by turns. */
export function pathOf(view: View, numbers: readonly number[]): string {
  let path = 'M'
  for (let index = 0; index + 1 < numbers.length; index += 2)
    path += `${index === 0 ? '' : 'L'}${view.x(numbers[index] ?? 0)} ${view.y(numbers[index + 1] ?? 0)}`
  return `${path}Z`
}

/** Strokes from x, y, x, y by turns; one that begins where the last ended goes on from there. */
export function strokesOf(view: View, numbers: readonly number[]): string {
  let path = ''
  let pen = ''
  for (let index = 0; index + 3 < numbers.length; index += 4) {
    const from = `${view.x(numbers[index] ?? 0)} ${view.y(numbers[index + 1] ?? 0)}`
    const to = `${view.x(numbers[index + 2] ?? 0)} ${view.y(numbers[index + 3] ?? 0)}`
    path += from === pen ? `L${to}` : `M${from}L${to}`
    pen = to
  }
  return path
}

export const strokeOf = (view: View, from: At, to: At): string =>
  strokesOf(view, [from.x, from.y, to.x, to.y])

/** How far layers of an open edge are drawn from one another, and how many are. */
const [APART, MOST_LAYERS] = [7, 2]

/** Open edges of several layers: a line for each layer below, a little further out. */
export function openEdgesOf(view: View, numbers: readonly number[]): string {
  let path = ''
  for (let index = 0; index + 6 < numbers.length; index += 7) {
    const [ax = 0, ay = 0, bx = 0, by = 0, count = 0, outX = 0, outY = 0] = numbers.slice(index, index + 7)
    const side = view.mirrored ? -1 : 1
    for (let layer = 1; layer <= Math.min(count, MOST_LAYERS); layer++) {
      const [dx, dy] = [outX * APART * layer * side, -outY * APART * layer]
      const at = (x: number, y: number) =>
        `${Math.round(10 * (view.x(x) + dx)) / 10} ${Math.round(10 * (view.y(y) + dy)) / 10}`
      path += `M${at(ax, ay)}L${at(bx, by)}`
    }
  }
  return path
}

/** Where the fold lines of a picture run; `null` where nothing is folded. */
function foldBox(symbols: readonly FoldSymbol[]): Box | null {
  const spots = symbols.flatMap((one) => (one.kind === 'line' ? [one.from, one.to] : []))
  if (spots.length === 0) return null
  const [xs, ys] = [spots.map(({ x }) => x), spots.map(({ y }) => y)]
  return { left: least(xs), right: largest(xs), bottom: least(ys), top: largest(ys) }
}

/** A fold that takes less than this of its picture is shown enlarged beside it. */
const SHORT = 0.14
/** Around a short fold as much again is shown on every side. */
const AROUND = 0.9

/** What is to be shown enlarged of a picture: around a fold that is short in it; `null` where it is large enough. */
export function enlargedBox({ box, symbols }: Pick<FoldPicture, 'box' | 'symbols'>): Box | null {
  const focus = foldBox(symbols)
  if (!focus) return null
  const size = Math.max(focus.right - focus.left, focus.top - focus.bottom)
  const whole = boxWith(box, symbols)
  if (size > SHORT * Math.max(whole.right - whole.left, whole.top - whole.bottom)) return null
  const half = size * (0.5 + AROUND)
  const [x, y] = [(focus.left + focus.right) / 2, (focus.bottom + focus.top) / 2]
  return { left: x - half, right: x + half, bottom: y - half, top: y + half }
}

type Framed = Pick<FoldPicture, 'box' | 'symbols'>

/** How large a picture is drawn: the side of the square it is fitted into, in sides of the sheet. */
export interface Scale {
  readonly span: number
  /** By how much larger or smaller than the one before, where that changes. */
  readonly changes: number | null
}

/** A picture that fills less than this of its frame is drawn larger from there on. */
const TOO_SMALL = 0.6

/**
 * One scale for a row of pictures, as long as each of them fits and is large enough; where it changes, by how much.
 * `restart` says where a new stage begins: there the scale is chosen anew.
 */
export function scalesOf(pictures: readonly Framed[], restart: (index: number) => boolean): readonly Scale[] {
  const sizes = pictures.map(({ box, symbols }) => {
    const { left, right, bottom, top } = boxWith(box, symbols)
    return Math.max(right - left, top - bottom)
  })
  const scales: Scale[] = []
  sizes.forEach((size, index) => {
    const before = scales.at(-1)?.span
    const fits = before !== undefined && !restart(index) && size <= before && size >= TOO_SMALL * before
    if (fits) {
      scales.push({ span: before, changes: null })
      return
    }
    // As large as the largest of those that follow at this scale.
    const end = sizes.findIndex((next, later) => later > index && (restart(later) || next < TOO_SMALL * size))
    const span = largest(
      sizes.slice(index, end < 0 ? undefined : end).filter((next) => next <= size / TOO_SMALL),
    )
    const changes = before === undefined || Math.abs(span / before - 1) < 0.05 ? null : before / span
    scales.push({ span, changes })
  })
  return scales
}

/** A picture of paper as paths: each side's regions, the creases' marks, the edges seen. */
export interface PaperPaths {
  readonly front: string
  readonly back: string
  readonly marks: string
  readonly edges: string
}

export function paperPaths(
  view: View,
  { regions, edges, marks = [] }: DrawnOnce & Partial<Pick<FoldPicture, 'marks'>>,
): PaperPaths {
  const side = (wanted: 'front' | 'back'): string =>
    regions
      .filter((region) => region.side === wanted)
      .flatMap((region) => region.parts)
      .map((part) => pathOf(view, part))
      .join('')
  return {
    front: side('front'),
    back: side('back'),
    marks: strokesOf(view, marks),
    edges: strokesOf(view, edges.seen),
  }
}

export interface SmallPicture {
  readonly width: number
  readonly height: number
  /** Units of the drawing for the sheet's side. */
  readonly scale: number
  readonly paths: PaperPaths
}

const SMALL_MARGIN = 24
const drawnSmall = {
  right: new WeakMap<FoldPicture, SmallPicture>(),
  left: new WeakMap<FoldPicture, SmallPicture>(),
}

/** A picture for a card or a strip: places in whole units. Pages show dozens of the same: kept as long as the picture is. */
export function smallPicture(picture: FoldPicture, leftHanded: boolean): SmallPicture {
  const kept = drawnSmall[leftHanded ? 'left' : 'right']
  const known = kept.get(picture)
  if (known) return known
  const view = viewOf(picture.box, SMALL_MARGIN, leftHanded, 1)
  const { width, height, scale } = view
  const small = { width, height, scale, paths: paperPaths(view, picture) }
  kept.set(picture, small)
  return small
}
