import { largest } from '@/core/numeric'
import type { KeptForms } from '@/flows/kept-forms'
import type { PaperFaces } from '../diagram/Paper'
import { PaintedPiece } from './PaintedPiece'

/** What a shaping step does to the piece, before and after it to one scale. */
export function BeforeAndAfter({
  shaping: { before, after },
  faces,
  leftHanded,
  said,
}: {
  readonly shaping: KeptForms['shapings'][number]
  readonly faces: PaperFaces
  readonly leftHanded: boolean
  readonly said: string
}) {
  const stages = [
    { view: before, words: 'before' },
    { view: after, words: 'after, estimated' },
  ]
  const boxes = [before.piece, after.piece]
  // Both to one scale: what is shaped is often smaller, and it should look so.
  const room = {
    across: largest(boxes.map(({ left, right }) => right - left)),
    high: largest(boxes.map(({ bottom, top }) => top - bottom)),
  }
  return (
    <div className="grid min-h-0 grow grid-cols-2 gap-2">
      {stages.map(({ view, words }) => (
        <figure key={words} className="flex min-h-0 flex-col">
          <PaintedPiece
            view={view}
            room={room}
            faces={faces}
            mirrored={leftHanded}
            title={`${said}: ${words}`}
            className="min-h-0 w-full grow"
          />
          <figcaption className="second text-center">{words}</figcaption>
        </figure>
      ))}
    </div>
  )
}
