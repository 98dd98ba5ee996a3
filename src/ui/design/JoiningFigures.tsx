import type { Assembly, JoiningPictures } from '@/core/design'
import { FoldDiagram } from '../diagram/FoldDiagram'
import type { PaperFaces } from '../diagram/Paper'

const JOINS = [
  ['first', 'First join'],
  ['each', 'Every join'],
  ['last', 'Last join'],
] as const

/** The first join, every join and the last one: the unit in the hand, where it goes, and what is said of it. */
export function JoiningFigures({
  joining,
  says,
  faces,
  leftHanded,
  length,
}: {
  readonly joining: JoiningPictures
  readonly says: Assembly['says']
  readonly faces: PaperFaces
  readonly leftHanded: boolean
  /** How a length is told, given in sides. */
  readonly length: (share: number) => string
}) {
  return (
    <div className="mt-3 mb-4 grid gap-6 sm:grid-cols-3">
      {JOINS.map(([key, name]) => (
        <figure key={key} className="flex flex-col">
          <div className="h-56">
            <FoldDiagram
              picture={joining[key]}
              faces={faces}
              leftHanded={leftHanded}
              length={length}
              title={says?.[key] ?? name}
            />
          </div>
          <figcaption className="mt-2">
            <span className="second">{name}</span>
            {says ? <p className={key === 'last' ? 'font-semibold' : ''}>{says[key]}</p> : null}
          </figcaption>
        </figure>
      ))}
    </div>
  )
}
