import { BASES } from '@/core/fold'
import { LIBRARY } from '@/core/design'
import { readDesignSource } from './design-document'
import { nestsTooDeep, roundSchema, sheetSchema } from './fold-program'

const roundOf = (move: object) => roundSchema.safeParse({ moves: [move] })
const at = (x: number, y: number) => ({ sheet: [x, y] })
const line = { onto: [at(0, 0), at(1, 1)] }
const fold = { kind: 'fold', way: 'valley', line }

test('every program that ships is what its schema says, and comes back unchanged', () => {
  for (const { program } of BASES) {
    expect(sheetSchema.parse(program.sheet)).toEqual(program.sheet)
    for (const step of program.steps)
      for (const round of step.rounds)
        expect(roundSchema.parse(JSON.parse(JSON.stringify(round)))).toEqual(
          JSON.parse(JSON.stringify(round)),
        )
  }
  for (const design of LIBRARY)
    expect(readDesignSource(JSON.stringify(design))).toEqual(JSON.parse(JSON.stringify(design)))
})

test.each([
  ['a kind that is none', { ...fold, kind: 'wrap' }],
  ['an unknown key', { ...fold, colour: 'red' }],
  ['a way that is none', { ...fold, way: 'sideways' }],
  ['no line', { kind: 'fold', way: 'valley' }],
  ['a point of three numbers', { ...fold, line: { onto: [{ sheet: [0, 0, 0] }, at(1, 1)] } }],
  ['NaN', { ...fold, line: { onto: [at(NaN, 0), at(1, 1)] } }],
  ['an infinite length', { ...fold, line: { onto: [at(Infinity, 0), at(1, 1)] } }],
  ['half a layer', { ...fold, take: { at: at(0, 0), layers: 0.5 } }],
  ['no layers', { ...fold, take: { at: at(0, 0), layers: 0 } }],
  ['a tuck that takes nothing', { kind: 'tuck', name: 'tuck', line, take: [], hints: [] }],
  [
    '10,000 creases in one move',
    {
      kind: 'refold',
      name: 'collapse',
      open: [],
      add: Array.from({ length: 10_000 }, () => [[0, 0], [1, 1], 'M']),
      stays: [0, 0],
      shows: [0, 0],
    },
  ],
])('a move with %s is refused', (_, move) => {
  expect(roundOf(move).success).toBe(false)
})

test('the refusal names the place', () => {
  const result = roundOf({ ...fold, line: { onto: [at(0, 0), { sheet: [0, 'x'] }] } })
  expect(result.error?.issues[0]?.path.slice(0, 3)).toEqual(['moves', 0, 'line'])
})

test.each([
  ['a hexagon with corners', { kind: 'hexagon', corners: [] }],
  [
    'two corners',
    {
      kind: 'polygon',
      corners: [
        [0, 0],
        [1, 0],
      ],
    },
  ],
  [
    'a corner that is no number',
    {
      kind: 'polygon',
      corners: [
        [0, 0],
        [1, 0],
        [null, 1],
      ],
    },
  ],
  ['no height', { kind: 'rectangle', height: 0 }],
])('a sheet of %s is refused', (_, sheet) => {
  expect(sheetSchema.safeParse(sheet).success).toBe(false)
})

test('what nests without end is seen before it is walked', () => {
  let deep: unknown = at(0, 0)
  for (let level = 0; level < 5000; level++) deep = { from: deep, by: [0, 0] }
  expect(nestsTooDeep(deep)).toBe(true)
  for (const { program } of BASES) expect(nestsTooDeep(program)).toBe(false)
})
