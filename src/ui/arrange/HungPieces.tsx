import { useId } from 'react'
import { frameOf, type Pair, type PieceSize, type Scene } from '@/core/arrange'
import { facesOf } from '../diagram/faces'
import { Paper } from '../diagram/Paper'
import type { SmallPicture } from '../diagram/view'
import type { Preferences } from '../format'
import { HandMarks, type Hand } from './hand'
import { transformOf } from './placed'
import { SceneFrame } from './SceneFrame'

type PaperColours = Parameters<typeof facesOf>[0]

interface HungPiecesProps {
  readonly scene: Scene
  readonly piece: PieceSize
  /** The paper at each place, as an index into `papers`. */
  readonly colours: readonly number[]
  readonly papers: readonly PaperColours[]
  readonly small: SmallPicture
  /** Where pieces can be taken in hand. */
  readonly hand?: Hand
  readonly sideUp: Parameters<typeof facesOf>[1]
  /** The side its sheet is folded from: pieces are drawn to scale. */
  readonly sheetMm: number
  /** Neighbours that are alike. */
  readonly clashes: readonly Pair[]
  readonly title: string
  /** As high as there is room for; otherwise as wide as its place, however high. */
  readonly whole: boolean
  readonly preferences: Preferences
}

/** Finished pieces in their papers' colours as they will hang, to scale. */
export function HungPieces(props: HungPiecesProps) {
  const { scene, piece, colours, papers, small, hand, sideUp, sheetMm, clashes, title, whole, preferences } =
    props
  const id = useId()
  const { width, height, scale, paths } = small
  const mmPerUnit = sheetMm / scale
  const { left, right } = frameOf(scene, piece)
  // Around the gap, and never too small to be seen on a long garland.
  const ring = Math.max(0.3 * Math.min(piece.acrossMm, piece.highMm), (right - left) / 110)
  return (
    <SceneFrame
      scene={scene}
      piece={piece}
      title={title}
      className={whole ? 'mx-auto max-h-[32rem] w-full' : 'w-full'}
      preferences={preferences}
      inHand={hand !== undefined}
    >
      <defs>
        {papers.map((paper, index) => (
          <g
            key={index}
            id={`${id}-${index}`}
            transform={`scale(${mmPerUnit.toFixed(5)}) translate(${-width / 2} ${-height / 2})`}
          >
            <Paper paths={paths} faces={facesOf(paper, sideUp)} weight={9} />
          </g>
        ))}
      </defs>
      {scene.places.map((place, at) => (
        <use key={at} {...hand?.of(at)} href={`#${id}-${colours[at] ?? 0}`} transform={transformOf(place)} />
      ))}
      {clashes.map(([from, to]) => {
        const [one, other] = [scene.places[from], scene.places[to]]
        return one && other ? (
          <circle
            key={`${from} ${to}`}
            cx={(one.xMm + other.xMm) / 2}
            cy={(one.yMm + other.yMm) / 2}
            r={ring}
            fill="none"
            stroke="var(--color-error)"
            strokeWidth={ring / 4}
          />
        ) : null
      })}
      {hand ? (
        <HandMarks
          hand={hand}
          places={scene.places.map(({ xMm, yMm }) => ({ x: xMm, y: yMm }))}
          radius={Math.max(0.6 * Math.max(piece.acrossMm, piece.highMm), ring)}
        />
      ) : null}
    </SceneFrame>
  )
}
