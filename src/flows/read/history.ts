import { NO_HISTORY, updateRejectRate, type RejectRate } from '@/core/batch'
import type { DesignDocument, Family } from '@/core/design'
import { paceFrom, type Pace } from '@/core/time'
import { measuredProofs, rejectsByFamily, timeByDesign } from '@/data/repositories/history'
import type { FlowContext } from '../flow-context'

/** Samples of finished sizes, by axis, each as measured size by side of the sheet. */
export type Samples = Readonly<Record<string, readonly number[]>>

/** What the log has taught: reject rates by family, pace by design. */
export interface History {
  readonly rejectRate: (family: Family) => RejectRate
  readonly counts: (family: Family) => { readonly usable: number; readonly spoiled: number }
  /** Measured size by side of the sheet, of every accepted proof piece of a variant, by axis. */
  readonly samples: (designId: string, variantKey: string) => Samples
  readonly pace: (design: Pick<DesignDocument, 'id' | 'usualMinutes'>) => Pace
}

export async function readHistory({ db }: FlowContext): Promise<History> {
  const families = await rejectsByFamily(db)
  const times = await timeByDesign(db)
  const proofs = await measuredProofs(db)
  const counts = (family: Family) => {
    const row = families.find((candidate) => candidate.family === family)
    return { usable: row?.usable ?? 0, spoiled: row?.spoiled ?? 0 }
  }
  return {
    counts,
    rejectRate: (family) => {
      const { usable, spoiled } = counts(family)
      return updateRejectRate(NO_HISTORY, spoiled, usable)
    },
    samples: (designId, variantKey) => {
      const samples: Record<string, number[]> = {}
      for (const { axis, measuredUm, sheetUm, ...proof } of proofs)
        if (proof.designId === designId && proof.variantKey === variantKey)
          (samples[axis] ??= []).push(measuredUm / sheetUm)
      return samples
    },
    pace: (design) => {
      const time = times.find((candidate) => candidate.designId === design.id)
      return paceFrom(design.usualMinutes, time?.pieces ?? 0, (time?.activeMs ?? 0) / 1000)
    },
  }
}
