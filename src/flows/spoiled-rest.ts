import { gaugeShares, mainPart, programOf, shareable, stagesOf, variantOf } from '@/core/design'
import { largestUncreased, runProgram, type Piece } from '@/core/fold'
import type { SizeUm } from '@/core/sheet'
import { mmFromUm } from '@/core/units'
import type { RunRow } from '@/data/tables'
import { readSource } from './designs'
import type { FlowContext } from './flow-context'
import { gaugesFromText } from './gauges'
import { currentSettings } from './settings'
import { runPlan } from './run-plan'
import { worthKeeping, type CutTools } from '@/core/cut'

/** Which step a fold belongs to, by how many folds were done before it. */
function stepOf(steps: readonly { readonly repeats: number }[], foldsDone: number): number {
  let left = foldsDone
  for (const [index, { repeats }] of steps.entries()) {
    if (left < repeats) return index
    left -= repeats
  }
  return steps.length - 1
}

/** What is left whole of a sheet that was spoiled after so many folds; `null` where it is not worth keeping. */
export type RestAfter = (foldsDone: number) => SizeUm | null

/**
 * For one run: the largest rectangle that no crease runs through, at the step that a piece was spoiled at; all folds of
 * that step are taken as made. Along the sides of its sheet, rounded down to whole tenths of a millimetre.
 * *Cost* folds the piece once.
 */
export async function restsOf(context: FlowContext, run: RunRow): Promise<RestAfter> {
  const source = await readSource(context, run.design_hash)
  const part = source?.parts.find(({ key }) => key === run.part_key) ?? (source && mainPart(source))
  if (!source || !part) return () => null
  const variant = variantOf(source, run.variant_key)
  const program = programOf(part, variant, run.way)
  if (!program) return () => null
  const sideMm = mmFromUm(run.sheet_um)
  const { frames } = runProgram(program, shareable(gaugeShares(source, gaugesFromText(run.gauges), sideMm)))
  const { plan } = await runPlan(context, run)
  const { cutting } = await currentSettings(context)
  // A piece that begins with its base has the folds before it in it already.
  const all = stagesOf(part, variant, run.way === 'direct' ? 'direct' : 'whole').flatMap(({ steps }) => steps)
  const before = all.length - plan.steps.length
  const start = frames[0]?.before
  const known = new Map<number, SizeUm | null>()
  return (foldsDone) => {
    const step = before + stepOf(plan.steps, foldsDone)
    const found = known.get(step)
    if (found !== undefined) return found
    const piece = frames.findLast((frame) => frame.step <= step)?.after ?? start
    const rest = piece ? restOf(piece, run.sheet_um, cutting) : null
    known.set(step, rest)
    return rest
  }
}

const TENTH_UM = 100

function restOf(piece: Piece, sideUm: number, tools: CutTools): SizeUm | null {
  const { width, height } = largestUncreased(piece)
  const um = (share: number) => Math.floor((share * sideUm) / TENTH_UM + 1e-6) * TENTH_UM
  const size = { widthUm: um(width), heightUm: um(height) }
  return worthKeeping(size, tools) ? size : null
}

/** The movement that keeps what is left of one piece: there is one at most. */
export const restId = (runId: string, piece: number): string => `rest-${runId}-${piece}`
