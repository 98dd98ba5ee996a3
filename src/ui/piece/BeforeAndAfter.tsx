import type { KeptForms } from '@/flows/kept-forms'
import type { PaperFaces } from '../diagram/Paper'
import { PaintedPiece } from './PaintedPiece'

/** What a shaping step does to the piece. */
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
  return (
    <div className="grid min-h-0 grow grid-cols-2 gap-2">
      {stages.map(({ view, words }) => (
        <figure key={words} className="flex min-h-0 flex-col">
          <PaintedPiece
            view={view}
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
