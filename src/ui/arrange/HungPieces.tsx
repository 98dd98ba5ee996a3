import { useId } from 'react'
import { frameOf, type Pair, type PiecePlace, type PieceSize, type Scene } from '@/core/arrange'
import { kindOf } from '@/core/design'
import { facesOf } from '../diagram/faces'
import type { Preferences } from '../format'
import { PieceAround, type PieceLook } from '../piece/PieceAround'
import { HandMarks, type Hand } from './hand'
import { transformOf } from './placed'
import { SceneFrame } from './SceneFrame'

type PaperColours = Parameters<typeof facesOf>[0]

/** Pieces of one line in their places. */
export interface HungLayer {
  readonly scene: Scene
  readonly piece: PieceSize
  /** The paper at each place, as an index into `papers`. */
  readonly colours: readonly number[]
  readonly papers: readonly PaperColours[]
  /** The finished piece, of every kind they come in. */
  readonly looks: readonly PieceLook[]
  readonly sideUp: Parameters<typeof facesOf>[1]
  /** The side its sheet is folded from: pieces are drawn to scale. */
  readonly sheetMm: number
}

interface HungPiecesProps extends HungLayer {
  /** What else stands among them, of other lines. */
  readonly besides?: readonly HungLayer[]
  /** Where pieces can be taken in hand. */
  readonly hand?: Hand
  /** Seen from the other side: left is right. */
  readonly behind?: boolean
  /** Neighbours that are alike. */
  readonly clashes: readonly Pair[]
  readonly title: string
  /** As high as there is room for; otherwise as wide as its place, however high. */
  readonly whole: boolean
  readonly preferences: Preferences
}

const fromBehind = (place: PiecePlace): PiecePlace => ({ ...place, xMm: -place.xMm, turn: -place.turn })

/** The same seen from the other side. */
const sceneBehind = ({ places, lines, neighbours }: Scene): Scene => ({
  neighbours,
  places: places.map(fromBehind),
  lines: lines.map((line) => line.map((value, at) => (at % 2 === 0 ? -value : value))),
})

/** Finished pieces in their papers' colours as they will hang, to scale. */
export function HungPieces(props: HungPiecesProps) {
  const { piece, besides = [], hand, behind = false, clashes, title, whole, preferences } = props
  const id = useId()
  const scene = behind ? sceneBehind(props.scene) : props.scene
  const others = besides.map((layer) => ({
    ...layer,
    scene: behind ? sceneBehind(layer.scene) : layer.scene,
  }))
  const all = {
    ...scene,
    places: [scene, ...others.map((layer) => layer.scene)].flatMap(({ places }) => places),
  }
  const largestPiece = [piece, ...others.map((layer) => layer.piece)].reduce((most, one) => ({
    acrossMm: Math.max(most.acrossMm, one.acrossMm),
    highMm: Math.max(most.highMm, one.highMm),
  }))
  const { left, right } = frameOf(all, largestPiece)
  // Around the gap, and never too small to be seen on a long garland.
  const ring = Math.max(0.3 * Math.min(piece.acrossMm, piece.highMm), (right - left) / 110)
  return (
    <SceneFrame
      scene={all}
      piece={largestPiece}
      title={title}
      className={whole ? 'mx-auto max-h-[32rem] w-full' : 'w-full'}
      preferences={preferences}
      inHand={hand !== undefined}
    >
      {others.map((layer, index) => (
        <Layer key={index} {...layer} id={`${id}-${index}`} />
      ))}
      <Layer {...props} scene={scene} id={id} {...(hand ? { hand } : {})} />
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

/** The pieces of one line, each kind drawn once for every paper and put in its places. */
function Layer({
  scene,
  colours,
  papers,
  looks,
  sideUp,
  sheetMm,
  id,
  hand,
}: HungLayer & { readonly id: string; readonly hand?: Hand }) {
  return (
    <>
      <defs>
        {looks.flatMap((look, kind) =>
          papers.map((paper, index) => (
            <PieceAround
              key={`${kind} ${index}`}
              id={`${id}-${kind}-${index}`}
              look={look}
              faces={facesOf(paper, sideUp)}
              side={sheetMm}
            />
          )),
        )}
      </defs>
      {scene.places.map((place, at) => (
        <use
          key={at}
          {...hand?.of(at)}
          href={`#${id}-${kindOf(at, looks.length)}-${colours[at] ?? 0}`}
          transform={transformOf(place)}
        />
      ))}
    </>
  )
}
