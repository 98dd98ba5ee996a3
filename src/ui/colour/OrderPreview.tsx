import { useId } from 'react'
import type { Pair, Shape } from '@/core/arrange'
import { kindOf } from '@/core/design'
import { largest } from '@/core/numeric'
import { facesOf, type PaperColours } from '../diagram/faces'
import { HandMarks, type Hand } from '../arrange/hand'
import { extentOf, PieceAround, type PieceLook } from '../piece/PieceAround'

interface OrderPreviewProps {
  readonly shape: Shape
  readonly colours: readonly number[]
  readonly papers: readonly PaperColours[]
  /** The finished piece, of every kind they come in. */
  readonly looks: readonly PieceLook[]
  /** Where pieces can be taken in hand. */
  readonly hand?: Hand
  readonly sideUp: Parameters<typeof facesOf>[1]
  /** Neighbours that are alike. */
  readonly clashes: readonly Pair[]
  readonly title: string
}

/** Side of the square one piece is drawn in. */
const CELL = 100
/** A row of a line has so many pieces, then it goes on below. */
const IN_A_ROW = 18
const ROOM = 1.15

interface Place {
  readonly x: number
  readonly y: number
}

interface Laid {
  readonly places: readonly Place[]
  readonly width: number
  readonly height: number
}

function ringOf(count: number): Laid {
  const radius = Math.max(CELL * 0.7, (ROOM * CELL * count) / (2 * Math.PI))
  const size = 2 * radius + 1.5 * CELL
  const places = Array.from({ length: count }, (_, at) => {
    const angle = (2 * Math.PI * at) / count - Math.PI / 2
    return { x: size / 2 + radius * Math.cos(angle), y: size / 2 + radius * Math.sin(angle) }
  })
  return { places, width: size, height: size }
}

function lineOf(count: number): Laid {
  const pitch = ROOM * CELL
  const places = Array.from({ length: count }, (_, at) => ({
    x: ((at % IN_A_ROW) + 0.5) * pitch,
    y: (Math.floor(at / IN_A_ROW) + 0.5) * 1.35 * CELL,
  }))
  return {
    places,
    width: Math.min(count, IN_A_ROW) * pitch,
    height: Math.max(1, Math.ceil(count / IN_A_ROW)) * 1.35 * CELL,
  }
}

/** Finished pieces in their papers' colours, in order, as they would follow each other. Not to scale. */
export function OrderPreview({
  shape,
  colours,
  papers,
  looks,
  hand,
  sideUp,
  clashes,
  title,
}: OrderPreviewProps) {
  const id = useId()
  const { places, width, height } = shape === 'ring' ? ringOf(colours.length) : lineOf(colours.length)
  const side = CELL / largest(looks.map(extentOf))
  const middles = clashes.map(([one, other]) => between(places[one], places[other]))
  return (
    <svg
      viewBox={`0 0 ${Math.round(width)} ${Math.round(height)}`}
      role={hand ? 'group' : 'img'}
      aria-label={title}
      className={shape === 'ring' ? 'mx-auto w-full max-w-sm' : 'w-full'}
    >
      <defs>
        {looks.flatMap((look, kind) =>
          papers.map((paper, index) => (
            <PieceAround
              key={`${kind} ${index}`}
              id={`${id}-${kind}-${index}`}
              look={look}
              faces={facesOf(paper, sideUp)}
              side={side}
            />
          )),
        )}
      </defs>
      {places.map(({ x, y }, at) => (
        <use
          key={at}
          {...hand?.of(at)}
          href={`#${id}-${kindOf(at, looks.length)}-${colours[at] ?? 0}`}
          transform={`translate(${x.toFixed(1)} ${y.toFixed(1)})`}
        />
      ))}
      {middles.map(({ x, y }, index) => (
        <circle
          key={index}
          cx={x}
          cy={y}
          r={CELL * 0.2}
          fill="none"
          stroke="var(--color-error)"
          strokeWidth={CELL * 0.06}
        />
      ))}
      {hand ? <HandMarks hand={hand} places={places} radius={CELL * 0.62} /> : null}
    </svg>
  )
}

const between = (one: Place = { x: 0, y: 0 }, other: Place = one): Place => ({
  x: (one.x + other.x) / 2,
  y: (one.y + other.y) / 2,
})
