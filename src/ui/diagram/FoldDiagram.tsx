import type { FoldPicture } from '@/core/fold'
import { FoldSymbols } from './FoldSymbols'
import { boxWith, paperPaths, smallPicture, strokesOf, viewOf, type PaperPaths, type View } from './view'

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
  const { view, paths } = small ? smallPicture(picture, leftHanded) : largePicture(picture, leftHanded)
  return (
    <svg
      viewBox={`0 0 ${view.width} ${view.height}`}
      {...(title === '' ? { 'aria-hidden': true } : { role: 'img', 'aria-label': title })}
      className={className}
    >
      <Paper paths={paths} faces={faces} weight={small ? 9 : 4.5} />
      {hidden ? <Hidden picture={picture} view={view} /> : null}
      {small ? null : <FoldSymbols symbols={picture.symbols} view={view} more={more} />}
    </svg>
  )
}

function largePicture(picture: FoldPicture, leftHanded: boolean) {
  const view = viewOf(boxWith(picture.box, picture.symbols), 120, leftHanded)
  return { view, paths: paperPaths(view, picture) }
}

/** Regions in the paper's two faces, a line wherever the top layer changes, creases as hairlines. */
export function Paper({
  paths,
  faces,
  weight,
}: {
  readonly paths: PaperPaths
  readonly faces: PaperFaces
  readonly weight: number
}) {
  return (
    <>
      {(['front', 'back'] as const).map((side) =>
        // The thin stroke of their own colour closes the seams between parts of one region.
        paths[side] === '' ? null : (
          <path
            key={side}
            d={paths[side]}
            fill={faces[side]}
            stroke={faces[side]}
            strokeWidth={1.2}
            strokeLinejoin="round"
          />
        ),
      )}
      {paths.marks === '' ? null : (
        <path
          d={paths.marks}
          fill="none"
          stroke="var(--paper-line)"
          strokeOpacity={0.45}
          strokeWidth={weight * 0.4}
        />
      )}
      <path
        d={paths.edges}
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
