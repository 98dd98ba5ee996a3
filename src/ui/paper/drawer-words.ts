import { MOST_ROWS, type DrawerFault } from '@/formats/drawer-csv'
import { plural } from '../format'

type Words = {
  readonly [Code in DrawerFault['code']]: (fault: Extract<DrawerFault, { code: Code }>) => string
}

const WORDS: Words = {
  EMPTY: () => 'This file is empty. Nothing was changed.',
  NO_ROWS: () => 'This file has a header and no row under it. Nothing was changed.',
  NOT_TEXT: () =>
    'This file is no plain text in UTF-8. In a spreadsheet, save it as “CSV UTF-8” and choose it again.',
  NO_PAPER_COLUMN: ({ found }) =>
    `The first row names the columns, and one of them must be “paper”. Here it has: ${found.slice(0, 12).join(', ').slice(0, 200)}.`,
  COLUMN_TWICE: ({ column }) => `Two columns are called “${column}”. Take one of them out.`,
  OPEN_QUOTE: ({ row }) =>
    `A quotation mark in row ${row} is not closed, so its fields cannot be told apart.`,
  TOO_MANY_ROWS: ({ rows }) =>
    `This file has ${plural(rows, 'row')}; up to ${MOST_ROWS.toLocaleString('en')} are read at once. Split it, or look whether it is the right one.`,
}

/** Why a table is not read, and what to do. */
export function drawerFaultWords(fault: DrawerFault): string {
  const words = WORDS[fault.code] as (fault: DrawerFault) => string
  return words(fault)
}
