import { largest } from '@/core/numeric'
import type { KeptForms } from '@/flows/kept-forms'
import type { PaperFaces } from '../diagram/Paper'
import { PaintedPiece } from './PaintedPiece'
import { VIEW_WORDS, viewsOf } from './views'

interface InTheHandProps {
  readonly name: string
  readonly forms: KeptForms
  readonly faces: PaperFaces
  readonly leftHanded?: boolean
  readonly className?: string
}

/** The finished piece as it is in the hand, from all sides it was painted from. */
export function InTheHand({ name, forms, faces, leftHanded = false, className = 'h-56' }: InTheHandProps) {
  const views = viewsOf(forms)
  // All to one scale.
  const room = {
    across: largest(views.map(({ view: { piece } }) => piece.right - piece.left)),
    high: largest(views.map(({ view: { piece } }) => piece.top - piece.bottom)),
  }
  return (
    <figure>
      <div
        className={`grid grid-rows-[minmax(0,1fr)] gap-6 ${views.length === 3 ? 'grid-cols-3' : 'grid-cols-2'} ${className}`}
      >
        {views.map(({ name: view, view: kept }) => (
          <PaintedPiece
            key={view}
            view={kept}
            faces={faces}
            mirrored={leftHanded}
            room={room}
            title={`${name} in the hand, ${VIEW_WORDS[view]}`}
            className="h-full w-full"
          />
        ))}
      </div>
      <figcaption className="second mt-1 text-center text-sm">
        {views.map(({ name: view }) => VIEW_WORDS[view]).join(', ')}
        {forms.shaped ? '; its form is estimated, at the usual gauges' : ''}
      </figcaption>
    </figure>
  )
}
