import { locksHold, type DesignDocument, type DesignSource } from '@/core/design'
import { designsByHash, newestHashes } from '@/data/repositories/designs'
import { readDesignSource } from '@/schema/design-document'
import { measuredDesign } from '../figures'
import type { FlowContext } from '../flow-context'

export interface PinnedDesign {
  readonly hash: string
  readonly document: DesignDocument
}

/** A version with its moves. */
interface KnownDesign extends PinnedDesign {
  readonly source: DesignSource
}

// A version never changes under its hash, so what was read once stays right. Bounded by the versions stored.
const known = new Map<string, KnownDesign>()

/** Versions by hash, in the order asked; only those not read before come from the database. */
async function pinned(context: FlowContext, hashes: readonly string[]): Promise<readonly KnownDesign[]> {
  const unread = [...new Set(hashes.filter((hash) => !known.has(hash)))]
  for (const { hash, document: text } of await designsByHash(context.db, unread)) {
    const source = readDesignSource(text)
    known.set(hash, { hash, source, document: await measuredDesign(context, hash, source) })
  }
  return hashes.flatMap((hash) => known.get(hash) ?? [])
}

/** The newest version of every design, in name order. */
export async function readLibrary(context: FlowContext): Promise<readonly PinnedDesign[]> {
  const newest = await newestHashes(context.db)
  const designs = await pinned(
    context,
    newest.map(({ hash }) => hash),
  )
  return designs.toSorted((a, b) => a.document.name.localeCompare(b.document.name, 'en'))
}

/** What new briefs may choose from: the newest versions whose locks hold. */
export const readOffered = async (context: FlowContext): Promise<readonly PinnedDesign[]> =>
  (await readLibrary(context)).filter(({ document }) => locksHold(document))

/** Designs by version. */
export async function readDesigns(
  context: FlowContext,
  hashes: readonly string[],
): Promise<ReadonlyMap<string, DesignDocument>> {
  const found = await pinned(context, [...new Set(hashes)])
  return new Map(found.map(({ hash, document }) => [hash, document]))
}

/** A version as authored, with its moves; `null` where there is none of that hash. */
export async function readSource(context: FlowContext, hash: string): Promise<DesignSource | null> {
  const [found] = await pinned(context, [hash])
  return found?.source ?? null
}
