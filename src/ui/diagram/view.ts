import { ROUNDING } from '@/core/numeric'
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

/** @param unit What places are rounded to: small pictures need no tenths, and say it in a third less. */
export function viewOf(box: Box, margin: number, mirrored: boolean, unit: 1 | 0.1 = 0.1): View {
  const [across, high] = [box.right - box.left, box.top - box.bottom]
  const scale = (LONG - 2 * margin) / Math.max(across, high, ROUNDING)
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
