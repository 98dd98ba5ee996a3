import { useId } from 'react'
import { frameOf, type PieceSize, type Scene } from '@/core/arrange'
import type { FoldPicture } from '@/core/fold'
import { facesOf } from '../diagram/faces'
import { Paper } from '../diagram/Paper'
import { smallPicture } from '../diagram/view'
import type { Preferences } from '../format'
import { transformOf } from './placed'
import { SceneFrame } from './SceneFrame'

type PaperColours = Parameters<typeof facesOf>[0]

interface HungPiecesProps {
  readonly scene: Scene
  readonly piece: PieceSize
  /** The paper at each place, as an index into `papers`. */
  readonly colours: readonly number[]
  readonly papers: readonly PaperColours[]
  readonly picture: FoldPicture
  readonly sideUp: Parameters<typeof facesOf>[1]
  /** The side its sheet is folded from: pieces are drawn to scale. */
  readonly sheetMm: number
  /** Places whose next neighbour is alike. */
  readonly clashes: readonly number[]
  readonly title: string
  readonly preferences: Preferences
}

/** Finished pieces in their papers' colours as they will hang, to scale. */
export function HungPieces(props: HungPiecesProps) {
  const { scene, piece, colours, papers, picture, sideUp, sheetMm, clashes, title, preferences } = props
  const id = useId()
  const { width, height, scale, paths } = smallPicture(picture, false)
  const mmPerUnit = sheetMm / scale
  const { left, right } = frameOf(scene, piece)
  // Around the gap, and never too small to be seen on a long garland.
  const ring = Math.max(0.3 * Math.min(piece.acrossMm, piece.highMm), (right - left) / 110)
  return (
    <SceneFrame
      scene={scene}
      piece={piece}
      title={title}
      className="mx-auto max-h-[32rem] w-full"
      preferences={preferences}
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
        <use key={at} href={`#${id}-${colours[at] ?? 0}`} transform={transformOf(place)} />
      ))}
      {clashes.map((at) => {
        const [one, other] = [scene.places[at], scene.places[(at + 1) % scene.places.length]]
        return one && other ? (
          <circle
            key={at}
            cx={(one.xMm + other.xMm) / 2}
            cy={(one.yMm + other.yMm) / 2}
            r={ring}
            fill="none"
            stroke="var(--color-error)"
            strokeWidth={ring / 4}
          />
        ) : null
      })}
    </SceneFrame>
  )
}
