import { defaultGauges, gaugeShares, LIBRARY, mainPart, programOf } from '../../design'
import { add, inner, less, scaled, sized, type Spot } from '../../geometry'
import { foldAndUnfold, at, onto, square, step } from '../program/build'
import { runProgram, type Frame } from '../program'
import { onItsWay, stagesOf } from './halfway'
import { lieOf, openedFlap, type FlapCorner, type Lie } from './opened-flap'

const degrees = (value: number) => (value * Math.PI) / 180
/** A flap along x whose paper lies above it, its fold line at that angle. */
const corner = (angle: number): FlapCorner => ({
  at: { x: 0, y: 0 },
  along: { x: 1, y: 0 },
  square: { x: 0, y: 1 },
  angle: degrees(angle),
})
/** Where a place of the flap's plane goes. */
const placed = ({ along, square: across }: Lie, x: number, y: number): Spot =>
  add(scaled(along, x), scaled(across, y))

describe.each([25, 60, 90, 130])('a flap whose fold line stands at %d degrees', (angle) => {
  const flap = corner(angle)
  const [x, y] = [Math.cos(degrees(angle)), Math.sin(degrees(angle))]
  test.each([5, 30, 52, 80])('opened by %d degrees it keeps its lengths and hangs together', (opening) => {
    const open = degrees(opening)
    const [up, down] = [true, false].map((upper) => ({
      body: lieOf(flap, open, upper, false),
      tip: lieOf(flap, open, upper, true),
    }))
    for (const side of [up!, down!])
      for (const { along, square: across, up: normal } of [side.body, side.tip]) {
        expect(sized(along)).toBeCloseTo(1, 12)
        expect(sized(across)).toBeCloseTo(1, 12)
        expect(inner(along, across)).toBeCloseTo(0, 12)
        expect(inner(along, normal)).toBeCloseTo(0, 12)
        expect(sized(normal)).toBeCloseTo(1, 12)
      }
    for (const side of [up!, down!])
      // The fold line belongs to the tip and to what it turns on.
      expect(sized(less(placed(side.body, x, y), placed(side.tip, x, y)))).toBeCloseTo(0, 12)
    // Both sides of the tip share its folded edge, both sides of the rest theirs.
    expect(sized(less(placed(up!.tip, 1, 0), placed(down!.tip, 1, 0)))).toBeCloseTo(0, 12)
    expect(sized(less(placed(up!.body, -1, 0), placed(down!.body, -1, 0)))).toBeCloseTo(0, 12)
    // The upper side lies above the table, the lower one as far below it.
    expect(placed(up!.body, 0, 1).z).toBeCloseTo(Math.sin(open), 12)
    expect(placed(down!.body, 0, 1).z).toBeCloseTo(-Math.sin(open), 12)
  })
  test('closed, its tip lies mirrored at the fold line', () => {
    const tip = lieOf(flap, 0, true, true)
    for (const [u, v] of [
      [1, 0],
      [0.7, 0.4],
      [x, y],
    ] as const) {
      const off = u * y - v * x
      const found = placed(tip, u, v)
      expect(found.x).toBeCloseTo(u - 2 * off * y, 12)
      expect(found.y).toBeCloseTo(v + 2 * off * x, 12)
      expect(found.z).toBeCloseTo(0, 12)
    }
    // What was the upper side of the tip faces down within the flap.
    expect(tip.up.z).toBeCloseTo(-1, 12)
  })
})

const reversed: readonly Frame[] = LIBRARY.flatMap((design) =>
  design.variants.flatMap((variant) => {
    const program = programOf(mainPart(design), variant)
    return program ? runProgram(program, gaugeShares(design, defaultGauges(design), 150)).frames : []
  }),
).filter(({ done }) => done.spec.kind === 'reverse')
const gauges = { head: 0.1 }

test('every reverse fold and every tuck that ships has its picture and its stages', () => {
  expect(reversed.length).toBeGreaterThan(5)
  for (const frame of reversed) {
    expect(openedFlap(frame, gauges, 0.5)).not.toBeNull()
    expect([...stagesOf(frame, gauges)]).toHaveLength(5)
  }
})

test('opened before it is turned, closed at both ends', () => {
  const wide = (share: number) => {
    const { box } = openedFlap(reversed[0]!, gauges, share)!
    return box.right - box.left
  }
  // The neck of the crane: closed, then open, then out to the side.
  expect(wide(0.3)).not.toBeCloseTo(wide(0), 3)
  expect(wide(0.5)).toBeGreaterThan(wide(0.3))
})

test('a simple fold has no such picture', () => {
  const program = square([step({ key: 'book', say: 'Fold' }, foldAndUnfold(onto(at(0, 0), at(1, 0))))])
  expect(runProgram(program).frames.map((frame) => onItsWay(frame))).toEqual([null])
})
