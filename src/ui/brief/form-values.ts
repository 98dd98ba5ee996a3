import type { MadeKind, MadeValues } from '@/core/arrange'
import { defaultGauges, type DesignDocument } from '@/core/design'
import { roundToRuler } from '@/core/units'
import type { DrawerPaper } from '@/flows/read/papers'
import type { ProjectView } from '@/flows/read/project'
import { BLANK_LINE, type BriefTyped } from '@/schema/brief-typed'
import { nextYearly } from '@/schema/days'
import { madeInputs } from '@/schema/making'
import { CERTAINTIES } from '@/schema/settings'
import { countOf, lengthInput, type Preferences } from '../format'

/** A brief while it is being written: all text, as typed. */
export type BriefValues = BriefTyped
export type LineValues = BriefValues['lines'][number]

/** Gauges of a design as a form starts with them. */
export const gaugeInputs = (design: DesignDocument, preferences: Preferences): Record<string, string> =>
  Object.fromEntries(
    Object.entries(defaultGauges(design)).map(([key, mm]) => [key, lengthInput(mm, preferences)]),
  )

/** Numbers of a kind as its form shows them; those that are not there stay open. */
const measuresOf = (
  kind: MadeKind,
  values: MadeValues,
  told: (mm: number) => string,
): Record<string, string> =>
  Object.fromEntries(
    madeInputs(kind).map(({ key, is }) => {
      const value = values[key]
      return [key, value === undefined ? '' : is === 'length' ? told(value) : String(value)]
    }),
  )

/** A length that nobody asked for, as somebody with that ruler would say it. */
const onRuler =
  (preferences: Preferences) =>
  (mm: number): string =>
    lengthInput(roundToRuler(mm, preferences.ruler, 'nearest'), preferences)

/** The numbers of a kind as a form starts with them: what is usual, the rest open. */
export const usualMeasures = (kind: MadeKind, preferences: Preferences): Record<string, string> =>
  measuresOf(
    kind,
    Object.fromEntries(
      madeInputs(kind).flatMap(({ key, usual }) => (usual === undefined ? [] : [[key, usual] as const])),
    ),
    onRuler(preferences),
  )

/** A fresh line of a design, in the papers chosen for it, or the first paper of the drawer. */
export function newLine(
  id: string,
  design: DesignDocument,
  papers: readonly DrawerPaper[],
  preferences: Preferences,
  chosen: readonly DrawerPaper[] = [],
): LineValues {
  const [variant] = design.variants
  return {
    ...BLANK_LINE,
    id,
    designId: design.id,
    variantKey: variant?.key ?? '',
    sizing: 'finished',
    axis: variant?.sizes[0]?.axis ?? '',
    size: '',
    gauges: gaugeInputs(design, preferences),
    // A drawer of one paper leaves nothing to choose.
    papers: (chosen.length > 0 ? chosen : papers.slice(0, 1)).map((paper) => ({
      paperId: paper.id,
      pieces: '',
    })),
  }
}

/** Another flower with those of a line, one in each of its bouquets. */
export const withIt = ({ id, made, measures }: LineValues): Partial<LineValues> => ({
  goesWith: id,
  made,
  measures: { ...measures, each: '1' },
})

/** What a first line begins with: so many of a size, made into something. */
export interface Beginning {
  readonly sizeMm: number
  readonly made: MadeKind
  /** Counts, and lengths in mm. */
  readonly values: MadeValues
}

/** A fresh line of a design that begins with what was chosen before the brief. */
export function begunLine(
  design: DesignDocument,
  { sizeMm, made, values }: Beginning,
  papers: readonly DrawerPaper[],
  preferences: Preferences,
  chosen: readonly DrawerPaper[],
): LineValues {
  const line = newLine('new-1', design, papers, preferences, chosen)
  return {
    ...line,
    size: lengthInput(roundToRuler(sizeMm, preferences.ruler, 'down'), preferences),
    made,
    pieces: made === 'batch' ? String(values['pieces'] ?? '') : '',
    measures: made === 'batch' ? {} : measuresOf(made, values, onRuler(preferences)),
  }
}

/** The design that stems are rolled by, and the way its length is measured. */
export const ROLLED_STEM = 'rolled-stem'
const STEM_LENGTH = 'length'
/** A stem where none is asked for, mm; common practice. */
const USUAL_STEM_MM = 180

