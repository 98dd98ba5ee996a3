import { runProgram } from '@/core/fold'
import { writeFoldFile } from '@/formats/fold-file'
import type { ProgramAsked } from './program-asked'

/** A file to be saved, and its name. */
export interface SavedFile {
  readonly name: string
  readonly text: string
}

/**
 * The piece before that move, from 0, as a FOLD file; behind the last move the finished piece.
 * *Throws* what folding throws.
 */
export function foldFileOf({ name, program, shares, sideMm }: ProgramAsked, move: number): SavedFile {
  const { frames, end } = runProgram(program, shares)
  const piece = frames[move]?.before ?? end
  const title = frames[move] ? `${name}, before move ${move + 1} of ${frames.length}` : `${name}, finished`
  const file = writeFoldFile(piece, {
    title,
    description: 'Crease pattern on the flat sheet, front up, and its folded form.',
    sideMm,
  })
  const plain = name.toLowerCase().replace(/[^a-z0-9]+/g, '-')
  return {
    name: frames[move] ? `${plain}-move-${move + 1}.fold` : `${plain}.fold`,
    text: JSON.stringify(file),
  }
}
