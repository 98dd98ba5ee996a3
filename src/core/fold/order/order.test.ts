import { MAP_FOLDINGS, STAMP_FOLDINGS } from '../../../../test/reference/foldings'
import { point, type Polygon } from '../../geometry'
import { orderConditions, solveOrder, Stopped, type FoldedCrease, type OrderResult } from '.'

const UNIT: Polygon = [point(0, 0), point(1, 0), point(1, 1), point(0, 1)]
const LIMITS = { most: 100_000 }

/** A map of columns x rows unit stamps folded onto one stamp, with every crease on the edge where it comes to lie. */
function mapOf(columns: number, rows: number) {
  const at = (column: number, row: number) => row * columns + column
  const creases: FoldedCrease[] = []
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const x = column % 2 === 0 ? 1 : 0
      const y = row % 2 === 0 ? 1 : 0
      const here = at(column, row)
      if (column + 1 < columns)
        creases.push({
          first: here,
          second: at(column + 1, row),
          from: point(x, 0),
          to: point(x, 1),
          folded: true,
        })
      if (row + 1 < rows)
        creases.push({
          first: here,
          second: at(column, row + 1),
          from: point(0, y),
          to: point(1, y),
          folded: true,
        })
    }
  return { shapes: Array.from({ length: columns * rows }, () => UNIT), creases }
}

const ordersOf = (result: OrderResult): number => (result.status === 'ordered' ? result.orders : 0)
const solveMap = (columns: number, rows: number) => {
  const { shapes, creases } = mapOf(columns, rows)
  return solveOrder(orderConditions(shapes, creases), [], LIMITS)
}

test.each(STAMP_FOLDINGS.filter(({ input }) => input <= 7))(
  '$what: $value foldings ($source)',
  ({ input, value }) => {
    expect(ordersOf(solveMap(input, 1))).toBe(value)
  },
)

test.each(MAP_FOLDINGS)('$what: $value foldings ($source)', ({ input, value }) => {
  expect(ordersOf(solveMap(2, input))).toBe(value)
})

/** Every order of a strip by trying all permutations: no crease may cross another on its side. */
function stripByPermutations(stamps: number): number {
  const permute = (left: readonly number[]): readonly (readonly number[])[] =>
    left.length === 0
      ? [[]]
      : left.flatMap((one) => permute(left.filter((other) => other !== one)).map((rest) => [one, ...rest]))
  const crosses = (height: readonly number[], i: number, j: number) => {
    const [low, high] = [
      Math.min(height[i] ?? 0, height[i + 1] ?? 0),
      Math.max(height[i] ?? 0, height[i + 1] ?? 0),
    ]
    const within = (stamp: number) => (height[stamp] ?? 0) > low && (height[stamp] ?? 0) < high
    return within(j) !== within(j + 1)
  }
  return permute(Array.from({ length: stamps }, (_, index) => index)).filter((height) => {
    for (let i = 0; i + 1 < stamps; i++)
      for (let j = i + 2; j + 1 < stamps; j += 2) if (crosses(height, i, j)) return false
    return true
  }).length
}

test.each([2, 3, 4, 5, 6])('a strip of %i agrees with trying every permutation', (stamps) => {
  expect(ordersOf(solveMap(stamps, 1))).toBe(stripByPermutations(stamps))
})

describe('what is known beforehand', () => {
  const { shapes, creases } = mapOf(4, 1)
  const conditions = orderConditions(shapes, creases)
  test('halves the orders of a strip: the first above the second', () => {
    expect(ordersOf(solveOrder(conditions, [{ above: 0, below: 1 }], LIMITS))).toBe(8)
  })
  test('can contradict itself; the faces are named', () => {
    const known = [
      { above: 0, below: 1 },
      { above: 1, below: 0 },
    ]
    expect(solveOrder(conditions, known, LIMITS)).toEqual({ status: 'no order', faces: [0, 1] })
  })
  test('an order found is one of the permutations: transitive and complete', () => {
    const result = solveOrder(conditions, [], LIMITS)
    if (result.status !== 'ordered') throw new Error(result.status)
    const depth = shapes.map((_, face) => result.above.filter(([, below]) => below === face).length)
    expect([...depth].sort()).toEqual([0, 1, 2, 3])
  })
})

test('counting stops at its limit and can be stopped from outside', () => {
  const { shapes, creases } = mapOf(7, 1)
  const conditions = orderConditions(shapes, creases)
  const limited = solveOrder(conditions, [], { most: 10 })
  expect(limited).toMatchObject({ status: 'ordered', atLeast: true })
  let calls = 0
  expect(solveOrder(conditions, [], { most: 100_000, shouldStop: () => ++calls > 20 })).toEqual({
    status: 'stopped',
  })
})

test('no faces, one face: one order', () => {
  expect(solveOrder(orderConditions([], []), [], LIMITS)).toMatchObject({ status: 'ordered', orders: 1 })
  expect(solveOrder(orderConditions([UNIT], []), [], LIMITS)).toMatchObject({
    status: 'ordered',
    orders: 1,
    above: [],
  })
})

test('gathering conditions is told as it goes, and stops when asked before any guess', () => {
  const shapes = Array.from({ length: 12 }, () => UNIT)
  const shares: number[] = []
  orderConditions(shapes, [], { gathered: (share) => shares.push(share) })
  expect(shares).toHaveLength(12)
  expect(shares.at(-1)).toBe(1)
  expect(shares.every((share, index) => share > (shares[index - 1] ?? 0))).toBe(true)
  let asked = 0
  expect(() => orderConditions(shapes, [], { shouldStop: () => ++asked > 3 })).toThrow(Stopped)
  expect(asked).toBe(4)
})
