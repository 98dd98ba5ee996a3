'use client'

import { Paper, type PaperFaces } from './Paper'
import type { SmallPicture } from './view'

interface SmallDrawingProps {
  readonly drawing: SmallPicture
  readonly faces: PaperFaces
  /** Empty where words beside it say what it is. */
  readonly title: string
  readonly className: string
}

/**
 * A small picture, without symbols and with heavier lines. A part of the browser's own: a page of dozens sends their
 * paths once, not markup and tree.
 */
export function SmallDrawing({
  drawing: { width, height, paths },
  faces,
  title,
  className,
}: SmallDrawingProps) {
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      {...(title === '' ? { 'aria-hidden': true } : { role: 'img', 'aria-label': title })}
      className={className}
    >
      <Paper paths={paths} faces={faces} weight={9} />
    </svg>
  )
}
