import { largest, least } from '@/core/numeric'
import type { CreasePattern, Letter } from '@/core/fold'
import type { Point } from '@/core/geometry'
import { pathOf, strokeOf, viewOf } from './view'

interface PatternDrawingProps {
  readonly pattern: CreasePattern
  /** Places to look at, numbered from 1. */
  readonly places: readonly Point[]
  readonly title: string
}

const STROKES: Readonly<
  Record<Letter, { readonly width: number; readonly dashes?: string; readonly opacity?: number }>
> = {
  M: { width: 5, dashes: '26 9 4 9' },
  V: { width: 5, dashes: '15 10' },
  U: { width: 4 },
  F: { width: 2, opacity: 0.5 },
}

/** A crease pattern on the flat sheet, lines as in any diagram, with the places of its faults ringed and numbered. */
export function PatternDrawing({ pattern, places, title }: PatternDrawingProps) {
  const { outline, creases } = pattern
  const xs = outline.map((p) => p.x)
  const ys = outline.map((p) => p.y)
  const view = viewOf({ left: least(xs), right: largest(xs), bottom: least(ys), top: largest(ys) }, 60, false)
  return (
    <svg viewBox={`0 0 ${view.width} ${view.height}`} role="img" aria-label={title} className="h-96 w-full">
      <path
        d={pathOf(
          view,
          outline.flatMap(({ x, y }) => [x, y]),
        )}
        fill="var(--fold-halo)"
        stroke="var(--paper-line)"
        strokeWidth={6}
      />
      {(['F', 'U', 'V', 'M'] as const).map((letter) => {
        const { width, dashes, opacity = 1 } = STROKES[letter]
        return (
          <path
            key={letter}
            d={creases
              .filter((crease) => crease.letter === letter)
              .map(({ from, to }) => strokeOf(view, from, to))
              .join('')}
            stroke="var(--fold-line)"
            strokeWidth={width}
            strokeDasharray={dashes}
            strokeOpacity={opacity}
          />
        )
      })}
      {places.map((place, index) => (
        <g key={index}>
          <circle
            cx={view.x(place.x)}
            cy={view.y(place.y)}
            r={24}
            fill="none"
            stroke="var(--color-error)"
            strokeWidth={7}
          />
          <text
            x={view.x(place.x) + 30}
            y={view.y(place.y) - 14}
            fontSize={40}
            fontWeight={700}
            fill="var(--color-error)"
            stroke="var(--fold-halo)"
            strokeWidth={9}
            paintOrder="stroke"
          >
            {index + 1}
          </text>
        </g>
      ))}
    </svg>
  )
}
