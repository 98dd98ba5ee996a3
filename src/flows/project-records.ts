import { makingFromText } from '@/schema/making'
import type { CutPlan, CutProblem } from '@/core/cut'
import type { DesignDocument } from '@/core/design'
import type {
  Brief,
  BriefLine,
  Cut,
  Delivery,
  LinePart,
  ProjectInput,
  ProjectRecords,
  Proof,
  RunCount,
  ShelfTaken,
  StoredCutPlan,
} from '@/core/plan'
import { mmFromUm } from '@/core/units'
import { cutPlansOf, sharersOf } from '@/data/repositories/cut-plans'
import { cutPiecesOf, cutsOf, proofsOf, ticksOf } from '@/data/repositories/cuts'
import { deliveriesOf, deliveryLinesOf, joinedByLine } from '@/data/repositories/joins'
import { lastOrdersOf } from '@/data/repositories/line-orders'
import { plainLinesOf, type PlainLineRow } from '@/data/repositories/plain-lines'
import { linePartPapers, lineParts, linesOf } from '@/data/repositories/projects'
import { runsOfProjects, type RunSummary } from '@/data/repositories/runs'
import { takenFromShelf } from '@/data/repositories/shelf'
import type {
  BriefLineRow,
  CutPieceRow,
  CutRow,
  Flag,
  LinePartPaperRow,
  LinePartRow,
  ProjectRow,
} from '@/data/tables'
import { readVersions } from './designs'
import type { FlowContext } from './flow-context'
import { gaugesFromText } from './gauges'

/** A project with all that was recorded of it, ready for the core, and the rows pages name besides. */
export interface LoadedProject extends ProjectInput {
  readonly row: ProjectRow
  readonly runs: readonly RunSummary[]
}

/** Items by a key of theirs, in their order. */
function grouped<Item>(
  items: readonly Item[],
  keyOf: (item: Item) => string,
): (key: string) => readonly Item[] {
  const groups = new Map<string, Item[]>()
  for (const item of items) {
    const key = keyOf(item)
    const group = groups.get(key)
    if (group) group.push(item)
    else groups.set(key, [item])
  }
  return (key) => groups.get(key) ?? []
}

function briefLine(
  row: BriefLineRow,
  parts: readonly LinePartRow[],
  papers: readonly LinePartPaperRow[],
): BriefLine {
  return {
    id: row.id,
    ordinal: row.ordinal,
    designHash: row.design_hash,
    engine: row.engine,
    variantKey: row.variant_key,
    pieces: row.pieces,
    sizing: row.sizing,
    axis: row.axis,
    askedMm: mmFromUm(row.asked_um),
    gauges: gaugesFromText(row.gauges),
    making: makingFromText(row.made),
    attachedTo: row.attached_to,
    perPiece: row.per_piece,
    goesWith: row.goes_with,
    sizeOf:
      row.size_of === null || row.size_percent === null
        ? null
        : { lineId: row.size_of, percent: row.size_percent },
    parts: parts.map((part): LinePart => ({
      key: part.part_key,
      sheetUm: { widthUm: part.width_um, heightUm: part.height_um },
      unitsPerPiece: part.units_per_piece,
      papers: papers
        .filter((paper) => paper.part_key === part.part_key)
        .map(({ paper_id, units }) => ({ paperId: paper_id, units })),
    })),
  }
}

const briefOf = (row: ProjectRow, lines: readonly BriefLine[], plain: readonly PlainLineRow[]): Brief => ({
  id: row.id,
  name: row.name,
  dueOn: row.due_on,
  zone: row.zone,
  certainty: row.certainty_permille / 1000,
  createdAtMs: row.created_at_ms,
  archived: row.archived_at_ms !== null,
  holdFirst: row.hold_first === 1,
  lines,
  plain: plain.map(({ id, name, paper_id, width_um, height_um, pieces }) => ({
    id,
    name,
    paperId: paper_id,
    sizeUm: { widthUm: width_um, heightUm: height_um },
    pieces,
  })),
})

const cutOf = (row: CutRow & { readonly offcut: Flag }, pieces: readonly CutPieceRow[]): Cut => ({
  id: row.id,
  paperId: row.paper_id,
  proof: row.proof === 1,
  sheets: row.sheets,
  offcut: row.offcut === 1,
  pieces: pieces.map((piece) => ({
    lineId: piece.line_id,
    partKey: piece.part_key,
    count: piece.pieces,
    sizeUm: { widthUm: piece.width_um, heightUm: piece.height_um },
  })),
  layout:
    row.cut_plan_id === null || row.layout_id === null
      ? null
      : { planId: row.cut_plan_id, id: row.layout_id },
  atMs: row.at_ms,
})

const runCount = (run: RunSummary): readonly RunCount[] =>
  run.lineId === null
    ? []
    : [
        {
          id: run.id,
          lineId: run.lineId,
          partKey: run.partKey,
          paperId: run.paperId,
          usable: run.usable,
          spoiled: run.spoiled,
          open: run.phase !== 'finished' && run.archivedAtMs === null,
          activeMs: run.activeMs,
        },
      ]

