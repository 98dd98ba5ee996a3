'use client'

import type { FoldMotion, FoldPicture } from '@/core/fold'
import { Paper, type PaperFaces } from './Paper'
import { boxWith, paperPaths, viewOf, type View } from './view'

interface InBetweenProps {
  readonly picture: FoldPicture
  readonly motion: FoldMotion
  readonly faces: PaperFaces
  readonly leftHanded: boolean
  /** Called when the fold has come down and was seen a moment. */
  readonly onEnd: () => void
}

/** A simple fold on its way, once: the flap stands up to its edge, then comes down. Timed in CSS. */
export function InBetween({ picture, motion, faces, leftHanded, onEnd }: InBetweenProps) {
  const view = viewOf(boxWith(picture.box, picture.symbols), 120, leftHanded)
  const { stays, rises, comesDown, over } = motion
  const still = <Paper paths={paperPaths(view, stays)} faces={faces} weight={4.5} />
  const moving = (
    <>
      <Turning view={view} motion={motion} className="fold-rises">
        <Paper paths={paperPaths(view, rises)} faces={faces} weight={4.5} />
      </Turning>
      <Turning view={view} motion={motion} className="fold-comes-down" onEnd={onEnd}>
        <Paper paths={paperPaths(view, comesDown)} faces={faces} weight={4.5} />
      </Turning>
    </>
  )
  return (
    <svg viewBox={`0 0 ${view.width} ${view.height}`} className="h-full w-full" aria-hidden>
      {over ? (
        <>
          {still}
          {moving}
        </>
      ) : (
        <>
          {moving}
          {still}
        </>
      )}
    </svg>
  )
}

/** Paper whose height over the fold line is scaled by the class's animation. */
function Turning({
  view,
  motion: { line },
  className,
  onEnd,
  children,
}: {
  readonly view: View
  readonly motion: FoldMotion
  readonly className: string
  readonly onEnd?: () => void
  readonly children: React.ReactNode
}) {
  const [x, y] = [view.x(line.origin.x), view.y(line.origin.y)]
  // A whole side along the line: rounding to tenths of a unit turns it by nothing one sees.
  const [dx, dy] = [
    view.x(line.origin.x + line.direction.x) - x,
    view.y(line.origin.y + line.direction.y) - y,
  ]
  const degrees = (Math.atan2(dy, dx) * 180) / Math.PI
  return (
    <g transform={`translate(${x} ${y}) rotate(${degrees})`}>
      <g className={className} onAnimationEnd={onEnd}>
        <g transform={`rotate(${-degrees}) translate(${-x} ${-y})`}>{children}</g>
      </g>
    </g>
  )
}
