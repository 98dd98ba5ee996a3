import { locksHold, type DesignDocument, type DesignSource } from '@/core/design'
import { FOLD_ENGINE_VERSION } from '@/core/fold'
import { designsByHash, newestHashes } from '@/data/repositories/designs'
import { readDesignSource } from '@/schema/design-document'
import { measuredDesign } from './figures'
import type { KnownDesign } from './caches'
import type { FlowContext } from './flow-context'

/** A version of a design, and the engine whose figures go with it. */
export interface Version {
  readonly hash: string
  readonly engine: number
}

export const versionKey = ({ hash, engine }: Version): string => `${hash} ${engine}`

export interface PinnedDesign extends Version {
  readonly document: DesignDocument
}

/** Versions in the order asked; only those not read before come from the database, in one question. */
async function pinned(context: FlowContext, versions: readonly Version[]): Promise<readonly KnownDesign[]> {
  // A version never changes under its hash, so what was read once stays right.
  const known = context.caches.designs
  const found = new Map(versions.map((version) => [versionKey(version), known.get(versionKey(version))]))
  const unread = [
    ...new Map(
      versions.filter((one) => !found.get(versionKey(one))).map((one) => [versionKey(one), one]),
    ).values(),
  ]
  const texts = new Map(
    (
      await designsByHash(
        context.db,
        unread.map(({ hash }) => hash),
      )
    ).map(({ hash, document }) => [hash, document]),
  )
  for (const { hash, engine } of unread) {
    const text = texts.get(hash)
    if (text === undefined) continue
    const source = readDesignSource(text)
    const read = { hash, engine, source, document: await measuredDesign(context, hash, source, engine) }
    known.set(versionKey(read), read)
    found.set(versionKey(read), read)
  }
  return versions.flatMap((version) => found.get(versionKey(version)) ?? [])
}

/** The newest version of every design as the engine of today measures it, in name order. */
export async function readLibrary(context: FlowContext): Promise<readonly PinnedDesign[]> {
  const newest = await newestHashes(context.db)
  const designs = await pinned(
    context,
    newest.map(({ hash }) => ({ hash, engine: FOLD_ENGINE_VERSION })),
  )
  return designs.toSorted((a, b) => a.document.name.localeCompare(b.document.name, 'en'))
}

/** What new briefs may choose from: the newest versions whose locks hold. */
export const readOffered = async (context: FlowContext): Promise<readonly PinnedDesign[]> =>
  (await readLibrary(context)).filter(({ document }) => locksHold(document))

/** Designs by version, under `versionKey`. */
export async function readVersions(
  context: FlowContext,
  versions: readonly Version[],
): Promise<ReadonlyMap<string, DesignDocument>> {
  const found = await pinned(context, versions)
  return new Map(found.map((design) => [versionKey(design), design.document]))
}

/** Designs by hash, as the engine of today measures them. */
export async function readDesigns(
  context: FlowContext,
  hashes: readonly string[],
): Promise<ReadonlyMap<string, DesignDocument>> {
  const versions = hashes.map((hash) => ({ hash, engine: FOLD_ENGINE_VERSION }))
  const found = await pinned(context, versions)
  return new Map(found.map(({ hash, document }) => [hash, document]))
}

/** A version as authored, with its moves; `null` where there is none of that hash. */
export async function readSource(context: FlowContext, hash: string): Promise<DesignSource | null> {
  const [found] = await pinned(context, [{ hash, engine: FOLD_ENGINE_VERSION }])
  return found?.source ?? null
}
