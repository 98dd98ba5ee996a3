import type { DesignDocument, DesignSource } from '@/core/design'
import { designsByHash, newestDesigns, type StoredDesign } from '@/data/repositories/designs'
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

async function pinned(context: FlowContext, { hash, document: text }: StoredDesign): Promise<KnownDesign> {
  const before = known.get(hash)
  if (before) return before
  const source = readDesignSource(text)
  const design = { hash, source, document: await measuredDesign(context, hash, source) }
  known.set(hash, design)
  return design
}

/** The newest version of every design, in name order. */
export async function readLibrary(context: FlowContext): Promise<readonly PinnedDesign[]> {
  const stored = await newestDesigns(context.db)
  const designs: PinnedDesign[] = []
  for (const one of stored) designs.push(await pinned(context, one))
  return designs.sort((a, b) => a.document.name.localeCompare(b.document.name, 'en'))
}

/** Designs by version. */
export async function readDesigns(
  context: FlowContext,
  hashes: readonly string[],
): Promise<ReadonlyMap<string, DesignDocument>> {
  const found = new Map<string, DesignDocument>()
  for (const one of await designsByHash(context.db, [...new Set(hashes)]))
    found.set(one.hash, (await pinned(context, one)).document)
  return found
}

/** A version as authored, with its moves; `null` where there is none of that hash. */
export async function readSource(context: FlowContext, hash: string): Promise<DesignSource | null> {
  const [stored] = await designsByHash(context.db, [hash])
  return stored ? (await pinned(context, stored)).source : null
}
