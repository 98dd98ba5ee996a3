import { useId, useMemo } from 'react'
import {
  arrangeInOrder,
  MOST_POSITIONS,
  sceneOf,
  type Made,
  type Making,
  type Neighbours,
  type Scene,
} from '@/core/arrange'
import type { Point } from '@/core/design'
import { largest, least } from '@/core/numeric'
import { SceneFrame } from '../arrange/SceneFrame'
import { transformOf } from '../arrange/placed'
import type { Preferences } from '../format'

interface MadePictureProps {
  readonly making: Making
  readonly made: Made
  /** The finished outline, mm. */
  readonly outline: readonly Point[]
  /** Its papers with their pieces, as far as they can be read. */
  readonly papers: readonly { readonly colour: string; readonly pieces: number }[]
  readonly preferences: Preferences
}

/** What does not hang. */
const STANDING: Readonly<Partial<Record<Making['kind'], string>>> = {
  bouquet: 'from above',
  table: 'from above',
}

/** What is much wider than high. */
const WIDE: ReadonlySet<Making['kind']> = new Set(['garland', 'table'])

/** More pieces in a plane take the Colour station a moment; here, while numbers are typed, they are coloured along a line. */
const MOST_IN_PLANE = 150

/** The colour at each place: as the Colour station puts them in order, one alone while shares do not add up. */
function useColours(papers: MadePictureProps['papers'], scene: Scene | null): readonly string[] {
  const shares = JSON.stringify(papers.map((paper) => paper.pieces))
  const positions = scene?.places.length ?? 0
  const beside = JSON.stringify(positions > MOST_IN_PLANE ? 'line' : (scene?.neighbours ?? 'line'))
  const order = useMemo(() => {
    const counts = JSON.parse(shares) as number[]
    if (counts.reduce((sum, count) => sum + count, 0) !== positions) return null
    const neighbours = JSON.parse(beside) as Neighbours
    return arrangeInOrder({ neighbours, counts, locked: new Map() }).colours
  }, [shares, positions, beside])
  const colourOf = (paper: number): string => papers[paper]?.colour ?? 'var(--shade)'
  return order ? order.map(colourOf) : [colourOf(0)]
}

/** How it will hang, to scale, while its numbers are typed; nothing for what has no order to be seen. */
export function MadePicture(props: MadePictureProps) {
  const { making, made, outline, preferences } = props
  const id = useId()
  const [xs, ys] = [outline.map(({ x }) => x), outline.map(({ y }) => y)]
  const [left, right, bottom, top] = [least(xs), largest(xs), least(ys), largest(ys)]
  const piece = { acrossMm: right - left, highMm: top - bottom }
  const scene = made.pieces > MOST_POSITIONS ? null : sceneOf(making, made, piece)
  const colours = useColours(props.papers, scene)
  if (!scene) return null
  const points = outline.map(
    ({ x, y }) => `${(x - (left + right) / 2).toFixed(2)},${((bottom + top) / 2 - y).toFixed(2)}`,
  )
  return (
    <SceneFrame
      scene={scene}
      piece={piece}
      title={`${made.pieces} pieces ${STANDING[making.kind] ?? 'as they will hang'}, to scale`}
      className={WIDE.has(making.kind) ? 'max-h-72 w-full' : 'max-h-80 w-full max-w-md'}
      preferences={preferences}
    >
      <defs>
        <polygon
          id={id}
          points={points.join(' ')}
          stroke="var(--paper-line)"
          strokeWidth={piece.acrossMm / 40}
        />
      </defs>
      {scene.places.map((place, at) => (
        <use key={at} href={`#${id}`} fill={colours[at] ?? colours[0]} transform={transformOf(place)} />
      ))}
    </SceneFrame>
  )
}
