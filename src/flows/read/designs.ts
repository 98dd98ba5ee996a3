import type { DesignDocument } from '@/core/design'
import { designsByHash, newestDesigns, type StoredDesign } from '@/data/repositories/designs'
import { readDesignDocument } from '@/schema/design-document'
import type { FlowContext } from '../flow-context'

export interface PinnedDesign {
  readonly hash: string
  readonly document: DesignDocument
}

// A version never changes under its hash, so what was parsed once stays right. Bounded by the versions stored.
const parsed = new Map<string, DesignDocument>()

function pinned({ hash, document }: StoredDesign): PinnedDesign {
  const known = parsed.get(hash) ?? readDesignDocument(document)
  parsed.set(hash, known)
  return { hash, document: known }
}

/** The newest version of every design, in name order. */
export async function readLibrary({ db }: FlowContext): Promise<readonly PinnedDesign[]> {
  const stored = await newestDesigns(db)
  return stored.map(pinned).sort((a, b) => a.document.name.localeCompare(b.document.name, 'en'))
}

/** Designs by version. */
export async function readDesigns(
  { db }: FlowContext,
  hashes: readonly string[],
): Promise<ReadonlyMap<string, DesignDocument>> {
  const stored = await designsByHash(db, [...new Set(hashes)])
  return new Map(stored.map(pinned).map(({ hash, document }) => [hash, document]))
}
