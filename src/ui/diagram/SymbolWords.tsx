import type { ReactNode } from 'react'
import type { FoldSymbol } from '@/core/fold'
import type { View } from './view'

/** How far from a place to another, drawn as a stretch with ticks at its ends; its length stands in a label. */
export function Measure({
  symbol: { from, to },
  view,
}: {
  readonly symbol: Extract<FoldSymbol, { kind: 'measure' }>
  readonly view: View
}) {
  const [x1, y1, x2, y2] = [view.x(from.x), view.y(from.y), view.x(to.x), view.y(to.y)]
  const size = Math.hypot(x2 - x1, y2 - y1) || 1
  const [tx, ty] = [(-14 * (y2 - y1)) / size, (14 * (x2 - x1)) / size]
  const tick = (x: number, y: number) => `M${x - tx} ${y - ty}L${x + tx} ${y + ty}`
  const d = `M${x1} ${y1}L${x2} ${y2}${tick(x1, y1)}${tick(x2, y2)}`
  return (
    <g fill="none">
      <path d={d} stroke="var(--fold-halo)" strokeWidth={9} />
      <path d={d} stroke="var(--fold-mark)" strokeWidth={4} />
    </g>
  )
}

/** Words about a place of the drawing, which stand outside the piece: a fine line leads to it. */
export interface Label {
  readonly says: string
  /** The place, in units of the drawing. */
  readonly x: number
  readonly y: number
  /** A dot marks the place. */
  readonly dot: boolean
}

/** Height of letters, their width about, and how far from the edge of the drawing labels stand. */
const [LETTERS, LETTER_WIDTH, EDGE] = [38, 20, 100]
const widthOf = ({ says }: Label): number => says.length * LETTER_WIDTH

interface PlacedLabel extends Label {
  readonly at: { readonly x: number; readonly y: number }
  readonly anchor: 'start' | 'middle' | 'end'
}

/** Places in order, each at least so far from the one before, as near to where they were wanted as that allows. */
function apart(
  wanted: readonly number[],
  gaps: readonly number[],
  least: number,
  most: number,
): readonly number[] {
  const placed: number[] = []
  wanted.forEach((one, index) =>
    placed.push(
      Math.max(one, least, index === 0 ? least : (placed[index - 1] ?? 0) + (gaps[index - 1] ?? 0)),
    ),
  )
  for (let index = placed.length - 1, limit = most; index >= 0; index--) {
    placed[index] = Math.min(placed[index] ?? 0, limit)
    limit = (placed[index] ?? 0) - (gaps[index - 1] ?? 0)
  }
  return placed
}

/** Labels above and below a wide piece, beside a tall one, none over another. */
export function placedLabels(labels: readonly Label[], view: View): readonly PlacedLabel[] {
  const wide = view.width >= view.height
  const first = ({ x, y }: Label) => (wide ? y < view.height / 2 : x < view.width / 2)
  return [true, false].flatMap((isFirst) => {
    const side = labels.filter((label) => first(label) === isFirst)
    const along = (label: Label) => (wide ? label.x : label.y)
    const sorted = [...side].sort((one, other) => along(one) - along(other))
    const gaps = sorted.slice(1).map((label, index) => {
      const before = sorted[index] ?? label
      return wide ? (widthOf(before) + widthOf(label)) / 2 + LETTERS : LETTERS + 12
    })
    const clear = 150
    const places = wide
      ? apart(sorted.map(along), gaps, clear, view.width - clear)
      : apart(sorted.map(along), gaps, 40, view.height - 20)
    return sorted.map((label, index): PlacedLabel => {
      const place = places[index] ?? along(label)
      if (wide) return { ...label, at: { x: place, y: isFirst ? 44 : view.height - 18 }, anchor: 'middle' }
      return {
        ...label,
        at: { x: isFirst ? EDGE : view.width - EDGE, y: place },
        anchor: isFirst ? 'end' : 'start',
      }
    })
  })
}

export const Labels = ({ labels, view }: { readonly labels: readonly Label[]; readonly view: View }) => (
  <>
    {placedLabels(labels, view).map(({ says, x, y, dot, at, anchor }) => {
      // The line ends where the words begin.
      const end =
        anchor === 'middle'
          ? { x: at.x, y: at.y < view.height / 2 ? at.y + 12 : at.y - LETTERS }
          : { x: anchor === 'end' ? at.x + 10 : at.x - 10, y: at.y - 14 }
      return (
        <g key={`${says} ${x} ${y}`}>
          <path d={`M${x} ${y}L${end.x} ${end.y}`} stroke="var(--fold-mark)" strokeWidth={2.5} fill="none" />
          {dot ? <circle cx={x} cy={y} r={5} fill="var(--fold-line)" /> : null}
          <Letters x={at.x} y={at.y} anchor={anchor} size={LETTERS}>
            {says}
          </Letters>
        </g>
      )
    })}
  </>
)

export function Words({
  x,
  y,
  children,
  view,
}: {
  readonly x: number
  readonly y: number
  readonly children: ReactNode
  readonly view: View
}) {
  const clear = 150
  return (
    <Letters
      x={Math.min(Math.max(x, clear), view.width - clear)}
      y={Math.max(y, 40)}
      anchor="middle"
      size={LETTERS}
    >
      {children}
    </Letters>
  )
}

/** Words on a drawing, with a halo that keeps them apart from what lies under them. */
export const Letters = ({
  x,
  y,
  anchor,
  size,
  children,
}: {
  readonly x: number
  readonly y: number
  readonly anchor: 'start' | 'middle' | 'end'
  readonly size: number
  readonly children: ReactNode
}) => (
  <text
    x={x}
    y={y}
    textAnchor={anchor}
    fontSize={size}
    fontWeight={600}
    fill="var(--fold-line)"
    stroke="var(--fold-halo)"
    strokeWidth={9}
    paintOrder="stroke"
  >
    {children}
  </text>
)
