import { nanoid } from 'nanoid'
import { umFromMm } from '@/core/units'
import { sizeAsKept } from '@/core/paper'
import { insertPaper, listPapers } from '@/data/repositories/papers'
import { addStockMoves, stockItemFor, stockOf } from '@/data/repositories/stock'
import type { PaperRow } from '@/data/tables'
import { readDrawerCsv, type DrawerFault, type ReadRow, type RefusedRow } from '@/formats/drawer-csv'
import type { DrawerRow } from '@/schema/drawer-row'
import { BLANK_PAPER } from '@/schema/paper'
import { contentHash } from './content-hash'
import { RefusalError } from './deed'
import type { FlowContext } from './flow-context'
import { minorUnits } from './money'
import { planCuts } from './plan-cuts'
import { moveIn } from './put-sheets'
import { currentSettings } from './settings'

/** What the numbers of sheets in a table are: such as come in, or all that there are. */
export const TABLE_MEANS = ['put in', 'counted'] as const
export type TableMeans = (typeof TABLE_MEANS)[number]

/** What one row of a table would do. */
export interface RowPreview {
  readonly row: number
  readonly paper: string
  /** The paper is not in the drawer yet. */
  readonly isNew: boolean
  readonly widthMm: number | null
  readonly heightMm: number | null
  readonly offcut: boolean
  /** Sheets there are now, and after it. */
  readonly now: number
  readonly then: number
}

export type DrawerPreview =
  | {
      readonly ok: true
      readonly rows: readonly RowPreview[]
      readonly refused: readonly RefusedRow[]
      readonly unread: readonly string[]
      readonly newPapers: number
      /** What this preview was worked out from: the table, and the drawer as it was. */
      readonly stamp: string
    }
  | { readonly ok: false; readonly fault: DrawerFault }

interface Planned {
  readonly read: ReadRow
  readonly paper: PaperRow | null
  readonly preview: RowPreview
}

const colourOr = (said: string | null, usual: string): string => said ?? usual

/** What rows would do to the drawer as it is. */
async function plannedRows(
  { db }: Pick<FlowContext, 'db'>,
  rows: readonly ReadRow[],
  means: TableMeans,
): Promise<readonly Planned[]> {
  const papers = new Map((await listPapers(db)).map((paper) => [paper.name.toLowerCase(), paper]))
  const stock = await stockOf(
    db,
    [...papers.values()].map(({ id }) => id),
  )
  const levels = new Map(
    stock.map((line) => [`${line.paper_id} ${line.width_um} ${line.height_um} ${line.offcut}`, line.amount]),
  )
  return rows.map((read): Planned => {
    const { value, row } = read
    const paper = papers.get(value.paper.toLowerCase()) ?? null
    const { sheets, offcut } = value
    const kept =
      sheets === null
        ? null
        : sizeAsKept(
            paper
              ? { grain: paper.grain, turnable: paper.turnable === 1 }
              : { grain: value.grain ?? 'unknown', turnable: value.turning !== 'one way' },
            { widthUm: umFromMm(sheets.widthMm), heightUm: umFromMm(sheets.heightMm) },
            offcut,
          )
    const now =
      kept && paper ? (levels.get(`${paper.id} ${kept.widthUm} ${kept.heightUm} ${offcut ? 1 : 0}`) ?? 0) : 0
    const amount = sheets?.amount ?? 0
    return {
      read,
      paper,
      preview: {
        row,
        paper: paper?.name ?? value.paper,
        isNew: paper === null,
        widthMm: sheets?.widthMm ?? null,
        heightMm: sheets?.heightMm ?? null,
        offcut,
        now,
        then: means === 'put in' ? now + amount : amount,
      },
    }
  })
}

