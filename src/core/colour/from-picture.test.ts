import { seededRandom } from '../../../demo/random'
import { differenceOf, labOf } from './difference'
import { coloursOfPicture, nearestPapers } from './from-picture'

const rgb = (hex: string) => [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16))

/** A picture of known colours, each so many points, every channel off by at most `noise`. */
function picture(parts: readonly (readonly [hex: string, points: number])[], noise = 0): number[] {
  const random = seededRandom(5)
  const off = () => Math.round((random() * 2 - 1) * noise)
  return parts.flatMap(([hex, points]) =>
    Array.from({ length: points }, () => [
      ...rgb(hex).map((value) => Math.max(0, Math.min(255, value + off()))),
      255,
    ]).flat(),
  )
}
const near = (one: string, other: string) => differenceOf(labOf(one), labOf(other))

const KNOWN = [
  ['#c4491d', 4000],
  ['#2c6e7f', 2500],
  ['#6a4a66', 1000],
  ['#ded6c2', 450],
  ['#101010', 50],
] as const

test('a picture made of five colours gives these five, in their shares', () => {
  const found = coloursOfPicture(picture(KNOWN), 5)
  expect(found.map(({ hex }) => hex)).toEqual(KNOWN.map(([hex]) => hex))
  for (const [at, [, points]] of KNOWN.entries()) expect(found[at]?.share).toBeCloseTo(points / 8000, 6)
})

test('with grain as a photograph has it, every colour is still within what the eye tells apart', () => {
  const found = coloursOfPicture(picture(KNOWN, 12), 5)
  for (const [hex] of KNOWN) {
    const nearest = found.map((one) => near(one.hex, hex)).sort((a, b) => a - b)[0]
    // Grain moves what is nearly black the most.
    expect(nearest).toBeLessThan(hex === '#101010' ? 4 : 1)
  }
})

test('fewer are asked for: those that fill most of it; one colour is one, whatever is asked for', () => {
  expect(coloursOfPicture(picture(KNOWN), 2).map(({ hex }) => hex)).toEqual(['#c4491d', '#2c6e7f'])
  expect(coloursOfPicture(picture([['#5b7ba3', 100]]), 6)).toEqual([{ hex: '#5b7ba3', share: 1 }])
})

test('what is transparent is not seen, and nothing at all has no colour', () => {
  const clear = picture([['#00ff00', 500]]).map((value, at) => (at % 4 === 3 ? 0 : value))
  expect(coloursOfPicture([...clear, ...picture([['#c4491d', 10]])], 3)).toEqual([
    { hex: '#c4491d', share: 1 },
  ])
  expect(coloursOfPicture(clear, 3)).toEqual([])
  expect(coloursOfPicture([], 3)).toEqual([])
  expect(() => coloursOfPicture([], 0)).toThrow('colours')
})

test('the same picture gives the same colours each time', () => {
  expect(coloursOfPicture(picture(KNOWN, 20), 6)).toEqual(coloursOfPicture(picture(KNOWN, 20), 6))
})

test('the nearest paper first, by CIEDE2000', () => {
  const papers = [
    { id: 'plum', colour: '#6a4a66' },
    { id: 'tide', colour: '#2c6e7f' },
    { id: 'orange', colour: '#c4491d' },
  ]
  const [first, ...rest] = nearestPapers('#c04a22', papers)
  expect(first?.id).toBe('orange')
  expect(first?.difference).toBeCloseTo(near('#c04a22', '#c4491d'), 12)
  for (const other of rest) expect(other.difference).toBeGreaterThan(first!.difference)
})
