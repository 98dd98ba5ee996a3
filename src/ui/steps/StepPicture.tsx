import { useSyncExternalStore } from 'react'
import type { DrawnProgram } from '@/core/fold'
import type { KeptForms } from '@/flows/kept-forms'
import type { FoldWords } from '@/flows/read/folds'
import { MoveDiagram } from '../diagram/Halfway'
import { InBetween, InStills } from '../diagram/InBetween'
import type { PaperFaces } from '../diagram/Paper'
import { Stages } from '../diagram/Stages'
import type { Scale } from '../diagram/view'
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
  readonly scale: Scale | undefined
  readonly playing: boolean
  /** Where the folds are fetched from which the stages of a move in space are worked out. */
  readonly programAddress: string
  readonly onEnd: () => void
}

/** Whether the reader asked for less motion. */
const useReducedMotion = (): boolean =>
  useSyncExternalStore(
    (changed) => {
      const query = window.matchMedia(REDUCED)
      query.addEventListener('change', changed)
      return () => query.removeEventListener('change', changed)
    },
    () => window.matchMedia(REDUCED).matches,
    () => false,
  )
const REDUCED = '(prefers-reduced-motion: reduce)'

/** The picture of one move, or the move as it goes. */
export function StepPicture(props: StepPictureProps) {
  const { move, word, said, faces, hidden, leftHanded, playing, onEnd } = props
  const still = useReducedMotion()
  if (playing && move.motion) {
    const moving = { picture: move.picture, motion: move.motion, faces, leftHanded }
    return still ? <InStills {...moving} /> : <InBetween {...moving} onEnd={onEnd} />
  }
  if (playing && move.halfway)
    return (
      <Stages
        address={props.programAddress}
        faces={faces}
        leftHanded={leftHanded}
        still={still}
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
      span={props.scale?.span}
      scaleChanges={props.scale?.changes ?? null}
    />
  )
}
