import type { DrawnOnce, FoldPicture } from '@/core/fold'
import { FoldSymbols } from './FoldSymbols'
import { boxWith, pathOf, strokesOf, viewOf, type View } from './view'

/** The two faces of a paper. */
export interface PaperFaces {
  readonly front: string
  readonly back: string
}

export interface FoldDiagramProps {
  readonly picture: FoldPicture
  /** Colours of the side that was up at the start, and of the other. */
  readonly faces: PaperFaces
  /** Empty where words beside it say what it is. */
  readonly title: string
  /** Shows edges and creases under other layers, dotted. */
  readonly hidden?: boolean
  /** Drawn for the left hand: everything mirrored, words left as they are. */
  readonly leftHanded?: boolean
  /** How often this move is done again elsewhere after this one. */
  readonly more?: number
  /** Without symbols and with heavier lines, for small pictures. */
  readonly small?: boolean
  readonly className?: string
}

/** A folded piece, layer by layer, with the next move drawn on it in the international convention of diagrams. */
export function FoldDiagram({
  picture,
  faces,
  title,
  hidden = false,
  leftHanded = false,
  more = 0,
  small = false,
  className = 'h-full w-full',
}: FoldDiagramProps) {
  const symbols = small ? [] : picture.symbols
  const view = viewOf(boxWith(picture.box, symbols), small ? 24 : 120, leftHanded)
  return (
    <svg
      viewBox={`0 0 ${view.width} ${view.height}`}
      {...(title === '' ? { 'aria-hidden': true } : { role: 'img', 'aria-label': title })}
      className={className}
    >
      <Paper picture={picture} view={view} faces={faces} weight={small ? 9 : 4.5} />
      {hidden ? <Hidden picture={picture} view={view} /> : null}
      {small ? null : <FoldSymbols symbols={symbols} view={view} more={more} />}
    </svg>
  )
}

/** Regions in the paper's two faces, a line wherever the top layer changes, creases as hairlines. */
export function Paper({
  picture,
  view,
  faces,
  weight,
}: {
  readonly picture: DrawnOnce & Partial<Pick<FoldPicture, 'marks'>>
  readonly view: View
  readonly faces: PaperFaces
  readonly weight: number
}) {
  const marks = picture.marks ?? []
  return (
    <>
      {(['front', 'back'] as const).map((side) => {
        const parts = picture.regions
          .filter((region) => region.side === side)
          .flatMap((region) => region.parts)
        // The thin stroke of their own colour closes the seams between parts of one region.
        return parts.length === 0 ? null : (
          <path
            key={side}
            d={parts.map((part) => pathOf(view, part)).join('')}
            fill={faces[side]}
            stroke={faces[side]}
            strokeWidth={1.2}
            strokeLinejoin="round"
          />
        )
      })}
      {marks.length === 0 ? null : (
        <path
          d={strokesOf(view, marks)}
          fill="none"
          stroke="var(--paper-line)"
          strokeOpacity={0.45}
          strokeWidth={weight * 0.4}
        />
      )}
      <path
        d={strokesOf(view, picture.edges.seen)}
        fill="none"
        stroke="var(--paper-line)"
        strokeWidth={weight}
        strokeLinecap="round"
      />
    </>
  )
}

function Hidden({ picture, view }: { readonly picture: FoldPicture; readonly view: View }) {
  return (
    <path
      d={strokesOf(view, picture.edges.hidden)}
      fill="none"
      stroke="var(--paper-line)"
      strokeOpacity={0.7}
      strokeWidth={2.5}
      strokeDasharray="2 9"
      strokeLinecap="round"
    />
  )
}
