import type { DesignDocument, DesignSource } from '@/core/design'
import { designsByHash, newestDesigns, type StoredDesign } from '@/data/repositories/designs'
import { readDesignSource } from '@/schema/design-document'
import type { ShownProgram } from '@/core/fold'
import { measuredDesign, shownDesign, type Shown } from '../figures'
import type { FlowContext } from '../flow-context'

export interface PinnedDesign {
  readonly hash: string
  readonly document: DesignDocument
}

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

/** Pictures and figures of every move of a version; `null` where there is no such version, or it is told in words only. */
export async function readFolds(
  context: FlowContext,
  hash: string,
  shown: Shown,
): Promise<ShownProgram | null> {
  const [stored] = await designsByHash(context.db, [hash])
  return stored ? shownDesign(context, hash, (await pinned(context, stored)).source, shown) : null
}
