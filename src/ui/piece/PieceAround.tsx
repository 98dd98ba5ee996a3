'use client'

import type { KeptView } from '@/flows/kept-forms'
import { Paper, type PaperFaces } from '../diagram/Paper'
import type { SmallPicture } from '../diagram/view'
import { pictureAddress, Tint } from './PaintedPiece'
import { useTinted } from './useTinted'

/** What a finished piece looks like: drawn flat, and as it was painted where it was. */
export interface PieceLook {
  readonly small: SmallPicture
  readonly painted: KeptView | null
}

interface PieceAroundProps {
  readonly id: string
  readonly look: PieceLook
  readonly faces: PaperFaces
  /** How long the sheet's side is drawn. */
  readonly side: number
}

/** A finished piece around its own middle, to be put in its places. */
export function PieceAround({ id, look: { small, painted }, faces, side }: PieceAroundProps) {
  if (painted) return <PaintedAround id={id} painted={painted} faces={faces} side={side} />
  const scale = (side / small.scale).toFixed(5)
  return (
    <g id={id} transform={`scale(${scale}) translate(${-small.width / 2} ${-small.height / 2})`}>
      <Paper paths={small.paths} faces={faces} weight={9} />
    </g>
  )
}

/** The same as it was painted. */
export function PaintedAround({
  id,
  painted,
  faces,
  side,
  mostPx = Infinity,
}: Omit<PieceAroundProps, 'look'> & {
  readonly painted: KeptView
  /** Larger than this it is never seen. */
  readonly mostPx?: number
}) {
  const { frame, piece } = painted
  const [x, y] = [(piece.left + piece.right) / 2, (piece.top + piece.bottom) / 2]
  const placed = (value: number) => (value * side).toFixed(2)
  const address = pictureAddress(painted)
  // Hundreds of copies of a picture are slow while each is coloured anew.
  const ready = useTinted(address, faces, mostPx)
  return (
    <g id={id}>
      {ready ? null : <Tint id={`${id}-tint`} faces={faces} />}
      <image
        href={ready ?? address}
        x={placed(frame.left - x)}
        y={placed(y - frame.top)}
        width={placed(frame.right - frame.left)}
        height={placed(frame.top - frame.bottom)}
        {...(ready ? {} : { filter: `url(#${id}-tint)` })}
      />
    </g>
  )
}

/** How large a look is in sides of the sheet, the larger of both ways. */
export const extentOf = ({ small, painted }: PieceLook): number =>
  painted
    ? Math.max(painted.piece.right - painted.piece.left, painted.piece.top - painted.piece.bottom)
    : Math.max(small.width, small.height) / small.scale
