import type { DrawnProgram } from '@/core/fold'
import type { KeptForms } from '@/flows/kept-forms'
import type { FoldWords } from '@/flows/read/folds'
import { MoveDiagram } from '../diagram/Halfway'
import { InBetween } from '../diagram/InBetween'
import type { PaperFaces } from '../diagram/Paper'
import { BeforeAndAfter } from '../piece/BeforeAndAfter'
import { kindWords } from './step-words'

interface StepPictureProps {
  readonly move: DrawnProgram['moves'][number]
  readonly word: FoldWords | undefined
  readonly said: string
  /** What the step shapes, where that was painted. */
  readonly shaping: KeptForms['shapings'][number] | null
  readonly faces: PaperFaces
  readonly hidden: boolean
  readonly leftHanded: boolean
  /** How a length is told, given in sides. */
  readonly length: (share: number) => string
  readonly playing: boolean
  readonly onEnd: () => void
}

/** The picture of one move, or the move as it goes. */
export function StepPicture(props: StepPictureProps) {
  const { move, word, said, faces, hidden, leftHanded, playing, onEnd } = props
  if (playing && move.motion)
    return (
      <InBetween
        picture={move.picture}
        motion={move.motion}
        faces={faces}
        leftHanded={leftHanded}
        onEnd={onEnd}
      />
    )
  if (props.shaping && move.kind === 'shape')
    return <BeforeAndAfter shaping={props.shaping} faces={faces} leftHanded={leftHanded} said={said} />
  return (
    <MoveDiagram
      picture={move.picture}
      halfway={move.halfway}
      faces={faces}
      title={`${said}. ${kindWords(move)}`}
      hidden={hidden}
      more={word ? word.says.length - 1 - move.round : 0}
      leftHanded={leftHanded}
      length={props.length}
    />
  )
}
