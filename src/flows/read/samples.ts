import { finishedSizes, variantOf } from '@/core/design'
import { mmFromUm } from '@/core/units'
import { measuredProofs } from '@/data/repositories/history'
import type { FlowContext } from '../flow-context'
import { readVersions, versionKey } from '../designs'
import { gaugesFromText } from '../gauges'

/** Samples of finished sizes, by axis, each as measured size by the flat folds' size at that sheet and those gauges. */
export type Samples = Readonly<Record<string, readonly number[]>>

/** What every accepted and measured proof piece of a design came out at, by variant. */
export async function readSamples(
  context: FlowContext,
  designId: string,
): Promise<Readonly<Record<string, Samples>>> {
  const proofs = await measuredProofs(context.db, designId)
  const versions = await readVersions(context, proofs)
  const samples: Record<string, Record<string, number[]>> = {}
  for (const { hash, engine, variantKey, axis, measuredUm, sheetUm, gauges } of proofs) {
    const design = versions.get(versionKey({ hash, engine }))
    const flat =
      design &&
      finishedSizes(design, variantOf(design, variantKey), mmFromUm(sheetUm), gaugesFromText(gauges)).find(
        (size) => size.axis === axis,
      )
    if (flat) ((samples[variantKey] ??= {})[axis] ??= []).push(mmFromUm(measuredUm) / flat.sizeMm)
  }
  return samples
}
