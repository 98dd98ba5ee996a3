import { useId, useMemo } from 'react'
import {
  arrangeInOrder,
  MOST_POSITIONS,
  sceneOf,
  seenFromAbove,
  type Made,
  type Making,
  type Neighbours,
  type PieceSize,
  type Scene,
} from '@/core/arrange'
import { kindOf, type Point } from '@/core/design'
import { largest, least } from '@/core/numeric'
import type { KeptView } from '@/flows/kept-forms'
import { SceneFrame } from '../arrange/SceneFrame'
import { transformOf } from '../arrange/placed'
import { facesOf, type PaperColours } from '../diagram/faces'
import type { Preferences } from '../format'
import { PaintedAround } from '../piece/PieceAround'

/** The pieces of one line as they go into what is made. */
export interface MadeOf {
  readonly making: Making
  readonly made: Made
  /** The finished outline of each kind of its pieces, mm. */
  readonly outlines: readonly (readonly Point[])[]
  /** Its papers with their pieces, as far as they can be read. */
  readonly papers: readonly { readonly paper: PaperColours; readonly pieces: number }[]
  /** As it was painted, which is of one kind; else it is drawn by its outline. */
  readonly look: {
    readonly painted: KeptView | null
    readonly sheetMm: number
    readonly sideUp: Parameters<typeof facesOf>[1]
  }
}

interface MadePictureProps {
  /** The line whose picture it is, then those whose pieces go into the same bouquets or places. */
  readonly lines: readonly [MadeOf, ...(readonly MadeOf[])]
  readonly preferences: Preferences
}

/** What is much wider than high. */
const WIDE: ReadonlySet<Making['kind']> = new Set(['garland', 'table'])

/** More pieces in a plane take the Colour station a moment; here, while numbers are typed, they are coloured along a line. */
const MOST_IN_PLANE = 150

/** Of more pieces each is too small in the picture to be more than its outline, and outlines are quicker drawn. */
const MOST_PAINTED = 60
const PAINTED_PX = 160

/** The paper at each place, as an index: as the Colour station puts them in order, one alone while shares do not add up. */
function useColours(papers: MadeOf['papers'], scene: Scene): readonly number[] {
  const shares = JSON.stringify(papers.map((paper) => paper.pieces))
  const positions = scene.places.length
  const beside = JSON.stringify(positions > MOST_IN_PLANE ? 'line' : scene.neighbours)
  const order = useMemo(() => {
    const counts = JSON.parse(shares) as number[]
    if (counts.reduce((sum, count) => sum + count, 0) !== positions) return null
    const neighbours = JSON.parse(beside) as Neighbours
    return arrangeInOrder({ neighbours, counts, locked: new Map() }).colours
  }, [shares, positions, beside])
  return order ?? [0]
}

/** An outline around its own middle, and how large it is. */
function shapeOf(outline: readonly Point[]): { readonly points: string; readonly piece: PieceSize } {
  const [xs, ys] = [outline.map(({ x }) => x), outline.map(({ y }) => y)]
  const [left, right, bottom, top] = [least(xs), largest(xs), least(ys), largest(ys)]
  const points = outline
    .map(({ x, y }) => `${(x - (left + right) / 2).toFixed(2)},${((bottom + top) / 2 - y).toFixed(2)}`)
    .join(' ')
  return { points, piece: { acrossMm: right - left, highMm: top - bottom } }
}

/** How it will hang, to scale, while its numbers are typed; nothing for what has no order to be seen. */
export function MadePicture({ lines, preferences }: MadePictureProps) {
  const shapes = lines.map(({ outlines }) => {
    const kinds = outlines.map(shapeOf)
    return { kinds: kinds.map(({ points }) => points), piece: kinds[0]?.piece ?? { acrossMm: 0, highMm: 0 } }
  })
  const members = lines.map(({ making }, at) => ({
    each: making.values['each'] ?? 1,
    piece: shapes[at]?.piece ?? { acrossMm: 0, highMm: 0 },
  }))
  const layers = lines.flatMap(({ making, made, papers, look }, at) => {
    const shape = shapes[at]
    const scene =
      shape && made.pieces <= MOST_POSITIONS
        ? sceneOf(making, made, shape.piece, lines.length > 1 ? { members, at } : undefined)
        : null
    return shape && scene ? [{ scene, papers, look, ...shape }] : []
  })
  const [first] = layers
  if (!first || layers.length < lines.length) return null
  const [{ making }] = lines
  const pieces = lines.reduce((sum, { made }) => sum + made.pieces, 0)
  const all = { ...first.scene, places: layers.flatMap(({ scene }) => scene.places) }
  const piece = {
    acrossMm: largest(layers.map((layer) => layer.piece.acrossMm)),
    highMm: largest(layers.map((layer) => layer.piece.highMm)),
  }
  return (
    <SceneFrame
      scene={all}
      piece={piece}
      title={`${pieces} pieces ${seenFromAbove(making) ? 'from above' : 'as they will hang'}, to scale`}
      className={WIDE.has(making.kind) ? 'max-h-72 w-full' : 'max-h-80 w-full max-w-md'}
      preferences={preferences}
    >
      {layers.map((layer, at) => (
        <Pieces key={at} {...layer} />
      ))}
    </SceneFrame>
  )
}

interface PiecesProps {
  readonly scene: Scene
  readonly kinds: readonly string[]
  readonly piece: PieceSize
  readonly papers: MadeOf['papers']
  readonly look: MadeOf['look']
}

/** The pieces of one line in their places and colours. */
function Pieces({ scene, kinds, piece, papers, look }: PiecesProps) {
  const id = useId()
  const colours = useColours(papers, scene)
  // Siblings are told apart by their outlines.
  const painted = kinds.length === 1 && scene.places.length <= MOST_PAINTED ? look.painted : null
  const paperAt = (at: number): number => colours[at] ?? colours[0] ?? 0
  return (
    <>
      <defs>
        {painted
          ? papers.map(({ paper }, index) => (
              <PaintedAround
                key={index}
                id={`${id}-0-${index}`}
                painted={painted}
                faces={facesOf(paper, look.sideUp)}
                side={look.sheetMm}
                mostPx={PAINTED_PX}
              />
            ))
          : kinds.map((points, kind) => (
              <polygon
                key={kind}
                id={`${id}-${kind}`}
                points={points}
                stroke="var(--paper-line)"
                strokeWidth={piece.acrossMm / 40}
              />
            ))}
      </defs>
      {scene.places.map((place, at) => (
        <use
          key={at}
          href={`#${id}-${kindOf(at, kinds.length)}${painted ? `-${paperAt(at)}` : ''}`}
          fill={papers[paperAt(at)]?.paper.frontColour ?? 'var(--shade)'}
          transform={transformOf(place)}
        />
      ))}
    </>
  )
}
