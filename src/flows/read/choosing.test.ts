import { measured } from '../../../test/library'
import { LIBRARY, type FoldToMake } from '@/core/design'
import { choose, type Wishes } from './choosing'
import type { DrawerPaper } from './papers'

const design = (id: string) => {
  const found = LIBRARY.find((one) => one.id === id)
  if (!found) throw new Error(id)
  return measured(found)
}
const [heart, star, stem] = [design('simple-heart'), design('window-star'), design('rolled-stem')]
const ANY: Wishes = {
  family: null,
  skill: null,
  minutes: null,
  paper: null,
  sheetMm: null,
  paperOnly: false,
}
const paper = (caliperMm: number, amount: number): DrawerPaper => ({
  id: 'p',
  name: 'Oyster',
  frontColour: '#eeeeee',
  backColour: '#ffffff',
  feel: 'copier',
  pattern: 'plain',
  texture: 'smooth',
  grain: 'unknown',
  turnable: true,
  toleranceMm: null,
  feelLabel: 'copier paper',
  grammageGsm: 80,
  caliperMm,
  caliperMeasuredMm: null,
  note: '',
  sheets: [
    {
      stockItemId: 's',
      widthMm: 210,
      heightMm: 297,
      formatLabel: 'A4',
      offcut: false,
      amount,
      priceMinor: null,
      soldAs: '',
      forStems: false,
      grain: null,
    },
  ],
})
const eightLayers: readonly FoldToMake[] = [{ says: 'fold', layers: 8, lengthShare: 1, pieceShare: 1 }]
const of = (sheetMm: number, secondsPerUnit = 300, hardest: readonly FoldToMake[] = []) => ({
  secondsPerUnit,
  hardest,
  sheetMm,
})

test('nothing asked, nothing left out and nothing counted', () => {
  expect(choose(heart, ANY, of(100))).toEqual({ leftOut: null, byTime: null, byPaper: null })
})
test('an hour at five minutes is twelve hearts; a star takes eight kites', () => {
  expect(choose(heart, { ...ANY, minutes: 60 }, of(100))).toMatchObject({ byTime: 12 })
  expect(choose(star, { ...ANY, minutes: 60 }, of(100, 90))).toMatchObject({ byTime: 5 })
  expect(choose(heart, { ...ANY, minutes: 4 }, of(100))).toMatchObject({ leftOut: 'time' })
})
test('three sheets of A4 give twelve of 10 cm, and a star from eight of them; strips are a quarter high', () => {
  expect(choose(heart, { ...ANY, paper: paper(0.1, 3) }, of(100))).toMatchObject({ byPaper: 12 })
  expect(choose(star, { ...ANY, paper: paper(0.1, 3) }, of(100))).toMatchObject({ byPaper: 1 })
  // 210 x 297 holds strips of 200 x 50 in one column of five.
  expect(choose(stem, { ...ANY, paper: paper(0.1, 1) }, of(200))).toMatchObject({ byPaper: 5 })
  expect(choose(heart, { ...ANY, paper: paper(0.1, 3) }, of(250))).toMatchObject({ leftOut: 'sheet' })
})
test('a square or a paper that makes a fold too small leaves the design out; nothing asked does not', () => {
  // 4 layers of copier paper, 0.4 mm, want a line of 1.2 mm: 0.02 of the side is that from 60 mm on.
  const fine: readonly FoldToMake[] = [{ says: 'fold', layers: 4, lengthShare: 0.02, pieceShare: 1 }]
  expect(choose(heart, { ...ANY, sheetMm: 59 }, of(59, 300, fine))).toMatchObject({ leftOut: 'small' })
  expect(choose(heart, { ...ANY, sheetMm: 76 }, of(76, 300, fine))).toMatchObject({ leftOut: null })
  expect(choose(heart, ANY, of(59, 300, fine))).toMatchObject({ leftOut: null })
  // Thicker paper asks for more: 0.6 mm want 1.8 mm, 90 mm.
  const thick = { ...ANY, paper: paper(0.15, 3) }
  expect(choose(heart, thick, of(89, 300, fine))).toMatchObject({ leftOut: 'small' })
  expect(choose(heart, thick, of(91, 300, fine))).toMatchObject({ leftOut: null })
})
test('the first reason stands: kind, skill, supplies, then thickness', () => {
  expect(choose(heart, { ...ANY, family: 'star' }, of(100))).toMatchObject({ leftOut: 'family' })
  expect(choose(heart, { ...ANY, skill: 'demanding' }, of(100))).toMatchObject({ leftOut: 'skill' })
  expect(choose(star, { ...ANY, paperOnly: true }, of(100))).toMatchObject({ leftOut: 'supplies' })
  expect(choose(heart, { ...ANY, paperOnly: true }, of(100))).toMatchObject({ leftOut: null })
  expect(choose(heart, { ...ANY, paper: paper(0.1, 3) }, of(100, 300, eightLayers))).toMatchObject({
    leftOut: 'thickness',
  })
  expect(choose(heart, { ...ANY, paper: paper(0.07, 3) }, of(100, 300, eightLayers))).toMatchObject({
    leftOut: null,
  })
})
