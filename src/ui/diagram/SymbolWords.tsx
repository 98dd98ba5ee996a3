import type { ReactNode } from 'react'
import type { FoldSymbol } from '@/core/fold'
import type { View } from './view'

/** How far the fold line is from what moves: a stretch with ticks at its ends, its length at the side of the drawing. */
export function Measure({
  symbol: { from, to },
  view,
  says,
}: {
  readonly symbol: Extract<FoldSymbol, { kind: 'measure' }>
  readonly view: View
  readonly says: string
}) {
  const [x1, y1, x2, y2] = [view.x(from.x), view.y(from.y), view.x(to.x), view.y(to.y)]
  const size = Math.hypot(x2 - x1, y2 - y1) || 1
  const [tx, ty] = [(-14 * (y2 - y1)) / size, (14 * (x2 - x1)) / size]
  const tick = (x: number, y: number) => `M${x - tx} ${y - ty}L${x + tx} ${y + ty}`
  const d = `M${x1} ${y1}L${x2} ${y2}${tick(x1, y1)}${tick(x2, y2)}`
  const middle = { x: (x1 + x2) / 2, y: (y1 + y2) / 2 }
  // Beside a tall piece there is room; a wide one has it above and below.
  const Label = view.width > view.height ? AboveOrBelow : Aside
  return (
    <g fill="none">
      <path d={d} stroke="var(--fold-halo)" strokeWidth={9} />
      <path d={d} stroke="var(--fold-mark)" strokeWidth={4} />
      <Label view={view} {...middle}>
        {says}
      </Label>
    </g>
  )
}

/** How far into the drawing nothing of the piece lies, in its units. */
const OUTSIDE = 100

/** Words at the near side of the drawing, a fine line from them to the place they are about: nothing is covered. */
function Aside({ x, y, view, children }: LabelProps) {
  const left = x < view.width / 2
  // Outside the piece, and beyond the drawing if need be: the words cover no paper.
  const edge = left ? OUTSIDE : view.width - OUTSIDE
  // Beside the piece the line runs level; it ends where the words begin.
  const below = Math.min(Math.max(y, 40), view.height - 20)
  return (
    <g>
      <path
        d={`M${x} ${y}L${left ? edge + 10 : edge - 10} ${below - 14}`}
        stroke="var(--fold-mark)"
        strokeWidth={2.5}
      />
      <Letters x={edge} y={below} anchor={left ? 'end' : 'start'} size={40}>
        {children}
      </Letters>
    </g>
  )
}

interface LabelProps {
  /** The place the words are about, in units of the drawing. */
  readonly x: number
  readonly y: number
  readonly view: View
  readonly children: ReactNode
}

/** Words above or below the piece, a fine line from them to the place they are about. */
function AboveOrBelow({ x, y, view, children }: LabelProps) {
  const above = y < view.height / 2
  const level = above ? 44 : view.height - 18
  return (
    <g>
      <path
        d={`M${x} ${y}V${above ? level + 12 : level - 40}`}
        stroke="var(--fold-line)"
        strokeWidth={2.5}
        fill="none"
      />
      <Words view={view} x={x} y={level}>
        {children}
      </Words>
    </g>
  )
}

/** Words above or below the piece, about a place of it that is marked with a dot. */
export function Pointing({
  at,
  view,
  children,
}: {
  readonly at: { readonly x: number; readonly y: number }
  readonly view: View
  readonly children: ReactNode
}) {
  const [x, y] = [view.x(at.x), view.y(at.y)]
  return (
    <g>
      <circle cx={x} cy={y} r={5} fill="var(--fold-line)" />
      <AboveOrBelow x={x} y={y} view={view}>
        {children}
      </AboveOrBelow>
    </g>
  )
}

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
      size={38}
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
