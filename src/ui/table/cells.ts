import type { TableCell } from './DataTable'

/** A plain number in a table. */
export const figure = (count: number): TableCell => ({ text: String(count), by: count })
