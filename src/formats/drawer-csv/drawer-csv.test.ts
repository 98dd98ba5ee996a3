import fc from 'fast-check'
import { DRAWER_COLUMNS, type DrawerTexts } from '@/schema/drawer-row'
import { MOST_ROWS, readDrawerCsv, writeDrawerCsv, type ReadDrawer } from '.'

const HEADER = 'paper,width,height,sheets'
const good = (read: ReadDrawer) => {
  if (!read.ok) throw new Error(read.fault.code)
  return read
}
const refusal = (text: string) => {
  const { rows, refused } = good(readDrawerCsv(text))
  expect(rows).toEqual([])
  return refused[0]!
}
const fault = (text: string) => {
  const read = readDrawerCsv(text)
  if (read.ok) throw new Error('was read')
  return read.fault
}

describe('what people send', () => {
  const tidewater = { paper: 'Tidewater', sheets: { widthMm: 210, heightMm: 297, amount: 25 } }
  test.each([
    ['commas', 'paper,width,height,sheets\nTidewater,21,29.7,25'],
    [
      'semicolons and decimal commas, as spreadsheets of half of Europe write',
      'paper;width;height;sheets\r\nTidewater;21;29,7;25\r\n',
    ],
    ['tabs', 'paper\twidth\theight\tsheets\nTidewater\t21\t29.7\t25'],
    ['a byte order mark, capitals, spaces', '\ufeffPaper , Width, HEIGHT ,Sheets\nTidewater, 21, 29.7, 25'],
    ['quotation marks', '"paper","width","height","sheets"\n"Tidewater","21","29,7","25"'],
    ['a unit in the field', `${HEADER}\nTidewater,210 mm,29.7 cm,25`],
    ['a unit of its own, and empty lines', `unit,${HEADER}\n\n mm,Tidewater,210,297,25\n,,,,\n`],
    ['inches', `unit,${HEADER}\nin,Tidewater,8.26771653543307,11.6929133858268,25`],
  ])('%s', (_, text) => {
    const { rows, refused, unread } = good(readDrawerCsv(text))
    expect({ refused, unread }).toEqual({ refused: [], unread: [] })
    expect(rows).toHaveLength(1)
    const { widthMm, heightMm, amount } = rows[0]!.value.sheets!
    expect([rows[0]!.value.paper, Math.round(widthMm * 1000), Math.round(heightMm * 1000), amount]).toEqual([
      tidewater.paper,
      210_000,
      297_000,
      25,
    ])
  })
  test('a text with commas, quotes and a line break within its quotation marks', () => {
    const text = `paper,note\n"Reed, ""green""","from the\nmill"\nOyster,`
    const { rows } = good(readDrawerCsv(text))
    expect(rows.map(({ row, value }) => [row, value.paper, value.note])).toEqual([
      [2, 'Reed, "green"', 'from the\nmill'],
      [3, 'Oyster', ''],
    ])
  })
  test('columns that say nothing here are named', () => {
    expect(good(readDrawerCsv(`${HEADER},Shop\nOyster,21,29.7,3,corner`)).unread).toEqual(['Shop'])
  })
})

