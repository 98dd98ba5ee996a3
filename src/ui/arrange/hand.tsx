import type { SVGProps } from 'react'

/** Pieces of a picture as hands can take them. */
export interface Hand {
  /** What makes the piece at a position one that can be pressed, drawn and reached by keys. */
  readonly of: (at: number) => SVGProps<SVGUseElement>
  readonly picked: number | null
  /** Positions that stay as they are. */
  readonly locked: ReadonlySet<number>
}

interface HandMarksProps {
  readonly hand: Hand
  readonly places: readonly { readonly x: number; readonly y: number }[]
  readonly radius: number
}

/** A ring around the piece that is taken up, and a pin on those that stay. */
export function HandMarks({ hand: { picked, locked }, places, radius }: HandMarksProps) {
  const at = picked === null ? undefined : places[picked]
  return (
    <g data-mark pointerEvents="none">
      {[...locked].map((position) => {
        const place = places[position]
        return place ? (
          <circle
            key={position}
            cx={place.x}
            cy={place.y}
            r={radius * 0.22}
            fill="var(--color-base-100)"
            stroke="var(--color-base-content)"
            strokeWidth={radius * 0.1}
          />
        ) : null
      })}
      {at ? (
        <circle
          cx={at.x}
          cy={at.y}
          r={radius}
          fill="none"
          stroke="var(--color-primary)"
          strokeWidth={radius * 0.14}
        />
      ) : null}
    </g>
  )
}
