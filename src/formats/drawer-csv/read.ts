import { parse } from 'papaparse'
import { parseFields } from '@/schema/field-errors'
import { DRAWER_COLUMNS, drawerRow, type DrawerColumn, type DrawerRow } from '@/schema/drawer-row'

/** Most rows that are read: more than any drawer has sizes of papers. */
export const MOST_ROWS = 5000
/** Largest file that is read. */
export const MOST_CSV_BYTES = 4 * 1024 * 1024

/** Why a file is not read at all. Rows are counted as a spreadsheet counts them, the header being 1. */
export type DrawerFault =
  | { readonly code: 'EMPTY' | 'NO_ROWS' | 'NOT_TEXT' }
  | { readonly code: 'NO_PAPER_COLUMN'; readonly found: readonly string[] }
  | { readonly code: 'COLUMN_TWICE'; readonly column: string }
  | { readonly code: 'OPEN_QUOTE'; readonly row: number }
  | { readonly code: 'TOO_MANY_ROWS'; readonly rows: number }

/** A row that can be taken in as it stands. */
export interface ReadRow {
  readonly row: number
  readonly value: DrawerRow
}

/** A row that cannot, and why: the column where one is to blame. */
export interface RefusedRow {
  readonly row: number
  readonly column: DrawerColumn | null
  readonly message: string
}

export type ReadDrawer =
  | {
      readonly ok: true
      readonly rows: readonly ReadRow[]
      readonly refused: readonly RefusedRow[]
      /** Columns that say nothing here. */
      readonly unread: readonly string[]
    }
  | { readonly ok: false; readonly fault: DrawerFault }

const DELIMITERS = [',', ';', '\t']
/** A replacement character, or a zero byte: the file is no UTF-8 text. */
const NOT_TEXT = /[\ufffd\u0000]/
/** What a spreadsheet would take for a formula is written with an apostrophe before it; see `write.ts`. */
const GUARDED = /^'(?='*[=+\-@\t\r\n])/

const columnName = (text: string): string =>
  text
    .trim()
    .toLowerCase()
    .replace(/[\s-]+/g, '_')

/** The one of the usual delimiters that parts the header into most columns that are known. */
function delimiterOf(text: string): string {
  const [line = ''] = text.split(/\r\n|\r|\n/, 1)
  const known = (delimiter: string) =>
    (parse<string[]>(line, { delimiter }).data[0] ?? []).filter((name) =>
      (DRAWER_COLUMNS as readonly string[]).includes(columnName(name)),
    ).length
  return DELIMITERS.reduce((best, one) => (known(one) > known(best) ? one : best))
}

/**
 * A drawer out of a table: a header with at least `paper`, then a row for each size of each paper. See
 * docs/formats/drawer-csv.md. *Returns* the rows that can be taken in and those that cannot with the reason, or why the
 * file is not read at all. Nothing is left out unsaid.
 */
export function readDrawerCsv(text: string): ReadDrawer {
  const whole = text.replace(/^\ufeff/, '')
  if (whole.trim() === '') return fault({ code: 'EMPTY' })
  if (NOT_TEXT.test(whole)) return fault({ code: 'NOT_TEXT' })
  const { data, errors } = parse<string[]>(whole, { delimiter: delimiterOf(whole), skipEmptyLines: 'greedy' })
  const open = errors.find(({ type }) => type === 'Quotes')
  if (open) return fault({ code: 'OPEN_QUOTE', row: (open.row ?? 0) + 1 })
  const [header = [], ...records] = data
  const names = header.map(columnName)
  if (!names.includes('paper'))
    return fault({ code: 'NO_PAPER_COLUMN', found: header.map((one) => one.trim()) })
  const twice = names.find((name, index) => name !== '' && names.indexOf(name) !== index)
  if (twice !== undefined) return fault({ code: 'COLUMN_TWICE', column: twice })
  if (records.length === 0) return fault({ code: 'NO_ROWS' })
  if (records.length > MOST_ROWS) return fault({ code: 'TOO_MANY_ROWS', rows: records.length })
  const rows: ReadRow[] = []
  const refused: RefusedRow[] = []
  const byPaper = new Map<string, ReadRow[]>()
  records.forEach((fields, index) => {
    const read = readRow(fields, names, index + 2, byPaper)
    if (!('value' in read)) {
      refused.push(read)
      return
    }
    rows.push(read)
    const name = paperKey(read.value)
    const own = byPaper.get(name)
    if (own) own.push(read)
    else byPaper.set(name, [read])
  })
  const known: readonly string[] = DRAWER_COLUMNS
  return {
    ok: true,
    rows,
    refused,
    unread: header.filter((name) => name.trim() !== '' && !known.includes(columnName(name))),
  }
}

function readRow(
  fields: readonly string[],
  names: readonly string[],
  row: number,
  before: ReadonlyMap<string, readonly ReadRow[]>,
): ReadRow | RefusedRow {
  const refuse = (column: DrawerColumn | null, message: string) => ({ row, column, message })
  const filled = fields.findLastIndex((field) => field.trim() !== '') + 1
  if (filled > names.length)
    return refuse(
      null,
      `This row has ${filled} fields and the header ${names.length}. A comma in a text needs quotation marks around it.`,
    )
  const texts = Object.fromEntries(
    DRAWER_COLUMNS.map((column) => [column, (fields[names.indexOf(column)] ?? '').replace(GUARDED, '')]),
  )
  const parsed = parseFields(drawerRow, texts)
  if (!parsed.ok) {
    const [[column, message] = ['', '']] = Object.entries(parsed.fields)
    return refuse(DRAWER_COLUMNS.find((one) => one === column) ?? null, message)
  }
  return clashOf(parsed.value, row, before.get(paperKey(parsed.value)) ?? []) ?? { row, value: parsed.value }
}

/** What papers say of themselves, row by row; a later row may be silent, not say otherwise. */
const TRAITS = [
  'feel',
  'grammage_gsm',
  'thickness_mm',
  'pattern',
  'texture',
  'grain',
  'turning',
  'smaller_by_mm',
  'colour_side',
  'other_side',
] as const satisfies readonly DrawerColumn[]

const paperKey = ({ paper }: DrawerRow): string => paper.toLowerCase()

function clashOf(value: DrawerRow, row: number, own: readonly ReadRow[]): RefusedRow | null {
  for (const trait of TRAITS) {
    if (value[trait] === null) continue
    const said = own.find((one) => one.value[trait] !== null)
    if (said && said.value[trait] !== value[trait])
      return {
        row,
        column: trait,
        message: `Row ${said.row} says otherwise of ${value.paper}: ${said.value[trait]}.`,
      }
  }
  const { sheets } = value
  if (sheets === null) return null
  const [short, long] = [Math.min(sheets.widthMm, sheets.heightMm), Math.max(sheets.widthMm, sheets.heightMm)]
  const twin = own.find(
    ({ value: { sheets: other, offcut } }) =>
      other !== null &&
      offcut === value.offcut &&
      Math.min(other.widthMm, other.heightMm) === short &&
      Math.max(other.widthMm, other.heightMm) === long,
  )
  return twin
    ? { row, column: 'width', message: `Row ${twin.row} has this size of ${value.paper} already.` }
    : null
}

const fault = (of: DrawerFault): ReadDrawer => ({ ok: false, fault: of })
