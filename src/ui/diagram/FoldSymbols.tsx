import type { FoldSymbol } from '@/core/fold'
import { Arrow } from './Arrow'
import { strokeOf, type View } from './view'

/** Dashes of the international convention, in units of the drawing. */
const DASHES = { valley: '26 16', mountain: '30 11 4 11 4 11', cut: 'none' } as const

interface SymbolsProps {
  readonly symbols: readonly FoldSymbol[]
  readonly view: View
  /** How often the same is done again elsewhere after this. */
  readonly more: number
}

/** Lines first, then landmarks, then arrows: what moves lies on top. */
export function FoldSymbols({ symbols, view, more }: SymbolsProps) {
  const rank = (symbol: FoldSymbol) =>
    symbol.kind === 'line' ? 0 : symbol.kind.startsWith('landmark') ? 1 : 2
  const ordered = [...symbols].sort((one, other) => rank(one) - rank(other))
  return (
    <>
      {ordered.map((symbol, index) => (
        <Symbol key={index} symbol={symbol} view={view} more={more} />
      ))}
    </>
  )
}

function Symbol({ symbol, view, more }: { readonly symbol: FoldSymbol } & Omit<SymbolsProps, 'symbols'>) {
  switch (symbol.kind) {
    case 'line':
      return <FoldLine symbol={symbol} view={view} />
    case 'arrow':
      return <Arrow from={symbol.from} to={symbol.to} head={symbol.head} more={more} view={view} />
    case 'landmark':
      return (
        <g fill="none" stroke="var(--fold-mark)">
          <circle
            cx={view.x(symbol.at.x)}
            cy={view.y(symbol.at.y)}
            r={17}
            stroke="var(--fold-halo)"
            strokeWidth={11}
          />
          <circle cx={view.x(symbol.at.x)} cy={view.y(symbol.at.y)} r={17} strokeWidth={6} />
          {symbol.role === 'target' ? (
            <circle cx={view.x(symbol.at.x)} cy={view.y(symbol.at.y)} r={5} fill="var(--fold-mark)" />
          ) : null}
        </g>
      )
    case 'landmark line':
      return (
        <path
          d={strokeOf(view, symbol.from, symbol.to)}
          stroke="var(--fold-mark)"
          strokeOpacity={symbol.role === 'moves' ? 0.9 : 0.55}
          strokeWidth={9}
          strokeLinecap="round"
        />
      )
    case 'layers':
      return (
        <Words view={view} x={view.x(symbol.at.x)} y={view.y(symbol.at.y) - 40}>
          {symbol.taken === 1 ? `top layer of ${symbol.of}` : `${symbol.taken} of ${symbol.of} layers`}
        </Words>
      )
    case 'turn over':
      return <TurnOver axis={symbol.axis} view={view} />
    case 'rotate':
      return <Rotate degrees={view.mirrored ? -symbol.degrees : symbol.degrees} view={view} />
    case 'shape':
      return <Shape name={symbol.name} view={view} />
    case 'work':
      return <Work symbol={symbol} view={view} />
  }
}

/** What is done by the fingers where nothing is folded: a small drawing for the eye, its word below. */
const SHAPES: Readonly<Record<string, string>> = {
  curl: 'M-30 20C-34-30 30-34 30 2C30 32-14 30-12 6C-11-8 12-8 11 6',
  round: 'M-30 14A32 32 0 0 1 30 14M30 14l-17-3M30 14l5-16',
  open: 'M-10 0H-40M-27-12L-41 0L-27 12M10 0H40M27-12L41 0L27 12',
  inflate: 'M-10 28V4H-25L0-26L25 4H10V28Z',
  bend: 'M-34 18C-26-16 6-22 28-6M28-6l-18-3M28-6l-1-18',
}

function Shape({ name, view }: { readonly name: string; readonly view: View }) {
  const d = SHAPES[name]
  const [x, y] = [view.width / 2, view.height - 74]
  return (
    <g>
      {d === undefined ? null : (
        <g transform={`translate(${x} ${y})`} fill="none" strokeLinecap="round" strokeLinejoin="round">
          <path d={d} stroke="var(--fold-halo)" strokeWidth={15} />
          <path d={d} stroke="var(--fold-line)" strokeWidth={6} />
        </g>
      )}
      <Words view={view} x={x} y={view.height - 8}>
        {name}
      </Words>
    </g>
  )
}