describe('what cannot be read is said, with the row a spreadsheet shows', () => {
  test.each<[string, object]>([
    ['', { code: 'EMPTY' }],
    ['\ufeff \n', { code: 'EMPTY' }],
    [HEADER, { code: 'NO_ROWS' }],
    ['colour,size\nred,A4', { code: 'NO_PAPER_COLUMN', found: ['colour', 'size'] }],
    ['paper,width,Width\nOyster,1,2', { code: 'COLUMN_TWICE', column: 'width' }],
    [`${HEADER}\nOyster,21,29.7,3\n"Reed,21,29.7,3`, { code: 'OPEN_QUOTE', row: 3 }],
    ['paper\n\u0000\u0001', { code: 'NOT_TEXT' }],
    [`paper\n${'x\n'.repeat(MOST_ROWS + 1)}`, { code: 'TOO_MANY_ROWS', rows: MOST_ROWS + 1 }],
  ])('%j', (text, expected) => {
    expect(fault(text)).toEqual(expected)
  })
  test('a hundred thousand rows are refused within a few seconds', () => {
    const text = `${HEADER}\n${Array.from({ length: 100_000 }, (_, row) => `Paper ${row},21,29.7,5`).join('\n')}`
    expect(fault(text)).toEqual({ code: 'TOO_MANY_ROWS', rows: 100_000 })
  })
  test.each([
    ['Oyster,0,29.7,3', 'width', 'width'],
    ['Oyster,-21,29.7,3', 'width', 'width'],
    ['Oyster,NaN,29.7,3', 'width', 'width'],
    ['Oyster,1e9,29.7,3', 'width', 'width'],
    ['Oyster,21,,3', 'height', 'how high'],
    ['Oyster,,29.7,3', 'width', 'how wide'],
    ['Oyster,21,29.7,', 'sheets', 'how many'],
    ['Oyster,21,29.7,-3', 'sheets', 'whole number'],
    ['Oyster,21,29.7,2.5', 'sheets', 'whole number'],
    ['Oyster,21,29.7,1e9', 'sheets', 'whole number'],
    [',21,29.7,3', 'paper', 'name'],
    ['Oyster,21,29.7,3,more', null, '5 fields and the header 4'],
  ])('%s', (row, column, says) => {
    const refused = refusal(`${HEADER}\n${row}`)
    expect(refused).toMatchObject({ row: 2, column })
    expect(refused.message).toContain(says)
  })
  test.each([
    ['feel', 'silky', 'thin, copier, soft, heavy'],
    ['grain', 'north', 'unknown, long, short'],
    ['colour_side', 'teal', '#2c6e7f'],
    ['offcut', 'maybe', 'yes or no'],
    ['price', 'cheap', 'number'],
    ['thickness_mm', '0', 'from 0.01'],
  ])('%s %s', (column, said, says) => {
    const refused = refusal(`paper,${column}\nOyster,${said}`)
    expect(refused).toMatchObject({ row: 2, column })
    expect(refused.message).toContain(says)
  })
  test('rows that say otherwise of one paper, or name a size twice, are refused; the first stands', () => {
    const { rows, refused } = good(
      readDrawerCsv(
        [
          `${HEADER},feel`,
          'Oyster,21,29.7,3,thin',
          'oyster,29.7,21,4,thin',
          'Oyster,15,15,4,heavy',
          'Oyster,15,15,9,',
        ].join('\n'),
      ),
    )
    expect(rows.map(({ row }) => row)).toEqual([2, 5])
    expect(refused).toEqual([
      { row: 3, column: 'width', message: 'Row 2 has this size of oyster already.' },
      { row: 4, column: 'feel', message: 'Row 2 says otherwise of Oyster: thin.' },
    ])
  })
})

test('sheets and offcuts of one size stand beside one another', () => {
  const text = `${HEADER},offcut\nOyster,21,29.7,3,no\nOyster,21,29.7,2,yes\nOyster,29.7,21,1,yes`
  const { rows, refused } = good(readDrawerCsv(text))
  expect(rows.map(({ value }) => [value.offcut, value.sheets?.amount])).toEqual([
    [false, 3],
    [true, 2],
  ])
  expect(refused).toMatchObject([{ row: 4, column: 'width' }])
})

test('whatever is written is read back as it was, formulas and quotation marks and all', () => {
  const texts = fc.record({
    paper: fc
      .string({ minLength: 1, maxLength: 40, unit: 'grapheme' })
      .map((name) => name.replace(/[\p{Cc}\ufffd\ufeff]/gu, '').trim())
      .filter((name) => name !== '' && name.length <= 80),
    sheets: fc.nat({ max: 100_000 }),
    widthUm: fc.integer({ min: 10_000, max: 5_000_000 }),
  })
  fc.assert(
    fc.property(fc.array(texts, { minLength: 1, maxLength: 5 }), (some) => {
      const distinct = some.filter(
        ({ paper }, index) =>
          some.findIndex((other) => other.paper.toLowerCase() === paper.toLowerCase()) === index,
      )
      const blank = Object.fromEntries(DRAWER_COLUMNS.map((column) => [column, ''])) as DrawerTexts
      const rows = distinct.map(({ paper, sheets, widthUm }) => ({
        ...blank,
        paper,
        width: String(widthUm / 1000),
        height: '297',
        unit: 'mm',
        sheets: String(sheets),
      }))
      const read = good(readDrawerCsv(writeDrawerCsv(rows)))
      expect(read.refused).toEqual([])
      expect(
        read.rows.map(({ value }) => [
          value.paper,
          Math.round(value.sheets!.widthMm * 1000),
          value.sheets!.amount,
        ]),
      ).toEqual(distinct.map(({ paper, sheets, widthUm }) => [paper, widthUm, sheets]))
    }),
  )
})

test.each(['\n=1+1', '\r\n=1+1', "'=1\n=2", '+1\nand more'])(
  'a text with line breaks, %j, is guarded too',
  (note) => {
    const blank = Object.fromEntries(DRAWER_COLUMNS.map((column) => [column, ''])) as DrawerTexts
    const text = writeDrawerCsv([{ ...blank, paper: 'Tidewater', note }])
    expect(text).toContain(`"'${note}"`)
  },
)

test('a name that a spreadsheet would run as a formula goes out guarded', () => {
  const blank = Object.fromEntries(DRAWER_COLUMNS.map((column) => [column, ''])) as DrawerTexts
  const text = writeDrawerCsv([{ ...blank, paper: '=HYPERLINK("x")' }])
  expect(text).toContain(`"'=HYPERLINK(""x"")"`)
  expect(good(readDrawerCsv(text)).rows[0]!.value.paper).toBe('=HYPERLINK("x")')
})
