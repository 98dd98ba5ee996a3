import fc from 'fast-check'
import type { Piece } from '../program/piece'
import { flatSheet, regularHexagon, unitSquare } from '../state/start'
import { largestUncreased } from './uncreased'

const flat = (
  kind: 'square' | 'hexagon',
  lines: readonly (readonly [number, number, number, number])[],
): Piece => ({
  state: flatSheet(kind === 'square' ? unitSquare : regularHexagon(1)),
  marks: lines.map(([x, y, toX, toY]) => ({ from: { x, y }, to: { x: toX, y: toY } })) as never,
})
const area = ({ width, height }: { width: number; height: number }) => width * height

// The square lies with its corner at the origin.
test('a sheet without a crease is whole; halved, half of it; folded in quarters both ways, a sixteenth', () => {
  expect(area(largestUncreased(flat('square', [])))).toBeCloseTo(1, 9)
  expect(area(largestUncreased(flat('square', [[0.5, 0, 0.5, 1]])))).toBeCloseTo(0.5, 9)
  const quarters = [0.25, 0.5, 0.75].flatMap((at): [number, number, number, number][] => [
    [at, 0, at, 1],
    [0, at, 1, at],
  ])
  expect(area(largestUncreased(flat('square', quarters)))).toBeCloseTo(1 / 16, 9)
})

test('beside one diagonal at most a quarter, half a side each way (derived), found to a cell', () => {
  const { width, height } = largestUncreased(flat('square', [[0, 0, 1, 1]]))
  expect(width * height).toBeLessThanOrEqual(0.25 + 1e-9)
  expect(width * height).toBeGreaterThan((0.5 - 1 / 240) ** 2 - 1e-9)
})

test('in a hexagon the largest rectangle is half its corners wide and as high as its flats, or wider and lower', () => {
  // Of width w from 1/2 to 1 the height is 2 (1 - w) sin 60 (corner to corner 1): w h is most at w = 1/2.
  const { width, height } = largestUncreased(flat('hexagon', []))
  expect(width * height).toBeLessThanOrEqual((0.5 * Math.sqrt(3)) / 2 + 1e-9)
  expect(width * height).toBeGreaterThan((0.5 - 2 / 240) * (Math.sqrt(3) / 2 - 2 / 240))
})

test('whatever creases there are: no point of them lies within, and no larger rectangle between two of them is missed', () => {
  const share = fc.integer({ min: 0, max: 24 }).map((at) => at / 24)
  fc.assert(
    fc.property(fc.array(fc.tuple(share, share, share, share), { maxLength: 4 }), (lines) => {
      const found = largestUncreased(flat('square', lines))
      const inner = 1e-7
      for (const [x, y, toX, toY] of lines)
        for (let step = 0; step <= 400; step += 1) {
          const at = { x: x + ((toX - x) * step) / 400, y: y + ((toY - y) * step) / 400 }
          const within =
            at.x > found.x + inner &&
            at.x < found.x + found.width - inner &&
            at.y > found.y + inner &&
            at.y < found.y + found.height - inner
          expect(within).toBe(false)
        }
      // By hand: any upright band between neighbouring ends of creases that no crease enters is free, but for a cell.
      const ends = [0, ...lines.flatMap(([x, , toX]) => [x, toX]), 1].sort((a, b) => a - b)
      ends.forEach((from, index) => {
        const to = ends[index + 1] ?? from
        const crossed = lines.some(([x, , toX]) => Math.min(x, toX) < to && Math.max(x, toX) > from)
        if (!crossed) expect(area(found)).toBeGreaterThanOrEqual(to - from - 1 / 240 - 1e-9)
      })
    }),
    { numRuns: 40 },
  )
})
