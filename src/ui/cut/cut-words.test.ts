import { PREFERENCES } from '../../../test/preferences'
import type { CutStep } from '@/core/cut'
import { countOf } from '../format'
import { stepWords } from './cut-words'

const step = (setUm: number): CutStep => ({
  from: 'sheet',
  of: 1,
  axis: 'y',
  lengthUm: 297_000,
  offs: [{ setUm, parts: 2, cuts: 2, gives: 'strip' }],
})
const sheet = { widthUm: 297_000, heightUm: 210_000 }
const words = (setUm: number, change: object = {}) =>
  stepWords(step(setUm), sheet, (count) => countOf(count, 'square'), {
    ...PREFERENCES,
    ruler: 'mm-0.5',
    ...change,
  })

test('a distance on the ruler is told once; off it exactly for the trimmer, and the mark below for the ruler', () => {
  expect(words(104_000)).toEqual({
    take: 'The sheet, along its 21 cm side',
    cut: 'set 10.4 cm, 2 cuts, for 2 strips',
    marks: '10.4 cm, 20.8 cm',
  })
  expect(words(103_923)).toMatchObject({
    cut: 'set 10.392 cm (by ruler 10.35 cm), 2 cuts, for 2 strips',
    // Each mark down by itself: 207.846 mm is 20.75 on a ruler of halves.
    marks: '10.35 cm, 20.75 cm',
  })
})

test('a hair under a mark is on it; inches are told as fractions with what is over', () => {
  expect(words(103_990).marks).toBe('10.4 cm, 20.8 cm')
  expect(words(101_600, { unit: 'in', ruler: 'inch-1/16' })).toMatchObject({
    cut: 'set 4 in, 2 cuts, for 2 strips',
    marks: '4 in, 8 in',
  })
})
