import {
  joinable,
  nextDeed,
  stationsOf,
  type NextDeed,
  type ProjectFacts,
  type Station,
  type StationKey,
} from '@/core/plan'
import { cutsOfProject, proofsOf } from '@/data/repositories/cuts'
import { deliveryOf, joinedByLine } from '@/data/repositories/joins'
import { papersById } from '@/data/repositories/papers'
import { findProject, linePapersOf, linesOf } from '@/data/repositories/projects'
import { runsOfProject, type RunSummary } from '@/data/repositories/runs'
import { stockOf } from '@/data/repositories/stock'
import type { CutRow, DeliveryRow, ProjectRow } from '@/data/tables'
import type { FlowContext } from '../flow-context'
import { readDesigns } from './designs'
import { readHistory, type History } from './history'
import { paperView, sheetView, type PaperView, type SheetView } from './papers'
import { lineViews, type LineView } from './project-lines'

export interface JoinView {
  readonly line: LineView
  readonly parts: readonly LineView[]
  readonly pieces: number
  readonly joined: number
  readonly joinable: number
}

export interface ProjectView {
  readonly id: string
  readonly name: string
  readonly dueOn: string | null
  readonly zone: string
  readonly certainty: number
  readonly note: string
  readonly archived: boolean
  readonly lines: readonly LineView[]
  readonly papers: readonly (PaperView & { readonly sheets: readonly SheetView[] })[]
  readonly cuts: readonly CutRow[]
  readonly runs: readonly RunSummary[]
  readonly joins: readonly JoinView[]
  readonly delivery: DeliveryRow | null
  readonly facts: ProjectFacts
  readonly stations: readonly Station[]
  readonly next: { readonly deed: NextDeed; readonly station: StationKey }
}

const sum = <Item>(items: readonly Item[], of: (item: Item) => number): number =>
  items.reduce((total, item) => total + of(item), 0)

const foldedUnits = (line: LineView): number =>
  sum(line.papers, (row) => Math.min(row.usableUnits, row.goodUnits))

function joinViews(lines: readonly LineView[], joined: ReadonlyMap<string, number>): readonly JoinView[] {
  return lines.flatMap((line) => {
    const parts = lines.filter((other) => other.attachedTo === line.id)
    if (parts.length === 0 && line.unitsPerPiece === 1) return []
    const possible = joinable({
      pieces: line.pieces,
      folded: Math.floor(foldedUnits(line) / line.unitsPerPiece),
      parts: parts.map((part) => ({ perPiece: part.perPiece ?? 1, folded: foldedUnits(part) })),
    })
    return [{ line, parts, pieces: line.pieces, joined: joined.get(line.id) ?? 0, joinable: possible }]
  })
}

function factsOf(
  lines: readonly LineView[],
  joins: readonly JoinView[],
  runs: readonly RunSummary[],
  cuts: readonly CutRow[],
  handedOver: boolean,
): ProjectFacts {
  const papers = lines.flatMap((line) => line.papers)
  const missing = papers.map((row) => row.missingSheets)
  const needsProof = (line: LineView) =>
    foldedUnits(line) === 0 && line.papers.every((row) => row.cutUnits === 0)
  return {
    lines: lines.length,
    units: sum(lines, (line) => line.units),
    papers: new Set(papers.map((row) => row.paper.id)).size,
    shortUnits: sum(papers, (row) => row.missingUnits),
    shortSheets: missing.includes(null) ? null : sum(missing, (count) => count ?? 0),
    sheetsCut: sum(cuts, (cut) => cut.sheets),
    sheetsToCut: sum(papers, (row) => sum(row.layouts, (layout) => layout.sheets)),
    proofsToCut: lines.filter((line) => line.proof.status === 'none' && needsProof(line)).length,
    proofsToJudge: lines.filter((line) => line.proof.status === 'cut').length,
    waitingUnits: sum(papers, (row) => row.waitingUnits),
    foldedUnits: sum(lines, foldedUnits),
    openRuns: runs.filter((run) => run.phase !== 'finished' && run.archived_at_ms === null).length,
    joinsWanted: sum(joins, (join) => join.pieces),
    joined: sum(joins, (join) => join.joined),
    joinable: sum(joins, (join) => join.joinable),
    handedOver,
  }
}

async function viewOf(context: FlowContext, project: ProjectRow, history: History): Promise<ProjectView> {
  const { db } = context
  const lines = await linesOf(db, project.id)
  const lineIds = lines.map((line) => line.id)
  const linePapers = await linePapersOf(db, lineIds)
  const paperIds = [...new Set(linePapers.map((row) => row.paper_id))]
  const found = (await papersById(db, paperIds)).map(paperView)
  const papers = paperIds.flatMap((id) => found.find((paper) => paper.id === id) ?? [])
  const stock = await stockOf(db, paperIds)
  const cuts = await cutsOfProject(db, project.id)
  const runs = await runsOfProject(db, project.id)
  const certainty = project.certainty_permille / 1000
  const views = lineViews({
    lines,
    linePapers,
    designs: await readDesigns(
      context,
      lines.map((line) => line.design_hash),
    ),
    papers: new Map(papers.map((paper) => [paper.id, paper])),
    stock,
    cuts,
    runs,
    proofs: await proofsOf(db, lineIds),
    history,
    certainty,
  })
  const joins = joinViews(views, await joinedByLine(db, project.id))
  const delivery = (await deliveryOf(db, project.id)) ?? null
  const facts = factsOf(views, joins, runs, cuts, delivery !== null)
  return {
    id: project.id,
    name: project.name,
    dueOn: project.due_on,
    zone: project.zone,
    certainty,
    note: project.note,
    archived: project.archived_at_ms !== null,
    lines: views,
    papers: papers.map((paper) => ({
      ...paper,
      sheets: stock.filter((line) => line.paper_id === paper.id).map(sheetView),
    })),
    cuts,
    runs,
    joins,
    delivery,
    facts,
    stations: stationsOf(facts),
    next: nextDeed(facts),
  }
}

/** Everything the pages of one project show; `null` where there is none of that id. */
export const hasProject = async ({ db }: FlowContext, id: string): Promise<boolean> =>
  (await findProject(db, id)) !== undefined

export async function readProject(context: FlowContext, id: string): Promise<ProjectView | null> {
  const project = await findProject(context.db, id)
  return project ? viewOf(context, project, await readHistory(context)) : null
}

/** Several projects at once, in the order given. */
export async function readProjects(
  context: FlowContext,
  rows: readonly ProjectRow[],
): Promise<readonly ProjectView[]> {
  const history = await readHistory(context)
  const views: ProjectView[] = []
  for (const row of rows) views.push(await viewOf(context, row, history))
  return views
}
