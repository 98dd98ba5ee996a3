import { PREFERENCES } from '../../../test/preferences'
import { spoiledWords, type BegunLine } from './spoiled-words'

const begun: BegunLine = {
  designId: 'narrow-leaf',
  variantKey: 'halved',
  sheetMm: 60,
  unitsPerPiece: 1,
  papers: [
    { paperId: 'a', name: 'Buoy Orange', folded: 6, waiting: 2 },
    { paperId: 'b', name: 'Tidewater', folded: 0, waiting: 4 },
    { paperId: 'c', name: 'Oyster', folded: 0, waiting: 0 },
  ],
}
const line = (counts: Readonly<Record<string, string>>, more: object = {}) => ({
  designId: 'narrow-leaf',
  variantKey: 'halved',
  colours: 'whole' as const,
  pieces: '20',
  papers: Object.entries(counts).map(([paperId, pieces]) => ({ paperId, pieces })),
  ...more,
})
const words = (of: ReturnType<typeof line>, sheetMm: number | null = 60, from = begun) =>
  spoiledWords(of, from, sheetMm, PREFERENCES)

test('as many or more than are folded: nothing is spoiled; spares that are cut are none either', () => {
  expect(words(line({ a: '8', b: '12' }))).toEqual([])
  expect(words(line({ a: '6', b: '4' }))).toEqual([])
  expect(words(line({ a: '7', b: '3' }))).toEqual([])
  expect(words(line({ a: '', b: 'many' }))).toEqual([])
})
test('fewer than are folded, and a paper that is gone, are named with what would be left over', () => {
  expect(words(line({ a: '4', c: '16' }))).toEqual([
    'Buoy Orange: 6 folded and 2 cut already, 4 wanted; 4 pieces would be left over.',
    'Tidewater: 4 cut already, 0 wanted; 4 pieces would be left over.',
  ])
})
test('units of a ring by turns are counted by unit', () => {
  const ring = {
    ...begun,
    unitsPerPiece: 9,
    papers: begun.papers.map((one) => ({ ...one, folded: 6, waiting: 0 })),
  }
  expect(words(line({ a: '', b: '', c: '' }, { colours: 'in turn', pieces: '2' }), 60, ring)).toEqual([])
  expect(words(line({ a: '', b: '', c: '' }, { colours: 'in turn', pieces: '1' }), 60, ring)).toEqual([
    'Buoy Orange: 6 folded already, 3 wanted; 3 pieces would be left over.',
    'Tidewater: 6 folded already, 3 wanted; 3 pieces would be left over.',
    'Oyster: 6 folded already, 3 wanted; 3 pieces would be left over.',
  ])
})
test('another size, another design: all of it is told once', () => {
  expect(words(line({ a: '4' }), 65)).toEqual([
    'From 6 cm, 6 folded and 6 cut already: in another size new ones have to be cut, and these would be left over.',
  ])
  expect(words(line({ a: '4' }, { designId: 'crane' }))).toEqual([
    'Of what it was, 6 folded and 6 cut already: they would be of no use here.',
  ])
  expect(words(line({ a: '4' }), null)).toHaveLength(2)
})
test('of what is not begun nothing can be spoiled', () => {
  const fresh = { ...begun, papers: begun.papers.map((one) => ({ ...one, folded: 0, waiting: 0 })) }
  expect(words(line({}), 99, fresh)).toEqual([])
})
