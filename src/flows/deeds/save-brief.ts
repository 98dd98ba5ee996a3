import { nanoid } from 'nanoid'
import { roundForYield } from '@/core/cut'
import { highPerWide, mainPart } from '@/core/design'
import type { SizeUm } from '@/core/sheet'
import { umFromMm, type RulerKey } from '@/core/units'
import {
  deleteLine,
  dependentsOfLine,
  findProject,
  insertProject,
  linesOf,
  saveLine,
  updateProject,
} from '@/data/repositories/projects'
import { listPapers } from '@/data/repositories/papers'
import { stockOf } from '@/data/repositories/stock'
import type { BriefLineRow } from '@/data/tables'
import { parseBrief, type Brief, type BriefLine } from '@/schema/brief'
import type { FlowContext } from '../flow-context'
import { deed, refuseFields, RefusalError, type DeedResult } from '../deed'
import { readDesigns, readOffered, type PinnedDesign } from '../read/designs'
import { currentSettings } from '../settings'

/** Designs a brief may use: the newest of each, but the version a project already pinned where it uses one. */
async function designsFor(
  context: FlowContext,
  lines: readonly BriefLineRow[],
): Promise<readonly PinnedDesign[]> {
  const newest = await readOffered(context)
  const pinned = await readDesigns(
    context,
    lines.map((line) => line.design_hash),
  )
  const kept = [...pinned].map(([hash, document]) => ({ hash, document }))
  return newest.map((design) => kept.find((one) => one.document.id === design.document.id) ?? design)
}

/** Side of the sheet as it will be cut: as typed, or on the ruler's mark where it follows from a finished size. */
function sheetUm(line: BriefLine, ruler: RulerKey, sheets: readonly SizeUm[]): number {
  return umFromMm(
    line.sizing === 'sheet'
      ? line.exactSheetMm
      : roundForYield(line.exactSheetMm, ruler, sheets, highPerWide(mainPart(line.design))),
  )
}

async function writeLines(
  { db }: FlowContext,
  projectId: string,
  brief: Brief,
  existing: readonly BriefLineRow[],
  world: { readonly ruler: RulerKey; readonly designs: readonly PinnedDesign[] },
): Promise<void> {
  const ids = new Map(
    brief.lines.map((line) => [line.id, existing.some((row) => row.id === line.id) ? line.id : nanoid()]),
  )
  const stock = await stockOf(db, [
    ...new Set(brief.lines.flatMap((line) => line.papers.map((paper) => paper.paperId))),
  ])
  // Lines that stand on their own first: the others refer to them.
  const inOrder = brief.lines.map((line, ordinal) => ({ line, ordinal }))
  inOrder.sort((a, b) => Number(a.line.attachedTo !== null) - Number(b.line.attachedTo !== null))
  for (const { line, ordinal } of inOrder) {
    const sheets = stock
      .filter((one) => line.papers.some((paper) => paper.paperId === one.paper_id))
      .map((one) => ({ widthUm: one.width_um, heightUm: one.height_um }))
    const gauges = Object.fromEntries(Object.entries(line.gauges).map(([key, mm]) => [key, umFromMm(mm)]))
    await saveLine(
      db,
      {
        id: ids.get(line.id) ?? line.id,
        project_id: projectId,
        ordinal,
        design_hash: world.designs.find((one) => one.document === line.design)?.hash ?? '',
        variant_key: line.variantKey,
        pieces: line.pieces,
        sizing: line.sizing,
        axis: line.axis,
        asked_um: umFromMm(line.askedMm),
        sheet_um: sheetUm(line, world.ruler, sheets),
        gauges: JSON.stringify(gauges),
        attached_to: line.attachedTo === null ? null : (ids.get(line.attachedTo) ?? null),
        per_piece: line.perPiece,
      },
      line.papers,
    )
  }
}

/** Removes lines the brief no longer has; a line with cuts, runs or joins is refused by name. */
async function removeLines(
  { db }: FlowContext,
  gone: readonly BriefLineRow[],
  nameOf: (row: BriefLineRow) => string,
) {
  // Attached lines first: they refer to the others.
  for (const row of [...gone].sort(
    (a, b) => Number(b.attached_to !== null) - Number(a.attached_to !== null),
  )) {
    const { cuts, runs, joins } = await dependentsOfLine(db, row.id)
    if (cuts + runs + joins > 0)
      throw new RefusalError('LINE_IN_USE', { line: nameOf(row), cuts, runs, joins })
    await deleteLine(db, row.id)
  }
}

/** Saves a brief: a new project where `projectId` is null. *Returns* the project's id. */
export const saveBrief = (
  context: FlowContext,
  projectId: string | null,
  input: unknown,
): Promise<DeedResult<{ readonly projectId: string }>> =>
  deed(context, async (inDeed) => {
    const { db, nowMs } = inDeed
    const { unit, ruler, zone } = await currentSettings(inDeed)
    if (projectId !== null && !(await findProject(db, projectId))) throw new RefusalError('NOT_FOUND')
    const existing = projectId === null ? [] : await linesOf(db, projectId)
    const designs = await designsFor(inDeed, existing)
    const parsed = parseBrief(input, {
      unit,
      designs: designs.map((one) => one.document),
      paperIds: (await listPapers(db)).map((paper) => paper.id),
    })
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { name, dueOn, certainty, note, lines } = parsed.value
    const fields = { name, due_on: dueOn, note, certainty_permille: Math.round(certainty * 1000) }
    const id = projectId ?? nanoid()
    if (projectId === null)
      await insertProject(db, { id, zone, created_at_ms: nowMs, archived_at_ms: null, ...fields })
    else await updateProject(db, id, fields)
    const gone = existing.filter((row) => !lines.some((line) => line.id === row.id))
    const kept = existing.filter((row) => !gone.includes(row))
    await writeLines(inDeed, id, parsed.value, kept, { ruler, designs })
    await removeLines(
      inDeed,
      gone,
      (row) => designs.find((one) => one.hash === row.design_hash)?.document.name ?? 'line',
    )
    return { projectId: id }
  })
