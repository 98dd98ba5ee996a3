import type { HalfwayPicture } from '@/core/fold'
import { FoldDiagram, type FoldDiagramProps } from './FoldDiagram'
import type { PaperFaces } from './Paper'
import { enlargedBox, pathOf, strokesOf, viewOf } from './view'

/** A paper's colour where it leans away from the light or to it, 1 for as it lies. */
const lit = (colour: string, light: number): string =>
  light < 1
    ? `color-mix(in oklab, ${colour}, black ${Math.round(Math.min(13, (1 - light) * 18))}%)`
    : `color-mix(in oklab, ${colour}, white ${Math.round(Math.min(16, (light - 1) * 50))}%)`

/** A move half done: the paper in space, painted from the furthest part to the nearest. */
export function Halfway({
  picture,
  faces,
  leftHanded = false,
  className = 'h-full w-full',
}: {
  readonly picture: HalfwayPicture
  readonly faces: PaperFaces
  readonly leftHanded?: boolean
  readonly className?: string
}) {
  const view = viewOf(picture.box, 24, leftHanded)
  return (
    <svg viewBox={`0 0 ${view.width} ${view.height}`} aria-hidden className={className}>
      {picture.parts.map(({ side, light, outline, edges }, index) => {
        const colour = lit(faces[side], light)
        return (
          <g key={index} strokeLinejoin="round" strokeLinecap="round">
            <path d={pathOf(view, outline)} fill={colour} stroke={colour} strokeWidth={1.2} />
            <path d={strokesOf(view, edges)} fill="none" stroke="var(--paper-line)" strokeWidth={6} />
          </g>
        )
      })}
    </svg>
  )
}

interface MoveDiagramProps extends FoldDiagramProps {
  readonly halfway: HalfwayPicture | null
  /** By how much larger or smaller it is drawn than the picture before, where that changes. */
  readonly scaleChanges?: number | null
}

/**
 * A move drawn on the piece. Beside it, where it lifts and turns in space, the piece half way through it; and a fold that
 * is short in its picture, enlarged.
 */
export function MoveDiagram({ halfway, scaleChanges = null, ...drawing }: MoveDiagramProps) {
  const enlarged = enlargedBox(drawing.picture)
  const sign =
    scaleChanges === null ? null : (
      <p className="second absolute bottom-0 left-0 text-sm">
        drawn {formatTimes(scaleChanges)} {scaleChanges > 1 ? 'larger' : 'smaller'} from here
      </p>
    )
  if (!halfway && !enlarged && !sign) return <FoldDiagram {...drawing} />
  if (!halfway && !enlarged)
    return (
      <div className="relative h-full min-h-0">
        <FoldDiagram {...drawing} />
        {sign}
      </div>
    )
  return (
    <div className="relative grid h-full min-h-0 grid-cols-[1.6fr_1fr] items-center gap-3">
      <FoldDiagram {...drawing} className="h-full min-h-0 w-full" />
      <div className="flex h-full min-h-0 flex-col justify-center gap-3">
        {halfway ? (
          <figure className={enlarged ? 'flex min-h-0 basis-1/2 flex-col' : 'flex min-h-0 flex-col'}>
            <Halfway
              picture={halfway}
              faces={drawing.faces}
              leftHanded={drawing.leftHanded ?? false}
              className="max-h-full min-h-0 w-full"
            />
            <figcaption className="second pt-1 text-center">half way</figcaption>
          </figure>
        ) : null}
        {enlarged ? (
          <figure className={halfway ? 'flex min-h-0 basis-1/2 flex-col' : 'flex min-h-0 flex-col'}>
            <div className="aspect-square max-h-full min-h-0 overflow-hidden rounded-full border-2 hairline">
              <FoldDiagram {...drawing} title="" only={enlarged} />
            </div>
            <figcaption className="second pt-1 text-center">enlarged</figcaption>
          </figure>
        ) : null}
      </div>
      {sign}
    </div>
  )
}

/** How many times, to a tenth. */
const formatTimes = (factor: number): string => {
  const times = Math.round(10 * (factor > 1 ? factor : 1 / factor)) / 10
  return `${times} times`
}
