import type { RejectRate } from '../batch'
import { givenBy, type CutTools, type StockSheets } from '../cut'
import type { DesignDocument, Family } from '../design'
import type { SizeUm } from '../sheet'
import type { Pace } from '../time'
import { ordersOf } from './colours'
import { isOffcut, isReadyCut, layoutsLeft, layoutsOf, standingOf, type Standing } from './cutting'
import {
  cutDemands,
  needsOf,
  plainProgressOf,
  type PaperNeed,
  type PlainProgress,
  type SparesFor,
} from './demand'
import { owedOf, type Owed } from './handing-over'
import { joiningsOf, type Joining } from './joining'
import { progressOf, sum, type LineProgress, type PaperProgress, type PartProgress } from './progress'
import { NO_SHORTAGE, shortageOf, type Shortage } from './shortage'
import { nextDeed, stationsOf, type ProjectFacts, type Station } from './stations'
import {
  demandKey,
  demandOf,
  type Brief,
  type LayoutLeft,
  type ProjectRecords,
  type Reservation,
} from './types'

/** What the log has taught. */
export interface Lessons {
  readonly rejectRate: (family: Family) => RejectRate
  readonly pace: (design: Pick<DesignDocument, 'id' | 'usualMinutes'>) => Pace
  /** Works spares out, or knows what was worked out before; `sparesFor` where it is not there. */
  readonly spares?: SparesFor
}

/** A project with all that was recorded of it, at a glance: for lists, and where plans are not made. */
export interface ProjectSurvey {
  readonly lines: readonly LineProgress[]
  /** Pieces that are only cut. */
  readonly plain: readonly PlainProgress[]
  readonly joinings: readonly Joining[]
  readonly owed: readonly Owed[]
  /** Layouts of the stored plan that give it pieces, with the sheets still to be cut. */
  readonly layouts: readonly LayoutLeft[]
  readonly facts: ProjectFacts
  readonly stations: readonly Station[]
  readonly next: ReturnType<typeof nextDeed>
}

/** What is needed of one paper of a part, and what is missing for it. */
export type PlannedPaper = PaperProgress & PaperNeed & { readonly shortage: Shortage }

export type PlannedPart = Omit<PartProgress, 'papers'> & { readonly papers: readonly PlannedPaper[] }

export type PlannedLine = Omit<LineProgress, 'parts'> & {
  readonly parts: readonly PlannedPart[]
  readonly rate: RejectRate
  readonly secondsPerUnit: number
}

/** All a project needs, has and does next. */
export interface ProjectPlan extends Omit<ProjectSurvey, 'lines' | 'plain'> {
  readonly lines: readonly PlannedLine[]
  readonly plain: readonly (PlainProgress & { readonly shortage: Shortage })[]
  /** The stored cut plan against what is wanted and there now. */
  readonly standing: Standing
}

export interface ProjectInput {
  readonly brief: Brief
  readonly designs: ReadonlyMap<string, DesignDocument>
  readonly records: ProjectRecords
}

export interface PlanInput extends ProjectInput {
  /** The sheets of its papers, as they are in the drawer. */
  readonly stock: readonly StockSheets[]
  /** What every project has been promised of them. */
  readonly reservations: readonly Reservation[]
  readonly lessons: Lessons
  /** What is cut with. */
  readonly tools: CutTools
}

/** Papers that anything of a brief is cut from. */
export const papersOfBrief = ({ lines, plain }: Pick<Brief, 'lines' | 'plain'>): ReadonlySet<string> =>
  new Set([
    ...lines.flatMap(({ parts }) => parts.flatMap(({ papers }) => papers.map(({ paperId }) => paperId))),
    ...plain.map(({ paperId }) => paperId),
  ])

const countSheets = (of: readonly { readonly sheets: number }[]): number => sum(of, ({ sheets }) => sheets)

/** Units that the stored plan found no sheet for, of what is still wanted and not cut since. */
function missingUnits(
  { cutPlan }: ProjectRecords,
  line: LineProgress,
  part: PartProgress,
  paperId: string,
): number {
  if (cutPlan?.plan.status !== 'short') return 0
  return missingOf(cutPlan, demandKey({ lineId: line.line.id, partKey: part.part.key, paperId }))
}