function Work({
  symbol: { name, places, size },
  view,
}: {
  readonly symbol: Extract<FoldSymbol, { kind: 'work' }>
  readonly view: View
}) {
  const mark = {
    fill: 'var(--fold-halo)',
    fillOpacity: 0.6,
    stroke: 'var(--fold-mark)',
    strokeWidth: 6,
    strokeDasharray: '9 7',
  }
  return (
    <g>
      {places.map(({ x, y }, index) => (
        <g key={index} {...mark}>
          {size ? (
            <rect
              x={view.x(x) - (size[0] * view.scale) / 2}
              y={view.y(y) - (size[1] * view.scale) / 2}
              width={size[0] * view.scale}
              height={size[1] * view.scale}
            />
          ) : null}
          <circle cx={view.x(x)} cy={view.y(y)} r={17} />
        </g>
      ))}
      <Words view={view} x={view.width / 2} y={view.height - 40}>
        {name}
      </Words>
    </g>
  )
}

function FoldLine({
  symbol,
  view,
}: {
  readonly symbol: Extract<FoldSymbol, { kind: 'line' }>
  readonly view: View
}) {
  const d = strokeOf(view, symbol.from, symbol.to)
  const hidden = !symbol.seen
  return (
    <g fill="none" strokeLinecap="butt">
      {hidden ? null : <path d={d} stroke="var(--fold-halo)" strokeWidth={15} strokeOpacity={0.85} />}
      <path
        d={d}
        stroke="var(--fold-line)"
        strokeWidth={hidden ? 4 : 7.5}
        strokeOpacity={hidden ? 0.75 : 1}
        strokeDasharray={hidden ? '4 10' : DASHES[symbol.style]}
      />
    </g>
  )
}

function Words({
  x,
  y,
  children,
  view,
}: {
  readonly x: number
  readonly y: number
  readonly children: React.ReactNode
  readonly view: View
}) {
  const clear = 150
  return (
    <text
      x={Math.min(Math.max(x, clear), view.width - clear)}
      y={Math.max(y, 40)}
      textAnchor="middle"
      fontSize={38}
      fontWeight={600}
      fill="var(--fold-line)"
      stroke="var(--fold-halo)"
      strokeWidth={9}
      paintOrder="stroke"
    >
      {children}
    </text>
  )
}

/** A loop around the axis, drawn beside the piece, and the axis through it. */
function TurnOver({ axis, view }: { readonly axis: 'upright' | 'level'; readonly view: View }) {
  const [cx, cy] = [view.width / 2, view.height / 2]
  const upright = axis === 'upright'
  const axisLine = upright ? `M${cx} 18V${view.height - 18}` : `M18 ${cy}H${view.width - 18}`
  const [x, y] = upright ? [cx, view.height - 58] : [view.width - 58, cy]
  return (
    <g fill="none" stroke="var(--fold-line)">
      <path d={axisLine} stroke="var(--fold-halo)" strokeWidth={8} />
      <path d={axisLine} strokeWidth={3} strokeDasharray="16 8 3 8" />
      <g transform={`translate(${x} ${y}) ${upright ? '' : 'rotate(-90)'}`}>
        <path
          d="M-96 0C-60 -30 -14 -38 4 -16C22 8 -26 22 -22 -2C-18 -26 40 -22 92 2"
          stroke="var(--fold-halo)"
          strokeWidth={16}
        />
        <path d="M-96 0C-60 -30 -14 -38 4 -16C22 8 -26 22 -22 -2C-18 -26 40 -22 92 2" strokeWidth={6} />
        <path
          d="M92 2l-34 -4l12 -26z"
          fill="var(--fold-line)"
          stroke="var(--fold-halo)"
          strokeWidth={4}
          paintOrder="stroke"
          transform="translate(10 4)"
        />
      </g>
    </g>
  )
}

const TURNS: Readonly<Record<number, string>> = {
  45: '1/8 turn',
  90: '1/4 turn',
  135: '3/8 turn',
  180: 'half turn',
}

function Rotate({ degrees, view }: { readonly degrees: number; readonly view: View }) {
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
      <text
        textAnchor="end"
        x={78}
        y={88}
        fontSize={34}
        fontWeight={600}
        fill="var(--fold-line)"
        stroke="var(--fold-halo)"
        strokeWidth={9}
        paintOrder="stroke"
      >
        {TURNS[Math.abs(degrees)] ?? `${Math.abs(degrees)} degrees`}
      </text>
    </g>
  )
}
