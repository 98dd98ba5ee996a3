'use client'

import type { FoldMotion, FoldPicture } from '@/core/fold'
import { Paper, type PaperFaces } from './Paper'
import { Stills } from './Stages'
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

/** Angles, in degrees, at which a fold is seen where nothing may move. */
const STILL_DEGREES = [50, 90, 130] as const

/** The same in stills beside one another. */
export function InStills({ picture, motion, faces, leftHanded }: Omit<InBetweenProps, 'onEnd'>) {
  const view = viewOf(boxWith(picture.box, picture.symbols), 120, leftHanded)
  const { stays, rises, comesDown, over } = motion
  const still = <Paper paths={paperPaths(view, stays)} faces={faces} weight={4.5} />
  return (
    <Stills count={STILL_DEGREES.length}>
      {(index) => {
        const high = Math.cos(((STILL_DEGREES[index] ?? 90) * Math.PI) / 180)
        const flap = (
          <Turning view={view} motion={motion} scale={Math.max(Math.abs(high), EDGE_ON)}>
            <Paper paths={paperPaths(view, high > 0 ? rises : comesDown)} faces={faces} weight={4.5} />
          </Turning>
        )
        return (
          <svg viewBox={`0 0 ${view.width} ${view.height}`} className="h-full w-full" aria-hidden>
            {over ? still : flap}
            {over ? flap : still}
          </svg>
        )
      }}
    </Stills>
  )
}

/** What stands on its edge still is as thick as a line. */
const EDGE_ON = 0.01

/** Paper whose height over the fold line is scaled, by the class's animation or as said. */
function Turning({
  view,
  motion: { line },
  className,
  scale,
  onEnd,
  children,
}: {
  readonly view: View
  readonly motion: FoldMotion
  readonly className?: string
  readonly scale?: number
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
      <g
        className={className}
        onAnimationEnd={onEnd}
        {...(scale === undefined ? {} : { transform: `scale(1 ${scale})` })}
      >
        <g transform={`rotate(${-degrees}) translate(${-x} ${-y})`}>{children}</g>
      </g>
    </g>
  )
}
