import {
  defaultGauges,
  mainPart,
  outlineMm,
  shownSheetMm,
  withoutWords,
  type DesignDocument,
  type DesignPart,
  type Family,
  type FoldToMake,
} from '@/core/design'
import type { RejectRate } from '@/core/batch'
import { lastUsedDesign } from '@/data/repositories/designs'
import { readOffered, readVersions, versionKey, type PinnedDesign } from '../designs'
import type { FlowContext } from '../flow-context'
import { readForms } from '../forms'
import type { KeptView } from '../kept-forms'
import { readLessons } from '../lessons'
import { readEnd } from './folds'
import type { LineView } from './line-view'

/** A design to choose from: its name, and its outline as points of a picture of 100 by 100. */
export interface DesignChoice {
  readonly id: string
  readonly name: string
  readonly family: Family
  readonly easy: boolean
  readonly outline: string
  /** As it was painted in the view it is best known by; `null` where it was not. */
  readonly painted: KeptView | null
  readonly sideUp: DesignPart['sideUp']
}

/** How a variant looks finished, as it was painted: best known, as it hangs, and from above. */
export interface BriefLook {
  readonly best: KeptView | null
  readonly faceOn: KeptView | null
  readonly above: KeptView | null
}

/** What a line of a brief is worked out from: the design without its words, and the folds that decide how small. */
export interface BriefDesign {
  readonly document: DesignDocument
  readonly hardest: Readonly<Record<string, readonly FoldToMake[]>>
  /** Layers at the thickest place of its folds, by variant. */
  readonly layers: Readonly<Record<string, number>>
  /** How each variant looks. */
  readonly looks: Readonly<Record<string, BriefLook>>
  /** As the log has taught: the share of rejects of its family, and its pace. */
  readonly rate: RejectRate
  readonly secondsPerUnit: number
}

// An outline never changes for a document; a hundred of them are asked for with every brief.
const outlines = new WeakMap<DesignDocument, string>()

function outlineOf(design: DesignDocument): string {
  const known = outlines.get(design)
  if (known !== undefined) return known
  const [variant] = design.variants
  const points = variant ? outlineMm(design, variant, shownSheetMm(design), defaultGauges(design)) : []
  const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => -y)]
  const low = (values: readonly number[]) => values.reduce((least, value) => Math.min(least, value), Infinity)
  const high = (values: readonly number[]) => values.reduce((most, value) => Math.max(most, value), -Infinity)
  const [left, top] = [low(xs), low(ys)]
  const [width, height] = [high(xs) - left, high(ys) - top]
  const scale = 96 / Math.max(width, height)
  const at = (value: number, from: number, size: number) =>
    Math.round(((value - from) * scale + 50 - (size * scale) / 2) * 10) / 10
  const text = points.map(({ x, y }) => `${at(x, left, width)},${at(-y, top, height)}`).join(' ')
  outlines.set(design, text)
  return text
}

/** Designs that a new line may be of, and the one to begin with: the last that was used, or an easy one. */
export async function readDesignChoices(
  context: FlowContext,
): Promise<{ readonly choices: readonly DesignChoice[]; readonly first: string | null }> {
  const offered = await readOffered(context)
  const last = await lastUsedDesign(context.db)
  const choices = offered.map(({ hash, document }) => ({
    id: document.id,
    name: document.name,
    family: document.family,
    easy: document.guide?.skill === 'easy',
    outline: outlineOf(document),
    painted: lookOf(context, hash, document.variants[0]?.key ?? '').best,
    sideUp: mainPart(document).sideUp,
  }))
  const first =
    choices.find(({ id }) => id === last) ?? choices.find(({ easy }) => easy) ?? choices.at(0) ?? null
  return { choices, first: first?.id ?? null }
}

function lookOf(context: FlowContext, hash: string, variantKey: string): BriefLook {
  const forms = readForms(context, hash, variantKey)
  return {
    best: forms?.views[forms.best] ?? null,
    faceOn: forms?.views[forms.faceOn] ?? null,
    above: forms?.views.above ?? null,
  }
}

async function briefDesign(
  context: FlowContext,
  { hash, document }: PinnedDesign,
  learnt: Pick<BriefDesign, 'rate' | 'secondsPerUnit'>,
): Promise<BriefDesign> {
  const hardest: Record<string, readonly FoldToMake[]> = {}
  const layers: Record<string, number> = {}
  const looks: Record<string, BriefLook> = {}
  for (const { key } of document.variants) {
    const shown = { variantKey: key, sheetMm: shownSheetMm(document), gauges: defaultGauges(document) }
    const end = await readEnd(context, hash, shown)
    hardest[key] = end?.hardest ?? []
    if (end) layers[key] = end.mostLayers
    looks[key] = lookOf(context, hash, key)
  }
  return {
    document: withoutWords(document),
    hardest,
    layers,
    looks,
    rate: learnt.rate,
    secondsPerUnit: learnt.secondsPerUnit,
  }
}

/** The newest version of a design, for a new line; `null` where none of that id is offered. */
export async function readBriefDesign(context: FlowContext, id: string): Promise<BriefDesign | null> {
  const found = (await readOffered(context)).find(({ document }) => document.id === id)
  if (!found) return null
  const lessons = await readLessons(context)
  return briefDesign(context, found, {
    rate: lessons.rejectRate(found.document.family),
    secondsPerUnit: lessons.pace(found.document).secondsPerPiece,
  })
}

/** The versions that a project's lines were planned with, and what was learnt for those lines already. */
export async function readPinnedDesigns(
  context: FlowContext,
  lines: readonly Pick<LineView, 'designHash' | 'engine' | 'rate' | 'secondsPerUnit'>[],
): Promise<readonly BriefDesign[]> {
  const versions = lines.map(({ designHash, engine }) => ({ hash: designHash, engine }))
  const documents = await readVersions(context, versions)
  const known = new Map(
    lines.map((line) => [versionKey({ hash: line.designHash, engine: line.engine }), line]),
  )
  const designs: BriefDesign[] = []
  for (const [key, line] of known) {
    const document = documents.get(key)
    if (document)
      designs.push(await briefDesign(context, { hash: line.designHash, engine: line.engine, document }, line))
  }
  return designs
}
