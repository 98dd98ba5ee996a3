import fc from 'fast-check'
import { apportionTable } from '.'

const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0)
const columnsOf = (cells: readonly (readonly number[])[], columns: number) =>
  Array.from({ length: columns }, (_, at) => sum(cells.map((row) => row[at] ?? 0)))

/** Every table of whole numbers with these totals whose cells are floors or ceilings: the slow way. */
function* tables(
  exact: readonly (readonly number[])[],
  rows: readonly number[],
  columns: readonly number[],
): Generator<readonly (readonly number[])[]> {
  function* fill(row: number, left: readonly number[]): Generator<readonly (readonly number[])[]> {
    if (row === rows.length) {
      if (left.every((one) => one === 0)) yield []
      return
    }
    function* cell(column: number, rest: number): Generator<readonly number[]> {
      if (column === columns.length) {
        if (rest === 0) yield []
        return
      }
      const value = exact[row]?.[column] ?? 0
      for (const whole of new Set([Math.floor(value + 1e-9), Math.ceil(value - 1e-9)]))
        if (whole <= rest) for (const others of cell(column + 1, rest - whole)) yield [whole, ...others]
    }
    for (const values of cell(0, rows[row] ?? 0)) {
      const after = left.map((one, at) => one - (values[at] ?? 0))
      if (after.every((one) => one >= 0)) for (const others of fill(row + 1, after)) yield [values, ...others]
    }
  }
  yield* fill(0, columns)
}

test('three designs in 60/30/10: rows keep their totals, columns their share of all 60', () => {
  const { cells, columns } = apportionTable([36, 14, 10], [60, 30, 10], 'largest remainder')
  expect(columns).toEqual([36, 18, 6])
  expect(cells.map(sum)).toEqual([36, 14, 10])
  expect(columnsOf(cells, 3)).toEqual([36, 18, 6])
  // 21.6 10.8 3.6 / 8.4 4.2 1.4 / 6 3 1
  expect(cells).toEqual([
    [22, 11, 3],
    [8, 4, 2],
    [6, 3, 1],
  ])
})
test('both margins hold and every cell is its exact value rounded down or up; nothing does with less rounding', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 0, max: 12 }), { minLength: 1, maxLength: 4 }),
      fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 1, maxLength: 4 }),
      fc.constantFrom('largest remainder' as const, 'sainte-lague' as const),
      (rows, weights, method) => {
        fc.pre(sum(weights) > 0)
        const { cells, columns } = apportionTable(rows, weights, method)
        const all = sum(rows)
        const exact = rows.map((row) => columns.map((column) => (all === 0 ? 0 : (row * column) / all)))
        const far = (table: readonly (readonly number[])[]) =>
          sum(table.flatMap((row, at) => row.map((value, column) => Math.abs(value - exact[at]![column]!))))
        expect(cells.map(sum)).toEqual(rows)
        expect(columnsOf(cells, columns.length)).toEqual(columns)
        const best = Math.min(...[...tables(exact, rows, columns)].map(far))
        expect(far(cells)).toBeCloseTo(best, 6)
      },
    ),
    { numRuns: 300 },
  )
})
test('a table of sixty lines in thirty papers is shared too', () => {
  const rows = Array.from({ length: 60 }, (_, at) => 5 + ((at * 37) % 50))
  const weights = Array.from({ length: 30 }, (_, at) => 1 + ((at * 7) % 11))
  const { cells, columns } = apportionTable(rows, weights, 'sainte-lague')
  expect(cells.map(sum)).toEqual(rows)
  expect(columnsOf(cells, 30)).toEqual(columns)
})
test('shares that are all nothing are refused', () => {
  expect(() => apportionTable([3], [0, 0], 'sainte-lague')).toThrow('OUT_OF_RANGE')
  expect(() => apportionTable([-1], [1], 'sainte-lague')).toThrow()
})
