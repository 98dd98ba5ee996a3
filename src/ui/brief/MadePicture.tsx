import { useId } from 'react'
import { MOST_POSITIONS, sceneOf, type Made, type Making } from '@/core/arrange'
import type { Point } from '@/core/design'
import { largest, least } from '@/core/numeric'
import { SceneFrame } from '../arrange/SceneFrame'
import { placedAt } from '../arrange/placed'
import type { Preferences } from '../format'

interface MadePictureProps {
  readonly making: Making
  readonly made: Made
  /** The finished outline, mm. */
  readonly outline: readonly Point[]
  /** The colours of its papers, in turn. */
  readonly colours: readonly string[]
  readonly preferences: Preferences
}

/** How it will hang, to scale, while its numbers are typed; nothing for what has no order to be seen. */
export function MadePicture({ making, made, outline, colours, preferences }: MadePictureProps) {
  const id = useId()
  const [xs, ys] = [outline.map(({ x }) => x), outline.map(({ y }) => y)]
  const [left, right, bottom, top] = [least(xs), largest(xs), least(ys), largest(ys)]
  const piece = { acrossMm: right - left, highMm: top - bottom }
  const scene = made.pieces > MOST_POSITIONS ? null : sceneOf(making, made, piece)
  if (!scene) return null
  const points = outline.map(
    ({ x, y }) => `${(x - (left + right) / 2).toFixed(2)},${((bottom + top) / 2 - y).toFixed(2)}`,
  )
  return (
    <SceneFrame
      scene={scene}
      piece={piece}
      title={`${made.pieces} pieces as they will hang, to scale`}
      className={making.kind === 'garland' ? 'max-h-72 w-full' : 'max-h-80 w-full max-w-md'}
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
        <use
          key={at}
          href={`#${id}`}
          fill={colours[at % Math.max(1, colours.length)] ?? 'var(--shade)'}
          transform={placedAt(place)}
        />
      ))}
    </SceneFrame>
  )
}
