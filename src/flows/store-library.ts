import { createHash } from 'node:crypto'
import canonicalize from 'canonicalize'
import { defaultGauges, LIBRARY, type DesignSource } from '@/core/design'
import { saveDesignVersion } from '@/data/repositories/designs'
import { measuredDesign, SHOWN_SHEET_MM, shownDesign } from './figures'
import type { FlowContext } from './flow-context'

/** Content hash of a design: SHA-256 over its canonical JSON (RFC 8785). */
export function designHash(design: DesignSource): { readonly hash: string; readonly text: string } {
  const text = canonicalize(design) ?? ''
  return { hash: createHash('sha256').update(text).digest('hex'), text }
}

/**
 * Stores what ships as versions, so that a project can pin the one it uses. Known versions are left alone. Figures and
 * pictures are worked out here once, so that no page waits for a fold.
 */
export async function storeLibrary({ db, nowMs }: FlowContext): Promise<void> {
  await db.transaction().execute(async (trx) => {
    for (const design of LIBRARY) {
      const { hash, text } = designHash(design)
      const { id, name, family } = design
      await saveDesignVersion(trx, { id, name, family, hash, document: text }, nowMs)
      await measuredDesign({ db: trx, nowMs }, hash, design)
      for (const { key } of design.variants)
        await shownDesign({ db: trx, nowMs }, hash, design, {
          variantKey: key,
          sheetMm: SHOWN_SHEET_MM,
          gauges: defaultGauges(design),
        })
    }
  })
}
