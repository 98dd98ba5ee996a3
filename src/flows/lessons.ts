import { NO_HISTORY, sparesFor, updateRejectRate } from '@/core/batch'
import type { Family } from '@/core/design'
import type { Lessons, SparesFor } from '@/core/plan'
import { paceFrom, trustedTime } from '@/core/time'
import { rejectsByFamily, timeByDesign } from '@/data/repositories/history'
import type { Caches } from './caches'
import type { FlowContext } from './flow-context'

/** What the log has taught, reject rates by family and pace by design, with the counts behind it. */
export interface Learnt extends Lessons {
  readonly counts: (family: Family) => { readonly usable: number; readonly spoiled: number }
}

/** Spares as `sparesFor` works them out, once for the same question. */
const sparesKnown =
  ({ spares }: Pick<Caches, 'spares'>): SparesFor =>
  (goods, rate, certainty) => {
    const key = `${goods.join(' ')} ${rate.alpha} ${rate.beta} ${certainty}`
    const known = spares.get(key) ?? sparesFor(goods, rate, certainty)
    spares.set(key, known)
    return known
  }

export async function readLessons({ db, caches }: FlowContext): Promise<Learnt> {
  const families = await rejectsByFamily(db)
  const times = await timeByDesign(db)
  const counts = (family: Family) => {
    const row = families.find((candidate) => candidate.family === family)
    return { usable: row?.usable ?? 0, spoiled: row?.spoiled ?? 0 }
  }
  return {
    counts,
    spares: sparesKnown(caches),
    rejectRate: (family) => {
      const { usable, spoiled } = counts(family)
      return updateRejectRate(NO_HISTORY, spoiled, usable)
    },
    pace: (design) => {
      const time = times.find((candidate) => candidate.designId === design.id)
      if (!time) return paceFrom(design.usualMinutes, 0, 0)
      const { pieces, seconds } = trustedTime({
        pieces: time.pieces,
        seconds: time.activeMs / 1000,
        runs: time.runs,
        fastest: time.fastestMs / 1000,
        slowest: time.slowestMs / 1000,
      })
      return { ...paceFrom(design.usualMinutes, pieces, seconds), loggedPieces: time.pieces }
    },
  }
}
