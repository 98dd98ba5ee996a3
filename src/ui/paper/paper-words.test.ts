import { PREFERENCES } from '../../../test/preferences'
import type { DrawerFault } from '@/formats/drawer-csv'
import { foldingWords } from '../cut/layout-words'
import { amountWords } from './amounts'
import { drawerFaultWords } from './drawer-words'
import { needWords } from './supply-words'

const sheet = (
  widthMm: number,
  heightMm: number,
  amount: number,
  formatLabel: string | null,
  offcut = false,
) => ({
  widthMm,
  heightMm,
  amount,
  formatLabel,
  offcut,
})

describe('amounts as people count', () => {
  test.each([
    [[], 'none'],
    [[sheet(210, 297, 0, 'A4')], 'none'],
    [[sheet(210, 297, 2, 'A4'), sheet(80, 120, 5, null, true)], '2 A4 and 5 offcuts'],
    [[sheet(150, 150, 1, '15 cm square')], '1 square of 15 cm'],
    [
      [sheet(210, 297, 12, 'A4'), sheet(150, 150, 40, '15 cm square'), sheet(80, 120, 1, null, true)],
      '12 A4, 40 squares of 15 cm and 1 offcut',
    ],
    [[sheet(500, 700, 7, null)], '7 of 50 x 70 cm'],
    [[sheet(80, 120, 2, null, true), sheet(60, 60, 3, null, true)], '5 offcuts'],
  ])('%j', (sheets, words) => {
    expect(amountWords(sheets, PREFERENCES)).toBe(words)
  })
})

describe('supplies', () => {
  const of = (count: number, eachMm: number | null) => [{ what: 'stem', count, eachMm }]
  test('enough, short, too short, not kept', () => {
    const words = (
      standing: Parameters<typeof needWords>[0]['standing'],
      what = 'stem',
      wanted = of(42, 180),
    ) => needWords({ what, wanted, standing }, PREFERENCES)
    expect(words({ status: 'kept', measured: false, wanted: 42, short: 0 })).toEqual({
      wanted: '42 stems of 18 cm',
      standing: 'enough',
      short: false,
    })
    expect(words({ status: 'kept', measured: false, wanted: 42, short: 1 }).standing).toBe('1 stem short')
    expect(words({ status: 'too short', eachMm: 100 }).standing).toBe('yours are only 10 cm long')
    expect(words({ status: 'not kept' })).toMatchObject({ standing: 'not in your supplies', short: true })
    const string = [{ what: 'string', count: 1, eachMm: 2310 }]
    expect(words({ status: 'kept', measured: true, wanted: 2310, short: 310 }, 'string', string)).toEqual({
      wanted: '2.31 m of string',
      standing: '31 cm short',
      short: true,
    })
  })
})

describe('what is found by folding', () => {
  const a4 = { widthUm: 210_000, heightUm: 297_000 }
  test('a square off a sheet, halves and quarters; nothing else', () => {
    expect(foldingWords(a4, [210_000])[0]).toContain('fold one corner over')
    expect(foldingWords(a4, [148_500])[0]).toContain('edge to edge: its middle is the cut')
    expect(foldingWords(a4, [52_500, 105_000, 157_500])[0]).toContain('each edge to the middle')
    expect(foldingWords(a4, [104_000])).toEqual([])
    expect(foldingWords(a4, [])).toEqual([])
    // The first cut of a square sheet at its own side is none.
    expect(foldingWords({ widthUm: 150_000, heightUm: 150_000 }, [150_000])).toEqual([])
  })
})

test.each<[DrawerFault, string]>([
  [{ code: 'EMPTY' }, 'empty'],
  [{ code: 'NO_ROWS' }, 'no row'],
  [{ code: 'NOT_TEXT' }, 'CSV UTF-8'],
  [{ code: 'NO_PAPER_COLUMN', found: ['colour', 'size'] }, 'colour, size'],
  [{ code: 'COLUMN_TWICE', column: 'width' }, '“width”'],
  [{ code: 'OPEN_QUOTE', row: 7 }, 'row 7'],
  [{ code: 'TOO_MANY_ROWS', rows: 100_000 }, '100,000 rows'],
])('why a table is not read, and what to do: %j', (fault, says) => {
  expect(drawerFaultWords(fault)).toContain(says)
})
