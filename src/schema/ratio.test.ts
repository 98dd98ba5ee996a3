import type { SharingMethod } from '@/core/colour'
import { readRatio, sharedAs } from './ratio'

test.each<[string, number, readonly number[]]>([
  ['', 3, [1, 1, 1]],
  ['60/30/10', 3, [60, 30, 10]],
  [' 2 : 1 ', 2, [2, 1]],
  ['60 % 40 %', 2, [60, 40]],
  ['33,3/66,7', 2, [33.3, 66.7]],
  ['1;0;2', 3, [1, 0, 2]],
])('shares written %j', (text, papers, weights) => {
  expect(readRatio(text, papers)).toEqual({
    ok: true,
    shares: weights.map((weight) => ({ weight, locked: null })),
  })
})

test.each([
  ['60/40', 3, /Write 3 numbers/],
  ['a lot/little', 2, /Write numbers/],
  ['-1/2', 2, /Write numbers/],
  ['1e9/2', 2, /Write numbers/],
  ['0/0', 2, /must have a share/],
  ['=/2', 2, /Write numbers/],
  ['=-1/2', 2, /Write numbers/],
])('shares that cannot be: %j', (text, papers, words) => {
  const read = readRatio(text, papers)
  expect(read.ok ? '' : read.words).toMatch(words)
})

test('pieces are shared as written, and a number too large is refused in words', () => {
  expect(sharedAs('60/30/10', 36, 3, 'largest remainder')).toEqual({ ok: true, counts: [22, 11, 3] })
  expect(sharedAs('', 10, 3, 'largest remainder')).toEqual({ ok: true, counts: [4, 3, 3] })
  expect(sharedAs('1/2', 999_999, 2, 'largest remainder')).toMatchObject({
    ok: false,
    words: 'At most 100000 pieces can be shared out.',
  })
  expect(sharedAs('1/2/3', 9, 2, 'largest remainder')).toMatchObject({ ok: false })
})

test('some are held, the others share what is left', () => {
  expect(sharedAs('2/1/=5', 20, 3, 'largest remainder')).toEqual({ ok: true, counts: [10, 5, 5] })
  expect(sharedAs('=4/=6', 10, 2, 'largest remainder')).toEqual({ ok: true, counts: [4, 6] })
  expect(sharedAs('=4/=6', 12, 2, 'largest remainder')).toEqual({
    ok: false,
    words: '10 are held, of 12 there are.',
  })
  expect(sharedAs('=15/1', 12, 2, 'sainte-lague')).toMatchObject({ ok: false })
})

test('one more piece takes none away by one method, and does by the other', () => {
  const of = (pieces: number, method: SharingMethod) => {
    const shared = sharedAs('6/6/2', pieces, 3, method)
    return shared.ok ? shared.counts : []
  }
  expect([of(10, 'largest remainder'), of(11, 'largest remainder')]).toEqual([
    [4, 4, 2],
    [5, 5, 1],
  ])
  for (let pieces = 1; pieces < 60; pieces++)
    of(pieces + 1, 'sainte-lague').forEach((count, at) =>
      expect(count).toBeGreaterThanOrEqual(of(pieces, 'sainte-lague')[at] ?? 0),
    )
})