const missingOf = (cutPlan: ProjectRecords['cutPlan'], key: string): number =>
  cutPlan?.plan.status === 'short'
    ? (cutPlan.plan.missing.find(({ demand }) => demand === key)?.count ?? 0)
    : 0

/** What no sheet is there for, of everything that is still to be cut. */
const missingSizes = (
  cutPlan: ProjectRecords['cutPlan'],
  lines: readonly LineProgress[],
  plain: readonly PlainProgress[],
): readonly { readonly paperId: string; readonly units: number; readonly sizeUm: SizeUm }[] => [
  ...lines.flatMap((line) =>
    line.parts.flatMap((part) =>
      part.papers.map(({ paperId }) => {
        const key = demandKey({ lineId: line.line.id, partKey: part.part.key, paperId })
        return { paperId, units: missingOf(cutPlan, key), sizeUm: part.part.sheetUm }
      }),
    ),
  ),
  ...plain.map(({ line: { paperId, sizeUm }, key, toCut }) => ({
    paperId,
    units: Math.min(toCut, missingOf(cutPlan, key)),
    sizeUm,
  })),
]

function factsOf(
  { brief, records }: ProjectInput,
  { lines, plain, joinings, owed, layouts }: Omit<ProjectSurvey, 'facts' | 'stations' | 'next'>,
): ProjectFacts {
  const parts = lines.flatMap((line) => line.parts.map((part) => ({ line, part })))
  const papers = parts.flatMap(({ line, part }) => part.papers.map((paper) => ({ line, part, paper })))
  const missing = missingSizes(records.cutPlan, lines, plain)
  const given = givenBy(layouts)
  const isPlanned = ({ line, part, paper }: (typeof papers)[number]) => {
    const left = paper.goodUnits - paper.usableUnits - paper.waitingUnits
    const key = demandKey({ lineId: line.line.id, partKey: part.part.key, paperId: paper.paperId })
    return left <= (given.get(key) ?? 0) + missingUnits(records, line, part, paper.paperId)
  }
  const isPlainPlanned = ({ key, toCut }: PlainProgress) =>
    toCut <= (given.get(key) ?? 0) + missingOf(records.cutPlan, key)
  const cutsAnything = (line: LineProgress) =>
    layouts.some(
      (layout) =>
        layout.placements.some(({ demand }) => demandOf(demand).lineId === line.line.id) &&
        !(records.cutPlan && isReadyCut(layout, records.cutPlan)),
    )
  const needsProof = (line: LineProgress) =>
    cutsAnything(line) &&
    line.parts.every(
      ({ foldedUnits, papers: used }) => foldedUnits === 0 && used.every((one) => one.cutUnits === 0),
    )
  const orders = ordersOf(brief.lines, records)
  const proofOf = (line: LineProgress) => records.proofs.find(({ lineId }) => lineId === line.line.id)?.status
  return {
    lines: lines.length,
    units: sum(parts, ({ part }) => part.units),
    papers: papersOfBrief(brief).size,
    ordersWanted: orders.wanted.length,
    ordersChosen: orders.chosen.length,
    planned: papers.every(isPlanned) && plain.every(isPlainPlanned),
    shortUnits: sum(missing, ({ units }) => units),
    shortSheets: shortSheets(records, missing),
    sheetsCut: countSheets(records.cuts.filter(({ offcut }) => !offcut)),
    sheetsToCut: countSheets(layouts.filter((layout) => !isOffcut(layout, records.cutPlan))),
    offcutsCut: countSheets(records.cuts.filter(({ offcut }) => offcut)),
    offcutsToCut: countSheets(layouts.filter((layout) => isOffcut(layout, records.cutPlan))),
    readySheets: countSheets(
      layouts.filter((layout) => records.cutPlan !== null && isReadyCut(layout, records.cutPlan)),
    ),
    proofsToCut: lines.filter((line) => proofOf(line) === undefined && needsProof(line)).length,
    proofsToJudge: lines.filter((line) => proofOf(line) === 'cut').length,
    waitingUnits: sum(papers, ({ paper }) => paper.waitingUnits),
    foldedUnits: sum(parts, ({ part }) => part.foldedUnits),
    openRuns: records.runs.filter(({ open }) => open).length,
    joinsWanted: sum(joinings, ({ pieces }) => pieces),
    joined: sum(joinings, ({ joined }) => joined),
    joinable: sum(joinings, (one) => one.joinable),
    ordered: sum(owed, ({ pieces }) => pieces),
    handedOver: sum(owed, ({ pieces, handedOver }) => Math.min(pieces, handedOver)),
    ready: sum(owed, ({ ready }) => ready),
  }
}