/** A rolled stem for each flower of a line, of that flower's own paper and as long as its stem. */
export const rolledStems = (
  line: LineValues,
  design: DesignDocument,
  preferences: Preferences,
): Partial<LineValues> => ({
  ...newLine(line.id, design, [], preferences),
  axis: STEM_LENGTH,
  attachedTo: line.id,
  perPiece: '1',
  size: line.measures['stem']?.trim() || lengthInput(USUAL_STEM_MM, preferences),
  papers: line.papers.map((paper) => ({ ...paper })),
})

/** Percent of its size that another size of a line begins at. */
const BEGIN_PERCENT = 75

/** The same in another size: what it goes on or with is the line's own again. */
export const inAnotherSize = ({ id }: LineValues): Partial<LineValues> => ({
  sizeOf: id,
  sizePercent: String(BEGIN_PERCENT),
})

/** The brief of a project as its form shows it; `seen` marks what it says now. */
export const briefValues = (project: ProjectView, seen: string, preferences: Preferences): BriefValues => ({
  seen,
  name: project.name,
  dueOn: project.dueOn ?? '',
  certainty: CERTAINTIES.find((text) => Number(text) === project.certainty) ?? '0.95',
  note: project.note,
  yearly: project.yearly,
  shoppingDays: String(project.shoppingDays),
  like: '',
  lines: project.lines.map((line) => ({
    id: line.id,
    designId: line.design.id,
    variantKey: line.variantKey,
    sizing: line.sizing,
    axis: line.axis ?? '',
    size: lengthInput(line.askedMm, preferences),
    gauges: Object.fromEntries(
      Object.entries(line.gauges).map(([key, mm]) => [key, lengthInput(mm, preferences)]),
    ),
    pieces: String(line.pieces),
    made: line.making.kind,
    measures: measuresOf(line.making.kind, line.making.values, (mm) => lengthInput(mm, preferences)),
    colours: line.making.inTurn ? 'in turn' : 'whole',
    shares: line.making.shares?.text ?? '',
    sharing: line.making.shares?.by ?? 'largest remainder',
    message: line.making.message ?? '',
    character: line.making.character ?? 'alike',
    attachedTo: line.attachedTo ?? '',
    perPiece: line.perPiece === null ? '' : String(line.perPiece),
    goesWith: line.goesWith ?? '',
    sizeOf: line.sizeOf?.lineId ?? '',
    sizePercent: line.sizeOf === null ? '' : String(line.sizeOf.percent),
    papers: line.papers.map((row) => ({
      paperId: row.paper.id,
      pieces: line.making.inTurn ? '' : String((row.goodUnits * line.pieces) / line.units),
    })),
  })),
})

/**
 * The brief of an earlier project for a new one: the same lines under ids of their own, its day a year on. Papers that
 * are not in the drawer any more are left open; designs that are gone leave their lines out.
 */
export function againValues(
  project: ProjectView,
  {
    designIds,
    paperIds,
    today,
  }: { designIds: ReadonlySet<string>; paperIds: ReadonlySet<string>; today: string },
  preferences: Preferences,
): BriefValues {
  const values = briefValues(project, '', preferences)
  const kept = values.lines.filter(({ designId }) => designIds.has(designId))
  const ids = new Map(kept.map(({ id }, index) => [id, `new-${index + 1}`]))
  return {
    ...values,
    like: project.id,
    dueOn: values.dueOn === '' ? '' : nextYearly(values.dueOn, today),
    lines: kept.map((line) => ({
      ...line,
      id: ids.get(line.id) ?? line.id,
      attachedTo: ids.get(line.attachedTo) ?? '',
      perPiece: ids.has(line.attachedTo) ? line.perPiece : '',
      goesWith: ids.get(line.goesWith) ?? '',
      sizeOf: ids.get(line.sizeOf) ?? '',
      sizePercent: ids.has(line.sizeOf) ? line.sizePercent : '',
      papers: line.papers.map((row) => ({ ...row, paperId: paperIds.has(row.paperId) ? row.paperId : '' })),
    })),
  }
}

/** What a brief is called that was given no name: after the first line one can count. */
export function nameFrom(
  lines: readonly Partial<Pick<LineValues, 'pieces' | 'designId'>>[],
  designs: readonly { readonly id: string; readonly name: string }[],
): string {
  for (const { pieces = '', designId } of lines) {
    const design = designs.find(({ id }) => id === designId)
    if (design && /^\s*\d{1,6}\s*$/.test(pieces)) return countOf(Number(pieces), design.name.toLowerCase())
  }
  return ''
}
