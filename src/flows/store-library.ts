import { createHash } from 'node:crypto'
import canonicalize from 'canonicalize'
import { LIBRARY, type DesignDocument } from '@/core/design'
import { saveDesignVersion } from '@/data/repositories/designs'
import type { FlowContext } from './flow-context'

/** Content hash of a design: SHA-256 over its canonical JSON (RFC 8785). */
export function designHash(design: DesignDocument): { readonly hash: string; readonly text: string } {
  const text = canonicalize(design) ?? ''
  return { hash: createHash('sha256').update(text).digest('hex'), text }
}

/** Stores what ships as versions, so that a project can pin the one it uses. Known versions are left alone. */
export async function storeLibrary({ db, nowMs }: FlowContext): Promise<void> {
  await db.transaction().execute(async (trx) => {
    for (const design of LIBRARY) {
      const { hash, text } = designHash(design)
      const { id, name, family } = design
      await saveDesignVersion(trx, { id, name, family, hash, document: text }, nowMs)
    }
  })
}
