import { NO_HISTORY, updateRejectRate } from '@/core/batch'
import type { Family } from '@/core/design'
import type { Lessons } from '@/core/plan'
import { paceFrom } from '@/core/time'
import { rejectsByFamily, timeByDesign } from '@/data/repositories/history'
import type { FlowContext } from './flow-context'

/** What the log has taught, reject rates by family and pace by design, with the counts behind it. */
export interface Learnt extends Lessons {
  readonly counts: (family: Family) => { readonly usable: number; readonly spoiled: number }
}

export async function readLessons({ db }: FlowContext): Promise<Learnt> {
  const families = await rejectsByFamily(db)
  const times = await timeByDesign(db)
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
    pace: (design) => {
      const time = times.find((candidate) => candidate.designId === design.id)
      return paceFrom(design.usualMinutes, time?.pieces ?? 0, (time?.activeMs ?? 0) / 1000)
    },
  }
}
