import { ROUNDING } from '@/core/numeric'
import type { FoldPicture, FoldSymbol } from '@/core/fold'

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

export function viewOf(box: Box, margin: number, mirrored: boolean): View {
  const [across, high] = [box.right - box.left, box.top - box.bottom]
  const scale = (LONG - 2 * margin) / Math.max(across, high, ROUNDING)
  const [width, height] = [across * scale + 2 * margin, high * scale + 2 * margin]
  return {
    x: (value) =>
      Math.round(
        10 * (mirrored ? width - margin - (value - box.left) * scale : margin + (value - box.left) * scale),
      ) / 10,
    y: (value) => Math.round(10 * (margin + (box.top - value) * scale)) / 10,
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

/** Separate strokes from x, y, x, y by turns. */
export function strokesOf(view: View, numbers: readonly number[]): string {
  let path = ''
  for (let index = 0; index + 3 < numbers.length; index += 4)
    path += `M${view.x(numbers[index] ?? 0)} ${view.y(numbers[index + 1] ?? 0)}L${view.x(numbers[index + 2] ?? 0)} ${view.y(numbers[index + 3] ?? 0)}`
  return path
}

export const strokeOf = (view: View, from: At, to: At): string =>
  strokesOf(view, [from.x, from.y, to.x, to.y])
