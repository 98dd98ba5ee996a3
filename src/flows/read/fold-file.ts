import { mainPart, gaugeShares, programOf, shareable, variantOf } from '@/core/design'
import { BASES, runProgram, type FoldProgram, type GaugeShares } from '@/core/fold'
import { writeFoldFile } from '@/formats/fold-file'
import type { FoldsAsked } from '../figures'
import type { FlowContext } from '../flow-context'
import { readLibrary, readSource } from '../designs'

/** A file to be saved, and its name. */
export interface SavedFile {
  readonly name: string
  readonly text: string
}

interface Wanted {
  readonly name: string
  readonly program: FoldProgram
  readonly shares: GaugeShares
  readonly sideMm: number
}

/** The piece before that move, from 0; behind the last move the finished piece. *Throws* what folding throws. */
function fileOf({ name, program, shares, sideMm }: Wanted, move: number): SavedFile {
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

/** A state of a design as a FOLD file; `null` where there is no such design, or it has no moves. */
export async function designFoldFile(
  context: FlowContext,
  designId: string,
  { variantKey, sheetMm, gauges, way }: FoldsAsked,
  move: number,
): Promise<SavedFile | null> {
  const found = (await readLibrary(context)).find((one) => one.document.id === designId)
  const source = found && (await readSource(context, found.hash))
  const program = source && programOf(mainPart(source), variantOf(source, variantKey), way)
  if (!program) return null
  const shares = shareable(gaugeShares(source, gauges, sheetMm))
  return fileOf({ name: source.name, program, shares, sideMm: sheetMm }, move)
}

/** A state of a base as a FOLD file; `null` where there is none of that name. */
export function baseFoldFile(baseId: string, sideMm: number, move: number): SavedFile | null {
  const base = BASES.find((one) => one.id === baseId)
  return base ? fileOf({ name: base.name, program: base.program, shares: {}, sideMm }, move) : null
}
