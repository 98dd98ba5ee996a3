import type { FoldPicture } from '@/core/fold'
import { facesOf } from '../diagram/faces'
import { pathOf, strokesOf, viewOf } from '../diagram/view'

interface PieceInTurnProps {
  /** The whole piece: its units' regions one unit after another, as many of each. */
  readonly picture: FoldPicture
  readonly sideUp: Parameters<typeof facesOf>[1]
  /** The paper of each unit, as an index into `papers`. */
  readonly colours: readonly number[]
  readonly papers: readonly Parameters<typeof facesOf>[0][]
  readonly title: string
}

const MARGIN = 24

/** One finished piece with every unit in its own paper. */
export function PieceInTurn({ picture, sideUp, colours, papers, title }: PieceInTurnProps) {
  const view = viewOf(picture.box, MARGIN, false)
  const regionsOfUnit = picture.regions.length / colours.length
  return (
    <svg
      viewBox={`0 0 ${view.width} ${view.height}`}
      role="img"
      aria-label={title}
      className="mx-auto max-h-[28rem] w-full"
    >
      {picture.regions.map(({ side, parts }, at) => {
        const paper = papers[colours[Math.floor(at / regionsOfUnit)] ?? 0]
        const fill = paper ? facesOf(paper, sideUp)[side] : 'none'
        return (
          <path
            key={at}
            d={parts.map((part) => pathOf(view, part)).join('')}
            fill={fill}
            stroke={fill}
            strokeWidth={1.2}
            strokeLinejoin="round"
          />
        )
      })}
      <path
        d={strokesOf(view, picture.edges.seen)}
        fill="none"
        stroke="var(--paper-line)"
        strokeWidth={5}
        strokeLinecap="round"
      />
    </svg>
  )
}