/** Whole sheets that would mend what the stored plan is short of; `null` where a size is not to be had. */
function shortSheets({ cutPlan }: ProjectRecords, missing: ReturnType<typeof missingSizes>): number | null {
  const counts = missing
    .filter(({ units }) => units > 0)
    .map(({ paperId, units, sizeUm }) => {
      const stock = cutPlan?.problem.stock.filter((one) => one.paperId === paperId) ?? []
      return shortageOf(units, sizeUm, stock, [], []).sheets
    })
  return counts.includes(null) ? null : sum(counts, (count) => count ?? 0)
}

/**
 * A project at a glance, from what was recorded: how far every line is, what is joined and handed over, the station to
 * go to. Pure; the order of the records makes no difference. *Cost* linear in the records.
 */
export function surveyProject(input: ProjectInput): ProjectSurvey {
  const { brief, designs, records } = input
  const lines = progressOf(brief, designs, records)
  const joinings = joiningsOf(lines, records.joined)
  const owed = owedOf(lines, joinings)
  const plain = plainProgressOf(brief, records)
  const lineIds = new Set([...brief.lines, ...brief.plain].map(({ id }) => id))
  const layouts = records.cutPlan ? layoutsOf(records.cutPlan, layoutsLeft(records.cutPlan), lineIds) : []
  const facts = factsOf(input, { lines, plain, joinings, owed, layouts })
  return { lines, plain, joinings, owed, layouts, facts, stations: stationsOf(facts), next: nextDeed(facts) }
}

/**
 * All a project needs, has and does next: its survey, and for every paper the spares, what is still to be cut, and who
 * holds what it is short of. Nothing is planned here: cuts are planned by a deed and stored.
 */
export function planProject(input: PlanInput): ProjectPlan {
  const { brief, stock, reservations, records, lessons, tools } = input
  const survey = surveyProject(input)
  const rateOf = ({ design }: LineProgress) => lessons.rejectRate(design.family)
  const demands = cutDemands(survey, { rateOf, certainty: brief.certainty, spares: lessons.spares }, stock)
  const own = [brief.id, ...(records.cutPlan?.sharedWith ?? [])]
  const lacking = (units: number, paperId: string, sizeUm: SizeUm) =>
    units === 0
      ? NO_SHORTAGE
      : shortageOf(
          units,
          sizeUm,
          stock.filter((one) => one.paperId === paperId),
          reservations,
          own,
        )
  const lines = survey.lines.map((line): PlannedLine => ({
    ...line,
    rate: rateOf(line),
    secondsPerUnit: lessons.pace(line.design).secondsPerPiece,
    parts: line.parts.map((part) => {
      const needs = needsOf(part, rateOf(line), brief.certainty, lessons.spares)
      return {
        ...part,
        papers: part.papers.map((paper, index): PlannedPaper => {
          const need = needs[index] ?? { paperId: paper.paperId, spareUnits: 0, unitsToCut: 0 }
          const missing = Math.min(need.unitsToCut, missingUnits(records, line, part, paper.paperId))
          const shortage = lacking(missing, paper.paperId, part.part.sheetUm)
          return { ...paper, ...need, shortage }
        }),
      }
    }),
  }))
  const standing = standingOf({
    stored: records.cutPlan,
    layouts: survey.layouts,
    demands,
    stock,
    reservations,
    tools,
    projectId: brief.id,
  })
  const plain = survey.plain.map((one) => {
    const missing = Math.min(one.toCut, missingOf(records.cutPlan, one.key))
    return { ...one, shortage: lacking(missing, one.line.paperId, one.line.sizeUm) }
  })
  return { ...survey, lines, plain, standing }
}
