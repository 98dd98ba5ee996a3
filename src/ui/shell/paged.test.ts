import { pagedBy } from './paged'

const ten = Array.from({ length: 10 }, (_, index) => index)

test('a list in stretches: each item on one page, what is asked beyond the ends is the nearest', () => {
  const pages = ['1', '2', '3'].map((asked) => pagedBy(ten, asked, 4))
  expect(pages.map(({ shown }) => shown)).toEqual([
    [0, 1, 2, 3],
    [4, 5, 6, 7],
    [8, 9],
  ])
  expect(pages[0]!.pages).toBe(3)
  for (const asked of [undefined, '', 'x', '0', '-3', 'NaN', ['2', '3'], 'Infinity'])
    expect(pagedBy(ten, asked, 4).page).toBe(1)
  expect(pagedBy(ten, '99', 4)).toMatchObject({ page: 3, shown: [8, 9] })
  expect(pagedBy([], '2', 4)).toEqual({ shown: [], page: 1, pages: 1 })
})
