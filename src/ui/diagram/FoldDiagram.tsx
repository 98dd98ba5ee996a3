import type { FoldPicture } from '@/core/fold'
import { FoldSymbols } from './FoldSymbols'
import { Paper, type PaperFaces } from './Paper'
import { SmallDrawing } from './SmallDrawing'
import { boxWith, openEdgesOf, paperPaths, smallPicture, spread, strokesOf, viewOf, type View } from './view'

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
  /** How a length is told, given in sides: the measures of folds that no mark tells. */
  readonly length?: (share: number) => string
  /** The side of the square it is fitted into, in sides of the sheet: pictures of one span have one scale. */
  readonly span?: number | undefined
  /** Only this part of it is drawn, as large as the drawing allows. */
  readonly only?: FoldPicture['box']
  /** Without symbols and with heavier lines, for small pictures. */
  readonly small?: boolean
  readonly className?: string
}

/** Units of an enlarged part: shown small, it has heavier lines. */
const ENLARGED_UNITS = 420

/** A folded piece, layer by layer, with the next move drawn on it in the international convention of diagrams. */
export function FoldDiagram({
  picture,
  faces,
  title,
  hidden = false,
  leftHanded = false,
  more = 0,
  length,
  span,
  only,
  small = false,
  className = 'h-full w-full',
}: FoldDiagramProps) {
  if (small)
    return <SmallDrawing drawing={smallPicture(picture, leftHanded)} {...{ faces, title, className }} />
  const whole = boxWith(picture.box, picture.symbols)
  const view = only
    ? viewOf(only, 0, leftHanded, 0.1, ENLARGED_UNITS)
    : viewOf(span === undefined ? whole : spread(whole, span), 120, leftHanded)
  return (
    <svg
      viewBox={`0 0 ${view.width} ${view.height}`}
      {...(title === '' ? { 'aria-hidden': true } : { role: 'img', 'aria-label': title })}
      className={`${only ? '' : 'overflow-visible'} ${className}`}
    >
      <Paper paths={paperPaths(view, picture)} faces={faces} weight={4.5} />
      <OpenEdges edges={picture.edges.open} view={view} />
      {hidden ? <HiddenEdges edges={picture.edges.hidden} view={view} /> : null}
      <FoldSymbols symbols={picture.symbols} view={view} more={more} length={only ? undefined : length} />
    </svg>
  )
}

interface EdgesProps {
  readonly edges: readonly number[]
  readonly view: View
}

/** Layers that end together, drawn a little apart. */
export function OpenEdges({ edges, view }: EdgesProps) {
  const d = openEdgesOf(view, edges)
  return d === '' ? null : (
    <path d={d} fill="none" stroke="var(--paper-line)" strokeWidth={2.5} strokeLinecap="round" />
  )
}

export const HiddenEdges = ({ edges, view }: EdgesProps) => (
  <path
    d={strokesOf(view, edges)}
    fill="none"
    stroke="var(--paper-line)"
    strokeOpacity={0.7}
    strokeWidth={2.5}
    strokeDasharray="2 9"
    strokeLinecap="round"
  />
)
