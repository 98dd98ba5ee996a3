import { defaultGauges, LIBRARY, locksHold } from '@/core/design'
import { BASES, FOLD_ENGINE_VERSION } from '@/core/fold'
import { saveDesignVersion } from '@/data/repositories/designs'
import { dropOldFigures } from '@/data/repositories/figures'
import { inTransaction } from '@/data/writing'
import { contentHash } from './content-hash'
import { measuredDesign, shownBase, shownDesign, shownSheetMm } from './figures'
import type { FlowContext } from './flow-context'

/**
 * Stores what ships as versions, so that a project can pin the one it uses. Known versions are left alone. Figures and
 * pictures are worked out here once, so that no page waits for a fold. A version with a lock that does not hold is not
 * stored.
 */
export async function storeLibrary(context: FlowContext): Promise<void> {
  const { db, nowMs } = context
  await inTransaction(db, async (trx) => {
    const within = { ...context, db: trx }
    for (const design of LIBRARY) {
      const { hash, text } = contentHash(design)
      const { id, name, family } = design
      const measured = await measuredDesign(within, hash, design)
      if (!locksHold(measured)) {
        console.warn(`${name} is not published: a lock of it does not hold.`)
        continue
      }
      await saveDesignVersion(trx, { id, name, family, hash, document: text }, nowMs)
      for (const { key } of design.variants)
        await shownDesign(within, hash, design, {
          variantKey: key,
          sheetMm: shownSheetMm(design),
          gauges: defaultGauges(design),
        })
    }
    for (const base of BASES) await shownBase(within, base)
    await dropOldFigures(trx, FOLD_ENGINE_VERSION)
  })
}