/** What a table would do to the drawer, row by row; nothing is written. */
export async function previewDrawer(
  context: Pick<FlowContext, 'db'>,
  text: string,
  means: TableMeans,
): Promise<DrawerPreview> {
  const read = readDrawerCsv(text)
  if (!read.ok) return read
  const rows = (await plannedRows(context, read.rows, means)).map(({ preview }) => preview)
  const papers = new Set(rows.flatMap(({ isNew, paper }) => (isNew ? [paper.toLowerCase()] : [])))
  const { refused, unread } = read
  const stamp = contentHash({ rows, refused, means }).hash
  return { ok: true, rows, refused, unread, newPapers: papers.size, stamp }
}

/** A paper out of the first row that names it; what later rows say of it fills what this one leaves open. */
const paperFields = (own: readonly DrawerRow[]) => {
  const said = <Trait extends keyof DrawerRow>(trait: Trait) =>
    own.find((row) => row[trait] !== null && row[trait] !== '')?.[trait] ?? null
  const thickness = said('thickness_mm')
  const smaller = said('smaller_by_mm')
  return {
    name: own[0]?.paper ?? '',
    feel: said('feel') ?? BLANK_PAPER.feel,
    pattern: said('pattern') ?? BLANK_PAPER.pattern,
    texture: said('texture') ?? BLANK_PAPER.texture,
    grain: said('grain') ?? BLANK_PAPER.grain,
    turnable: said('turning') === 'one way' ? 0 : 1,
    tolerance_um: smaller === null ? null : umFromMm(smaller),
    grammage_gsm: said('grammage_gsm'),
    caliper_um: thickness === null ? null : umFromMm(thickness),
    front_colour: colourOr(said('colour_side'), BLANK_PAPER.frontColour),
    back_colour: colourOr(said('other_side'), BLANK_PAPER.backColour),
    note: said('note') ?? '',
  }
}

/**
 * Takes a table into the drawer: new papers, and sheets as the rows say. Refused where the drawer or the table is not as
 * it was when the preview was made. Rows that could not be read stay out: they were shown. Part of a deed.
 */
export async function takeTableIn(
  inDeed: FlowContext,
  text: string,
  means: TableMeans,
  stamp: string,
): Promise<{ readonly rows: number; readonly papers: number }> {
  const { db, nowMs } = inDeed
  const preview = await previewDrawer(inDeed, text, means)
  const read = readDrawerCsv(text)
  if (!preview.ok || !read.ok || preview.stamp !== stamp) throw new RefusalError('DRAWER_CHANGED')
  const { currency } = await currentSettings(inDeed)
  const ids = new Map<string, string>()
  let papers = 0
  for (const { read: row, paper, preview: shown } of await plannedRows(inDeed, read.rows, means)) {
    const name = row.value.paper.toLowerCase()
    let paperId = paper?.id ?? ids.get(name)
    if (paperId === undefined) {
      paperId = nanoid()
      papers += 1
      const own = read.rows.flatMap(({ value }) => (value.paper.toLowerCase() === name ? [value] : []))
      await insertPaper(db, { id: paperId, created_at_ms: nowMs, archived_at_ms: null, ...paperFields(own) })
    }
    ids.set(name, paperId)
    const { sheets, offcut, price, sold_as } = row.value
    if (sheets === null) continue
    const into = {
      paperId,
      sizeUm: { widthUm: umFromMm(sheets.widthMm), heightUm: umFromMm(sheets.heightMm) },
      offcut,
      priceMinor: price === null ? null : minorUnits(price, currency),
      soldAs: sold_as ?? '',
    }
    await moveIn(inDeed, { ...into, amount: means === 'put in' ? sheets.amount : 0 })
    if (means === 'counted' && shown.then !== shown.now) {
      const stock_item_id = await stockItemFor(db, { id: nanoid(), paperId, sizeUm: into.sizeUm, offcut })
      const move = { id: nanoid(), stock_item_id, cut_id: null, at_ms: nowMs }
      await addStockMoves(db, [{ ...move, delta: shown.then - shown.now, kind: 'counted' }])
    }
  }
  await planCuts(inDeed, { paperIds: [...new Set(ids.values())] })
  return { rows: read.rows.length, papers }
}
