import type { DesignChoice } from '@/flows/read/brief-designs'
import { Outline } from '../design/Outline'
import { ANY_PAPER, facesOf, type PaperColours } from '../diagram/faces'
import { PaintedPiece } from './PaintedPiece'

interface ChoicePictureProps {
  readonly choice: Pick<DesignChoice, 'outline' | 'painted' | 'sideUp'> | undefined
  readonly paper?: PaperColours
  readonly className?: string
}

/** A design to choose by its picture: as it is in the hand, where it was painted; else its outline. */
export function ChoicePicture({ choice, paper, className = 'h-16 w-16' }: ChoicePictureProps) {
  if (!choice?.painted)
    return (
      <Outline
        outline={choice?.outline ?? ''}
        className={className}
        {...(paper ? { colour: paper.frontColour } : {})}
      />
    )
  return (
    <PaintedPiece
      view={choice.painted}
      faces={facesOf(paper ?? ANY_PAPER, choice.sideUp)}
      title=""
      className={className}
    />
  )
}
