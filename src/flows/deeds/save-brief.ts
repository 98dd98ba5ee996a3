import { nanoid } from 'nanoid'
import { FOLD_ENGINE_VERSION } from '@/core/fold'
import type { SheetFor } from '@/core/plan'
import { umFromMm } from '@/core/units'
import {
  deleteLine,
  dependentsOfLine,
  findProject,
  insertProject,
  linesOf,
  saveLine,
  updateLine,
  updateProject,
} from '@/data/repositories/projects'
import { listPapers } from '@/data/repositories/papers'
import { stockOf } from '@/data/repositories/stock'
import type { BriefLineRow } from '@/data/tables'
import { briefFields, type Brief, type BriefLine, type BriefWorld } from '@/schema/brief'
import { parseFields } from '@/schema/field-errors'
import { makingText } from '@/schema/making'
import type { FlowContext } from '../flow-context'
import { deed, refuseFields, RefusalError, type DeedResult } from '../deed'
import { readOffered, readVersions, versionKey, type PinnedDesign } from '../designs'
import { briefMark } from '../brief-mark'
import { planCuts } from '../plan-cuts'
import { currentSettings } from '../settings'

/** Designs a brief may use: the newest of each, but the version a project already pinned where it uses one. */
async function designsFor(
  context: FlowContext,
  lines: readonly BriefLineRow[],
): Promise<readonly PinnedDesign[]> {
  const newest = await readOffered(context)
  const versions = lines.map((line) => ({ hash: line.design_hash, engine: line.engine }))
  const pinned = await readVersions(context, versions)
  const kept = versions.flatMap((version): PinnedDesign[] => {
    const document = pinned.get(versionKey(version))
    return document ? [{ ...version, document }] : []
  })
  // A design whose lock was found loose since is still there for who planned with it.
  const ids = new Set([...newest, ...kept].map(({ document }) => document.id))
  return [...ids].flatMap((id) => [...kept, ...newest].find(({ document }) => document.id === id) ?? [])
}

/** The parts of a line as they are cut, every unit in one of its papers. */
const partsToSave = ({ sheet, papers }: Pick<BriefLine, 'papers'> & { readonly sheet: SheetFor }) =>
  sheet.parts.map(({ key, sheetUm, unitsPerPiece }) => ({
    key,
    ...sheetUm,
    unitsPerPiece,
    papers: papers.map(({ paperId, pieces }) => ({ paperId, units: Math.round(pieces * unitsPerPiece) })),
  }))

const followsAny = ({ attachedTo, goesWith, sizeOf }: BriefLine): boolean =>
  attachedTo !== null || goesWith !== null || sizeOf !== null

/** A line by itself. */
const FOLLOWS_NOTHING = {
  attached_to: null,
  per_piece: null,
  goes_with: null,
  size_of: null,
  size_percent: null,
}

async function writeLines(
  { db }: FlowContext,
  projectId: string,
  brief: Brief,
  existing: readonly BriefLineRow[],
  designs: readonly PinnedDesign[],
): Promise<void> {
  const ids = new Map(
    brief.lines.map((line) => [line.id, existing.some((row) => row.id === line.id) ? line.id : nanoid()]),
  )
  const idOf = (id: string | null) => (id === null ? null : (ids.get(id) ?? null))
  for (const [ordinal, line] of brief.lines.entries()) {
    const pinned = designs.find((one) => one.document === line.design)
    const gauges = Object.fromEntries(Object.entries(line.gauges).map(([key, mm]) => [key, umFromMm(mm)]))
    await saveLine(
      db,
      {
        id: ids.get(line.id) ?? line.id,
        project_id: projectId,
        ordinal,
        design_hash: pinned?.hash ?? '',
        engine: pinned?.engine ?? FOLD_ENGINE_VERSION,
        variant_key: line.variantKey,
        pieces: line.pieces,
        sizing: line.sizing,
        axis: line.axis,
        asked_um: umFromMm(line.askedMm),
        gauges: JSON.stringify(gauges),
        made: makingText(line.making),
        ...FOLLOWS_NOTHING,
      },
      partsToSave(line),
    )
  }
  // Only once all are there: lines may refer to each other any way round.
  for (const line of brief.lines.filter(followsAny))
    await updateLine(db, ids.get(line.id) ?? line.id, {
      attached_to: idOf(line.attachedTo),
      per_piece: line.perPiece,
      goes_with: idOf(line.goesWith),
      size_of: idOf(line.sizeOf?.lineId ?? null),
      size_percent: line.sizeOf?.percent ?? null,
    })
}

