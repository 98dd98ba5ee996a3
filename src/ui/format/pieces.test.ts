import { PREFERENCES } from '../../../test/preferences'
import { unitNoun } from '../project/unit-noun'
import type { LineView } from '@/flows/read/line-view'
import { formatPiece, pieceNoun } from '.'

describe('pieces of paper in words', () => {
  test.each([
    [1, 1, 'square'],
    [4, 1, 'quarter square'],
    [1, 0.5, 'piece'],
    [1, 0.25, 'piece'],
  ] as const)('%d a square, %d high by wide: a %s', (perSquare, highPerWide, noun) => {
    expect(pieceNoun(perSquare, highPerWide)).toBe(noun)
  })
  test('a square by its side, another by both sides, in the unit of the reader', () => {
    expect(formatPiece(124.5, 1, PREFERENCES)).toBe('12.45 cm')
    expect(formatPiece(118.5, 0.5, PREFERENCES)).toBe('11.85 x 5.925 cm')
    const inches = { ...PREFERENCES, unit: 'in', ruler: 'inch-1/16' } as const
    expect(formatPiece(215.9, 0.5, inches)).toBe('8 1/2 in x 4 1/4 in')
  })
})

describe('what folded things are called', () => {
  const lines = (...units: readonly number[]) => ({
    lines: units.map((unitsPerPiece) => ({ unitsPerPiece }) as LineView),
  })
  test('pieces, until one of them is made of several units', () => {
    expect(unitNoun(lines())).toBe('piece')
    expect(unitNoun(lines(1, 1))).toBe('piece')
    expect(unitNoun(lines(1, 8))).toBe('unit')
  })
})