/** A stored plan; its text is written by `planCuts` and by nothing else. */
const storedPlan = (
  row: { id: string; body: string; made_at_ms: number; project_id: string },
  { ticks, sharers }: Loaded,
): StoredCutPlan => ({
  id: row.id,
  madeAtMs: row.made_at_ms,
  ...(JSON.parse(row.body) as { readonly problem: CutProblem; readonly plan: CutPlan }),
  ticked: ticks(row.id).map(({ layout_id, sheets }) => ({ layoutId: layout_id, sheets })),
  sharedWith: sharers(row.id)
    .map(({ project_id }) => project_id)
    .filter((id) => id !== row.project_id),
})

async function recordsOf({ db }: FlowContext, ids: readonly string[]) {
  const cuts = await cutsOf(db, ids)
  const plans = await cutPlansOf(db, ids)
  const planIds = plans.map(({ id }) => id)
  const [proofs, cutPieces, runs, shelf, joined, deliveries, deliveryLines, ticks, sharers, orders] = [
    await proofsOf(db, ids),
    await cutPiecesOf(db, ids),
    await runsOfProjects(db, ids),
    await takenFromShelf(db, ids),
    await joinedByLine(db, ids),
    await deliveriesOf(db, ids),
    await deliveryLinesOf(db, ids),
    await ticksOf(db, planIds),
    await sharersOf(db, planIds),
    await lastOrdersOf(db, ids),
  ]
  return {
    proofs: grouped(proofs, (row) => row.line_id),
    cuts: grouped(cuts, (row) => row.for_project),
    cutPieces: grouped(cutPieces, (row) => row.cut_id),
    runs: grouped(runs, (run) => run.projectId ?? ''),
    shelf: grouped(shelf, (row) => row.project_id),
    joined: grouped(joined, (row) => row.project_id),
    deliveries: grouped(deliveries, (row) => row.project_id),
    deliveryLines: grouped(deliveryLines, (row) => row.delivery_id),
    plans: grouped(plans, (row) => row.project_id),
    ticks: grouped(ticks, (row) => row.cut_plan_id),
    sharers: grouped(sharers, (row) => row.cut_plan_id),
    orders: grouped(orders, (row) => row.project_id),
  }
}

type Loaded = Awaited<ReturnType<typeof recordsOf>>

function projectRecords(id: string, lines: readonly BriefLine[], loaded: Loaded): ProjectRecords {
  const [plan] = loaded.plans(id)
  return {
    proofs: lines.flatMap((line) =>
      loaded.proofs(line.id).map((row): Proof => ({
        lineId: row.line_id,
        status: row.status,
        paperId: row.paper_id,
        axis: row.axis,
        measuredMm: row.measured_um === null ? null : mmFromUm(row.measured_um),
      })),
    ),
    cuts: loaded.cuts(id).map((row) => cutOf(row, loaded.cutPieces(row.id))),
    runs: loaded.runs(id).flatMap(runCount),
    // What a line took counts for it; what was left over of it and went on the shelf no longer does.
    shelf: loaded.shelf(id).map((row): ShelfTaken => ({
      lineId: row.line_id,
      partKey: row.part_key,
      paperId: row.paper_id,
      units: -row.units,
    })),
    joined: new Map(loaded.joined(id).map((row) => [row.line_id, row.joined])),
    deliveries: loaded.deliveries(id).map((row): Delivery => ({
      id: row.id,
      atMs: row.handed_over_at_ms,
      note: row.note,
      lines: loaded.deliveryLines(row.id).map((line) => ({ lineId: line.line_id, pieces: line.pieces })),
    })),
    cutPlan: plan ? storedPlan(plan, loaded) : null,
    orders: new Map(loaded.orders(id).map((row) => [row.line_id, row.made_of])),
  }
}

/** Several projects with all that was recorded of them, in the order given. As many queries for many as for one. */
export async function loadProjects(
  context: FlowContext,
  rows: readonly ProjectRow[],
): Promise<readonly LoadedProject[]> {
  const { db } = context
  const ids = rows.map((row) => row.id)
  const lineRows = await linesOf(db, ids)
  const parts = grouped(await lineParts(db, ids), (row) => row.line_id)
  const papers = grouped(await linePartPapers(db, ids), (row) => row.line_id)
  const linesByProject = grouped(lineRows, (row) => row.project_id)
  const plain = grouped(await plainLinesOf(db, ids), (row) => row.project_id)
  const designs: ReadonlyMap<string, DesignDocument> = await readVersions(
    context,
    lineRows.map((row) => ({ hash: row.design_hash, engine: row.engine })),
  )
  const loaded = await recordsOf(context, ids)
  return rows.map((row) => {
    const lines = linesByProject(row.id).map((line) => briefLine(line, parts(line.id), papers(line.id)))
    return {
      row,
      brief: briefOf(row, lines, plain(row.id)),
      designs,
      records: projectRecords(row.id, lines, loaded),
      runs: loaded.runs(row.id),
    }
  })
}
