import { useId } from 'react'
import type { KeptView } from '@/flows/kept-forms'
import type { PaperFaces } from '../diagram/Paper'
import { tintOf } from './tint'

interface PaintedPieceProps {
  readonly view: KeptView
  readonly faces: PaperFaces
  /** Empty where words beside it say what it is. */
  readonly title: string
  readonly className: string
  /** As its mirror image, for the left hand. */
  readonly mirrored?: boolean
  /** How much is shown across and high, in sides of the sheet: the piece and a little around it unless said. */
  readonly room?: { readonly across: number; readonly high: number }
}

/** Around the piece, as a share of it; its shadow may reach beyond. */
const AROUND = 1.06

/** Where a kept picture is fetched from. */
export const pictureAddress = ({ file }: Pick<KeptView, 'file'>): string => `/api/pieces/${file}`

/** A finished piece as it was painted, in the colours of a paper: light and sides are kept, colours are put on here. */
export function PaintedPiece({ view, faces, title, className, mirrored = false, room }: PaintedPieceProps) {
  const id = useId()
  const { width, height, frame, piece } = view
  const perSide = width / (frame.right - frame.left)
  const [across, high] = [
    (room?.across ?? piece.right - piece.left) * perSide * AROUND,
    (room?.high ?? piece.top - piece.bottom) * perSide * AROUND,
  ]
  const left = ((piece.left + piece.right) / 2 - frame.left) * perSide - across / 2
  const top = (frame.top - (piece.top + piece.bottom) / 2) * perSide - high / 2
  return (
    <svg
      viewBox={[mirrored ? width - left - across : left, top, across, high]
        .map((value) => value.toFixed(1))
        .join(' ')}
      {...(title === '' ? { 'aria-hidden': true } : { role: 'img', 'aria-label': title })}
      className={`overflow-visible ${className}`}
    >
      <Tint id={id} faces={faces} />
      <image
        href={pictureAddress(view)}
        width={width}
        height={height}
        filter={`url(#${id})`}
        {...(mirrored ? { transform: `translate(${width} 0) scale(-1 1)` } : {})}
      />
    </svg>
  )
}

/** What puts a paper's two colours on a painted picture. */
export const Tint = ({ id, faces }: { readonly id: string; readonly faces: PaperFaces }) => (
  <filter id={id} x="0" y="0" width="1" height="1" colorInterpolationFilters="sRGB">
    <feColorMatrix type="matrix" values={tintOf(faces)} />
  </filter>
)
