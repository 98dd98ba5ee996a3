import { unparse } from 'papaparse'
import { DRAWER_COLUMNS, type DrawerTexts } from '@/schema/drawer-row'

/** Spreadsheets know by it that the text is UTF-8. */
const BYTE_ORDER_MARK = '\ufeff'

/** One that already begins with apostrophes gets one more, so that reading takes off just that. */
const FORMULA = /^'*[=+\-@\t\r\n][\s\S]*$/

/** A drawer as a table. A text that a spreadsheet would take for a formula gets an apostrophe before it. */
export const writeDrawerCsv = (rows: readonly DrawerTexts[]): string =>
  `${BYTE_ORDER_MARK}${unparse([...rows], { columns: [...DRAWER_COLUMNS], escapeFormulae: FORMULA, newline: '\r\n' })}\r\n`