/** Removes lines the brief no longer has; a line of which anything is recorded is refused by name, with what it is. */
async function removeLines(
  { db }: FlowContext,
  gone: readonly BriefLineRow[],
  nameOf: (row: BriefLineRow) => string,
) {
  // Attached lines first: they refer to the others.
  for (const row of [...gone].sort(
    (a, b) => Number(b.attached_to !== null) - Number(a.attached_to !== null),
  )) {
    const used = await dependentsOfLine(db, row.id)
    if (Object.values(used).some((count) => count > 0))
      throw new RefusalError('LINE_IN_USE', { line: nameOf(row), ...used })
    await deleteLine(db, row.id)
  }
}

/** The papers of the drawer with the sizes of their sheets. */
async function papersWithSheets(db: FlowContext['db']): Promise<BriefWorld['papers']> {
  const papers = await listPapers(db)
  const stock = await stockOf(
    db,
    papers.map(({ id }) => id),
  )
  return papers.map(({ id }) => ({
    id,
    sheets: stock
      .filter((one) => one.paper_id === id)
      .map((one) => ({ widthUm: one.width_um, heightUm: one.height_um })),
  }))
}

/** Saves a brief, a new project where `projectId` is null, and plans its cuts. *Returns* the project's id. */
export const saveBrief = (
  context: FlowContext,
  projectId: string | null,
  input: unknown,
): Promise<DeedResult<{ readonly projectId: string }>> =>
  deed(context, async (inDeed) => {
    const { db, nowMs } = inDeed
    const { unit, ruler, zone } = await currentSettings(inDeed)
    const was = projectId === null ? null : await briefMark(inDeed, projectId)
    if (projectId !== null && was === null) throw new RefusalError('NOT_FOUND')
    const existing = projectId === null ? [] : await linesOf(db, [projectId])
    const designs = await designsFor(inDeed, existing)
    const papers = await papersWithSheets(db)
    const readable = briefFields({ unit, ruler, designs: designs.map((one) => one.document), papers })
    const parsed = parseFields(readable, input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { name, dueOn, certainty, note, lines, yearly, shoppingDays, like, seen } = parsed.value
    if (was !== null && seen !== was) throw new RefusalError('CHANGED_SINCE', { what: 'This brief' })
    const fields = {
      name,
      due_on: dueOn,
      note,
      certainty_permille: Math.round(certainty * 1000),
      yearly: yearly ? 1 : 0,
      shopping_days: shoppingDays,
    }
    const id = projectId ?? nanoid()
    if (projectId === null)
      await insertProject(db, {
        id,
        zone,
        created_at_ms: nowMs,
        archived_at_ms: null,
        // One that is gone meanwhile leaves nothing to remember.
        again_of: like !== null && (await findProject(db, like)) ? like : null,
        ...fields,
      })
    else await updateProject(db, id, fields)
    const gone = existing.filter((row) => !lines.some((line) => line.id === row.id))
    const kept = existing.filter((row) => !gone.includes(row))
    await writeLines(inDeed, id, parsed.value, kept, designs)
    await removeLines(
      inDeed,
      gone,
      (row) => designs.find((one) => one.hash === row.design_hash)?.document.name ?? 'line',
    )
    await planCuts(inDeed, { project: id })
    return { projectId: id }
  })
