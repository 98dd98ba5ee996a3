import { largest, least } from '@/core/numeric'
import type { FoldPicture } from '@/core/fold'
import type { PaperFaces } from './Paper'

interface StackSideProps {
  readonly section: NonNullable<FoldPicture['section']>
  readonly faces: PaperFaces
  readonly className?: string
}

const WIDE = 600
const MARGIN = 44
const FLATTEST = 10

/** The stack cut across the fold line and seen from the side: layers drawn apart, folded edges as loops. */
export function StackSide({ section, faces, className = 'h-40 w-full' }: StackSideProps) {
  const { layers, loops, moving } = section
  if (layers.length === 0) return null
  const left = least(
    layers.map((layer) => layer.from),
    0,
  )
  const right = largest(
    layers.map((layer) => layer.to),
    0,
  )
  const top = largest(layers.map((layer) => layer.level))
  const gap = Math.max(FLATTEST, Math.min(26, 210 / (top + 1)))
  const high = top * gap + 2 * MARGIN
  const x = (value: number) => round(MARGIN + ((value - left) / (right - left || 1)) * (WIDE - 2 * MARGIN))
  const y = (level: number) => round(high - MARGIN - level * gap)
  const rails = (from: number, to: number, level: number) =>
    `M${x(from)} ${y(level) - 4.5}H${x(to)}M${x(from)} ${y(level) + 4.5}H${x(to)}`
  const taken = layers.filter((layer) => moving.includes(layer.face) && layer.to > 0).length
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${round(high)}`}
      className={className}
      role="img"
      aria-label={`Seen from the side at the fold: ${layers.length} runs of paper, ${taken} of them move. ${endWords(section)}`}
    >
      <path
        d={`M${x(0)} 10V${round(high - 10)}`}
        stroke="var(--fold-line)"
        strokeWidth={3}
        strokeDasharray="10 7"
      />
      {layers.map((layer) => (
        <g key={`${layer.face} ${layer.from}`}>
          {/* The upper of two strokes is the side that lies up here. */}
          <path
            d={`M${x(layer.from)} ${y(layer.level) - 2}H${x(layer.to)}`}
            stroke={layer.back ? faces.back : faces.front}
            strokeWidth={5}
          />
          <path
            d={`M${x(layer.from)} ${y(layer.level) + 2}H${x(layer.to)}`}
            stroke={layer.back ? faces.front : faces.back}
            strokeWidth={5}
          />
          <path d={rails(layer.from, layer.to, layer.level)} stroke="var(--paper-line)" strokeWidth={1} />
          {moving.includes(layer.face) && layer.to > 0 ? (
            <path
              d={rails(Math.max(0, layer.from), layer.to, layer.level)}
              stroke="var(--fold-line)"
              strokeWidth={3.5}
            />
          ) : null}
        </g>
      ))}
      {loops.map(({ at, levels: [one, other], side }, index) => {
        const reach = Math.min(34, 5 + (Math.abs(one - other) * gap) / 2)
        return (
          <path
            key={index}
            d={`M${x(at)} ${y(one)}C${x(at) + side * reach} ${y(one)} ${x(at) + side * reach} ${y(other)} ${x(at)} ${y(other)}`}
            fill="none"
            stroke="var(--paper-line)"
            strokeWidth={4}
          />
        )
      })}
    </svg>
  )
}

const round = (value: number): number => Math.round(value * 10) / 10

/** Ends of a stack closer than this are one, in sides: as far as pictures are rounded, and room. */
const SAME_END = 1e-3

/** Which end of the stack is closed by folds and which is open, in words. */
export function endWords({ layers, loops }: NonNullable<FoldPicture['section']>): string {
  const [left, right] = [least(layers.map((one) => one.from)), largest(layers.map((one) => one.to))]
  const words = (side: 1 | -1, end: number) => {
    const folded = loops.filter((loop) => loop.side === side && Math.abs(loop.at - end) < SAME_END).length
    return folded === 0 ? 'open' : 'closed'
  }
  return `Left end ${words(-1, left)}, right end ${words(1, right)}.`
}
