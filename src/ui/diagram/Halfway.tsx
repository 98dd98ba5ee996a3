import type { HalfwayPicture } from '@/core/fold'
import { FoldDiagram, type FoldDiagramProps } from './FoldDiagram'
import type { PaperFaces } from './Paper'
import { pathOf, strokesOf, viewOf } from './view'

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

/** A move drawn on the piece, and beside it, where it lifts and turns in space, the piece half way through it. */
export function MoveDiagram({
  halfway,
  ...drawing
}: FoldDiagramProps & { readonly halfway: HalfwayPicture | null }) {
  if (!halfway) return <FoldDiagram {...drawing} />
  return (
    <div className="grid h-full min-h-0 grid-cols-[1.6fr_1fr] items-center gap-3">
      <FoldDiagram {...drawing} className="h-full min-h-0 w-full" />
      <figure className="flex h-full min-h-0 flex-col justify-center">
        <Halfway
          picture={halfway}
          faces={drawing.faces}
          leftHanded={drawing.leftHanded ?? false}
          className="max-h-[62%] min-h-0 w-full"
        />
        <figcaption className="second pt-1 text-center">half way</figcaption>
      </figure>
    </div>
  )
}
