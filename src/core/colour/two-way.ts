import { requireCount } from '../errors'
import { ROUNDING } from '../numeric'
import { apportion, MOST_SHARED, type SharingMethod } from './apportion'

/** A table of designs by colours. */
export interface SharedTable {
  /** Pieces of each row in each column. */
  readonly cells: readonly (readonly number[])[]
  /** What the columns come to: the shares as whole numbers of all. */
  readonly columns: readonly number[]
}

/** One cell that may be rounded up: where it is, and how much it lacks of the next whole number. */
interface Edge {
  readonly row: number
  readonly column: number
  readonly cost: number
  taken: boolean
}

/**
 * The cheapest way from a row that lacks a piece to a column that lacks one, over cells rounded up and, backwards, cells
 * that give their piece up again. *Source* successive shortest paths (Bellman and Ford). A table has a few dozen cells:
 * a solver would be loaded for longer than this takes.
 */
function cheapestPath(
  edges: readonly Edge[],
  rowsLack: readonly number[],
  columnsLack: readonly number[],
): readonly Edge[] {
  const reach = {
    rows: rowsLack.map((lack) => (lack > 0 ? 0 : Infinity)),
    columns: columnsLack.map(() => Infinity),
  }
  const by = { rows: new Map<number, Edge>(), columns: new Map<number, Edge>() }
  for (let changed = true; changed;) {
    changed = false
    for (const edge of edges) {
      const [atRow, atColumn] = [reach.rows[edge.row] ?? Infinity, reach.columns[edge.column] ?? Infinity]
      if (!edge.taken && atRow + edge.cost < atColumn - ROUNDING) {
        reach.columns[edge.column] = atRow + edge.cost
        by.columns.set(edge.column, edge)
        changed = true
      } else if (edge.taken && atColumn - edge.cost < atRow - ROUNDING) {
        reach.rows[edge.row] = atColumn - edge.cost
        by.rows.set(edge.row, edge)
        changed = true
      }
    }
  }
  let end = -1
  columnsLack.forEach((lack, column) => {
    const here = reach.columns[column] ?? Infinity
    if (lack > 0 && here < Infinity && (end === -1 || here < (reach.columns[end] ?? Infinity) - ROUNDING))
      end = column
  })
  const path: Edge[] = []
  for (let edge = by.columns.get(end); edge;) {
    path.push(edge)
    const back = by.rows.get(edge.row)
    if (!back) break
    path.push(back)
    edge = by.columns.get(back.column)
  }
  return path
}

/**
 * Every row shared over the columns in the same parts, in whole numbers: each row keeps its total, each column the share
 * of all that is its due, each cell is rounded down or up, and as few as can be are rounded away from their nearer side.
 * *Throws* as `apportion`.
 */
export function apportionTable(
  rowTotals: readonly number[],
  weights: readonly number[],
  method: SharingMethod,
): SharedTable {
  for (const total of rowTotals) requireCount('row', total, 0, MOST_SHARED)
  const all = rowTotals.reduce((sum, total) => sum + total, 0)
  const columns = apportion(
    all,
    weights.map((weight) => ({ weight, locked: null })),
    method,
  )
  const exact = rowTotals.map((row) => columns.map((column) => (all === 0 ? 0 : (row * column) / all)))
  const cells = exact.map((row) => row.map((value) => Math.floor(value + ROUNDING)))
  const rowsLack = rowTotals.map((total, at) => total - sum(cells[at] ?? []))
  const columnsLack = columns.map((total, at) => total - sum(cells.map((row) => row[at] ?? 0)))
  const edges = exact.flatMap((values, row) =>
    values.flatMap((value, column): readonly Edge[] => {
      const part = value - (cells[row]?.[column] ?? 0)
      return part > ROUNDING ? [{ row, column, cost: 1 - part, taken: false }] : []
    }),
  )
  for (let left = sum(rowsLack); left > 0; left--) {
    const path = cheapestPath(edges, rowsLack, columnsLack)
    const [last, first] = [path[0], path.at(-1)]
    if (!last || !first) break
    for (const edge of path) edge.taken = !edge.taken
    rowsLack[first.row] = (rowsLack[first.row] ?? 0) - 1
    columnsLack[last.column] = (columnsLack[last.column] ?? 0) - 1
  }
  return {
    columns,
    cells: cells.map((row, at) =>
      row.map(
        (value, column) =>
          value + (edges.some((edge) => edge.taken && edge.row === at && edge.column === column) ? 1 : 0),
      ),
    ),
  }
}

const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0)
