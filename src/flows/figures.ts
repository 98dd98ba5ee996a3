import {
  gaugeShares,
  mainPart,
  measureDesign,
  programOf,
  shareable,
  drawDesign,
  variantOf,
  type DesignDocument,
  type DesignSource,
  type GaugeSettings,
  type DrawnDesign,
  type Way,
} from '@/core/design'
import {
  BASES,
  FOLD_ENGINE_VERSION,
  drawProgram,
  type Base,
  type FoldProgram,
  type GaugeShares,
  type DrawnProgram,
} from '@/core/fold'
import { figuresByHash, keepFigures } from '@/data/repositories/figures'
import { DatabaseTroubleError } from '@/data/trouble'
import { inTransaction } from '@/data/writing'
import { contentHash } from './content-hash'
import type { FlowContext } from './flow-context'

/** Settings of one program whose pictures are kept at most. */
const MOST_KEPT = 40
const MEASURED = 'measured'

async function kept<T extends object>(
  context: FlowContext,
  { programHash, engine }: { readonly programHash: string; readonly engine: number },
  key: string,
  work: () => T,
): Promise<T> {
  const { db, nowMs } = context
  // Pages ask for the same pictures again and again.
  const recent = context.caches.figures
  const name = `${programHash} ${engine} ${key}`
  const near = recent.get(name)
  if (near !== undefined) return near as T
  const shipped = context.caches.shipped.get(name)
  const [known] = shipped === undefined ? await figuresByHash(db, [programHash], engine, key) : []
  const body = shipped ?? known?.body
  if (body !== undefined) {
    const read = JSON.parse(body) as T
    recent.set(name, read)
    return read
  }
  const made = work()
  recent.set(name, made)
  // Only what this engine makes is kept as its own: figures of an older one are either there or lost.
  if (engine !== FOLD_ENGINE_VERSION) return made
  try {
    const place = { programHash, engine, key }
    await inTransaction(db, (trx) => keepFigures(trx, place, JSON.stringify(made), nowMs, MOST_KEPT), 0)
  } catch (error) {
    // It was worked out; where it cannot be kept now it is worked out again another time.
    if (!(error instanceof DatabaseTroubleError) || db.isTransaction) throw error
  }
  return made
}

/**
 * Sizes and outlines of a design, measured on its folds once and kept under its hash and the engine's version. What an
 * older engine measured stays with those who planned by it.
 */
export const measuredDesign = (
  context: FlowContext,
  hash: string,
  source: DesignSource,
  engine: number = FOLD_ENGINE_VERSION,
): Promise<DesignDocument> =>
  kept(context, { programHash: hash, engine }, MEASURED, () => measureDesign(source))

/** Whether what an engine measured of a version is still there; else it is measured anew by today's. */
export async function figuresThere(
  { db, caches }: FlowContext,
  { hash, engine }: { readonly hash: string; readonly engine: number },
): Promise<boolean> {
  if (engine === FOLD_ENGINE_VERSION || caches.shipped.has(`${hash} ${engine} ${MEASURED}`)) return true
  return (await figuresByHash(db, [hash], engine, MEASURED)).length > 0
}

const current = (programHash: string) => ({ programHash, engine: FOLD_ENGINE_VERSION })

/** Which variant is folded, from what sheet, with which gauges. */
export interface FoldsAsked {
  readonly variantKey: string
  readonly sheetMm: number
  readonly gauges: GaugeSettings
  readonly way?: Way
}

/** A program with its pictures and figures. */
export interface DrawnFolds<Pictures extends DrawnProgram = DrawnProgram> {
  readonly program: FoldProgram
  readonly shares: GaugeShares
  readonly shown: Pictures
}

/** Every picture and figure of a design, from the kept ones where they are known; `null` where it has no moves. */
export async function drawnDesign(
  context: FlowContext,
  hash: string,
  source: DesignSource,
  { variantKey, sheetMm, gauges, way = 'whole' }: FoldsAsked,
): Promise<DrawnFolds<DrawnDesign> | null> {
  const variant = variantOf(source, variantKey)
  const program = programOf(mainPart(source), variant, way)
  if (!program) return null
  const shares = shareable(gaugeShares(source, gauges, sheetMm))
  const key = `folds ${variantKey}${way === 'direct' ? ' direct' : ''} ${JSON.stringify(shares)}`
  const shown = await kept(context, current(hash), key, () => drawDesign(program, variant.assembly, shares))
  return { program, shares, shown }
}

const hashOfBase = new Map(BASES.map((base) => [base.id, contentHash(base.program).hash]))

/** Every picture and figure of a base, likewise. */
export const drawnBase = async (context: FlowContext, { id, program }: Base): Promise<DrawnFolds> => ({
  program,
  shares: {},
  shown: await kept(context, current(hashOfBase.get(id) ?? id), 'folds', () => drawProgram(program)),
})
