import { gaugeShares, mainPart, programOf, shareable, variantOf } from '@/core/design'
import { BASES, type FoldProgram, type GaugeShares } from '@/core/fold'
import { readLibrary, readSource } from '../designs'
import type { FoldsAsked } from '../figures'
import type { FlowContext } from '../flow-context'

/** Folds that something is made of: a design as it was asked for, or a base. */
export interface ProgramAsked {
  readonly name: string
  readonly program: FoldProgram
  readonly shares: GaugeShares
  readonly sideMm: number
}

/** `null` where there is no such design, or it has no moves. */
export async function designAsked(
  context: FlowContext,
  designId: string,
  { variantKey, sheetMm, gauges, way }: FoldsAsked,
): Promise<ProgramAsked | null> {
  const found = (await readLibrary(context)).find((one) => one.document.id === designId)
  const source = found && (await readSource(context, found.hash))
  const program = source && programOf(mainPart(source), variantOf(source, variantKey), way)
  if (!program) return null
  const shares = shareable(gaugeShares(source, gauges, sheetMm))
  return { name: source.name, program, shares, sideMm: sheetMm }
}

/** `null` where there is no base of that name. */
export function baseAsked(baseId: string, sideMm: number): ProgramAsked | null {
  const base = BASES.find((one) => one.id === baseId)
  return base ? { name: base.name, program: base.program, shares: {}, sideMm } : null
}
