import { Letters } from './SymbolWords'
import type { View } from './view'

/** A loop around the axis, drawn beside the piece, and the axis through it. */
export function TurnOver({ axis, view }: { readonly axis: 'upright' | 'level'; readonly view: View }) {
  const [cx, cy] = [view.width / 2, view.height / 2]
  const upright = axis === 'upright'
  // Ticks outside the paper: nothing runs over it that could be taken for a fold.
  const axisLine = upright
    ? `M${cx} 8V88M${cx} ${view.height - 8}V${view.height - 88}`
    : `M8 ${cy}H88M${view.width - 8} ${cy}H${view.width - 88}`
  const [x, y] = upright ? [cx, view.height - 58] : [view.width - 58, cy]
  return (
    <g fill="none" stroke="var(--fold-line)">
      <path d={axisLine} stroke="var(--fold-halo)" strokeWidth={12} />
      <path d={axisLine} strokeWidth={5} />
      <g transform={`translate(${x} ${y}) ${upright ? '' : 'rotate(-90)'}`}>
        <TurnLoop />
      </g>
    </g>
  )
}

/** The arrow that loops around an axis. */
export const TurnLoop = () => (
  <g fill="none" stroke="var(--fold-line)">
    <path d={LOOP} stroke="var(--fold-halo)" strokeWidth={16} />
    <path d={LOOP} strokeWidth={6} />
    <path
      d="M92 2l-34 -4l12 -26z"
      fill="var(--fold-line)"
      stroke="var(--fold-halo)"
      strokeWidth={4}
      paintOrder="stroke"
      transform="translate(10 4)"
    />
  </g>
)
const LOOP = 'M-96 0C-60 -30 -14 -38 4 -16C22 8 -26 22 -22 -2C-18 -26 40 -22 92 2'

const TURNS: Readonly<Record<number, string>> = {
  45: '1/8 turn',
  90: '1/4 turn',
  135: '3/8 turn',
  180: 'half turn',
}

export function Rotate({ degrees, view }: { readonly degrees: number; readonly view: View }) {
  const way = degrees < 0 ? 1 : -1
  return (
    <g transform={`translate(${view.width - 90} 84)`}>
      <g transform={`scale(${-way} 1)`} fill="none" stroke="var(--fold-line)" strokeWidth={6}>
        <path d="M-40 24A46 46 0 1 1 34 30" stroke="var(--fold-halo)" strokeWidth={15} />
        <path d="M-40 24A46 46 0 1 1 34 30" />
        <path
          d="M34 30l2 -34l26 18z"
          fill="var(--fold-line)"
          stroke="var(--fold-halo)"
          strokeWidth={4}
          paintOrder="stroke"
          transform="translate(-8 8)"
        />
      </g>
      <Letters x={78} y={88} anchor="end" size={34}>
        {TURNS[Math.abs(degrees)] ?? `${Math.abs(degrees)} degrees`}
      </Letters>
    </g>
  )
}
