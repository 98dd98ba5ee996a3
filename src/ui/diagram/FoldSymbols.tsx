import type { FoldSymbol } from '@/core/fold'
import { Arrow } from './Arrow'
import { Labels, Measure, Words, type Label } from './SymbolWords'
import { Rotate, TurnOver } from './TurnSymbols'
import { strokeOf, type View } from './view'

/** Dashes of the international convention, in units of the drawing; dots are round and as wide as the line. */
const DASHES = { valley: '30 20', mountain: '34 17 0.1 17 0.1 17', cut: 'none' } as const

interface SymbolsProps {
  readonly symbols: readonly FoldSymbol[]
  readonly view: View
  /** How often the same is done again elsewhere after this. */
  readonly more: number
  /** How a length is told, given in sides; without it none is. */
  readonly length?: ((share: number) => string) | undefined
}

/** Lines first, then landmarks, then arrows: what moves lies on top. */
export function FoldSymbols({ symbols, view, more, length }: SymbolsProps) {
  const rank = (symbol: FoldSymbol) =>
    symbol.kind === 'line' ? 0 : symbol.kind.startsWith('landmark') || symbol.kind === 'measure' ? 1 : 2
  const ordered = [...symbols].sort((one, other) => rank(one) - rank(other))
  return (
    <>
      {ordered.map((symbol, index) => (
        <Symbol key={index} symbol={symbol} view={view} more={more} />
      ))}
      <Labels labels={labelsOf(symbols, view, length)} view={view} />
    </>
  )
}

/** What stands in words beside the piece. */
function labelsOf(
  symbols: readonly FoldSymbol[],
  view: View,
  length: SymbolsProps['length'],
): readonly Label[] {
  return symbols.flatMap((one): readonly Label[] => {
    if (one.kind === 'measure' && length) {
      const [from, to] = [one.from, one.to]
      const place = { x: view.x((from.x + to.x) / 2), y: view.y((from.y + to.y) / 2) }
      return [{ says: length(one.share), ...place, dot: false }]
    }
    if (one.kind !== 'layers') return []
    const says = one.taken === 1 ? `top layer of ${one.of}` : `${one.taken} of ${one.of} layers`
    return [{ says, x: view.x(one.at.x), y: view.y(one.at.y), dot: true }]
  })
}

function Symbol({
  symbol,
  view,
  more,
}: { readonly symbol: FoldSymbol } & Omit<SymbolsProps, 'symbols' | 'length'>) {
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
      // Under the fold line itself it would only blur it: it is told in words.
      return symbol.role === 'along' ? null : (
        <path
          d={strokeOf(view, symbol.from, symbol.to)}
          stroke="var(--fold-mark)"
          strokeOpacity={symbol.role === 'moves' ? 0.9 : 0.55}
          strokeWidth={9}
          strokeLinecap="round"
        />
      )
    case 'measure':
      return <Measure symbol={symbol} view={view} />
    case 'layers':
      // Told in a label.
      return null
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
    <g fill="none" strokeLinecap={symbol.style === 'mountain' ? 'round' : 'butt'}>
      {hidden ? null : <path d={d} stroke="var(--fold-halo)" strokeWidth={15} strokeOpacity={0.85} />}
      <path
        d={d}
        stroke="var(--fold-line)"
        strokeWidth={hidden ? 4 : 9}
        strokeOpacity={hidden ? 0.75 : 1}
        strokeDasharray={hidden ? '4 10' : DASHES[symbol.style]}
      />
    </g>
  )
}
