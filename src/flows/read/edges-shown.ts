import { gaugeShares, programOf, shareable, variantOf } from '@/core/design'
import { rawEdgeSeen, runProgram } from '@/core/fold'
import { readSource } from '../designs'
import type { FlowContext } from '../flow-context'
import type { LineView } from './line-view'

/** Less of the edge than this share of the side in sight is a corner's tip, not an edge. */
const LEAST_SEEN = 0.02

/** Designs of some lines on whose folded piece the sheet's own edge is in sight: a tear would show. */
export async function edgesShown(
  context: FlowContext,
  lines: readonly Pick<LineView, 'design' | 'designHash' | 'variantKey' | 'sheetMm' | 'gauges'>[],
): Promise<readonly string[]> {
  const names = new Set<string>()
  for (const { design, designHash, variantKey, sheetMm, gauges } of lines) {
    const source = await readSource(context, designHash)
    if (!source) continue
    const shares = shareable(gaugeShares(source, gauges, sheetMm))
    for (const part of source.parts) {
      const program = programOf(part, variantOf(source, variantKey))
      if (program && rawEdgeSeen(runProgram(program, shares).end.state) > LEAST_SEEN) names.add(design.name)
    }
  }
  return [...names]
}
