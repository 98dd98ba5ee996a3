import fc from 'fast-check'
import { cardSheets, envelopeFor, fitText, LETTERS_MM, tooLongBy } from '.'

const A4 = { widthMm: 210, heightMm: 297 }

test.each([
  [{ widthMm: 105, heightMm: 148.5 }, 10, { toASheet: 4, sheets: 3 }],
  [{ widthMm: 148.5, heightMm: 105 }, 4, { toASheet: 4, sheets: 1 }],
  [{ widthMm: 70, heightMm: 80 }, 36, { toASheet: 9, sheets: 4 }],
  [{ widthMm: 211, heightMm: 211 }, 1, null],
])('cards %j: %i of them out of A4', (card, cards, expected) => {
  expect(cardSheets(cards, card, A4)).toEqual(expected)
})

test('an A6 card goes into C6 flat, and not with 6 mm on it; turned it goes the same way', () => {
  const a6 = { widthMm: 148, heightMm: 105 }
  expect(envelopeFor({ ...a6, thickMm: 0.3 }, 'iso')?.label).toBe('C6')
  expect(envelopeFor({ widthMm: 105, heightMm: 148, thickMm: 3 }, 'iso')?.label).toBe('C6')
  expect(envelopeFor({ ...a6, thickMm: 6 }, 'iso')?.label).toBe('B6')
  expect(envelopeFor({ widthMm: 330, heightMm: 50, thickMm: 1 }, 'iso')).toBeNull()
  // 5 1/2 x 4 1/4 in, a quarter of Letter.
  expect(envelopeFor({ widthMm: 139.7, heightMm: 107.95, thickMm: 0.3 }, 'american')?.label).toBe('A6')
})

/** Letters half as wide as high, spaces too. */
const widthOf = (text: string) => text.length / 2

test('the size is the largest that fits, words stay whole', () => {
  const panel = { widthMm: 20, highMm: 15 }
  expect(fitText('happy days', panel, widthOf)).toEqual({ letterMm: 6, lines: ['happy', 'days'] })
  expect(fitText('happy days', { widthMm: 20, highMm: 5 }, widthOf)).toEqual({
    letterMm: 4,
    lines: ['happy days'],
  })
  expect(fitText('for\nyou', { widthMm: 100, highMm: 100 }, widthOf)).toEqual({
    letterMm: LETTERS_MM.most,
    lines: ['for', 'you'],
  })
  expect(fitText('fourteenletters', { widthMm: 20, highMm: 50 }, widthOf)).toBeNull()
})
test('what is told to go is enough, and one word less is not', () => {
  const panel = { widthMm: 20, highMm: 8 }
  // Two lines of 13 letters at 3 mm.
  expect(tooLongBy('many happy returns to', panel, widthOf)).toBe(0)
  expect(tooLongBy('many happy returns to all of you', panel, widthOf)).toBe(' all of you'.length)
  expect(tooLongBy('unbreakablyoverlong', panel, widthOf)).toBe('unbreakablyoverlong'.length)
})
test('whatever fits lies inside its panel, and all its words are there', () => {
  const word = fc.stringMatching(/^[a-z]{1,8}$/)
  fc.assert(
    fc.property(
      fc.array(word, { minLength: 1, maxLength: 30 }),
      fc.integer({ min: 10, max: 120 }),
      fc.integer({ min: 4, max: 80 }),
      (words, widthMm, highMm) => {
        const fitted = fitText(words.join(' '), { widthMm, highMm }, widthOf)
        if (!fitted) return
        expect(fitted.lines.join(' ').split(' ')).toEqual(words)
        for (const line of fitted.lines)
          expect(widthOf(line) * fitted.letterMm).toBeLessThanOrEqual(widthMm + 1e-9)
        expect(fitted.lines.length * 1.25 * fitted.letterMm).toBeLessThanOrEqual(highMm + 1e-9)
      },
    ),
  )
})
