import { measured } from '../../../test/library'
import { figuresOf, flapDepth, looseLocks, runProgram, whereIs } from '../fold'
import {
  drawDesign,
  shareable,
  stagesOf,
  defaultGauges,
  finishedSizes,
  gaugeShares,
  LIBRARY,
  mainPart,
  programOf,
  variantOf,
  type DesignSource,
} from '.'

/**
 * Key ratios of every design, derived on paper from its steps and written out here as numbers and roots; nothing in
 * this file is read off the engine. Side of the sheet 1, gauges as given.
 */
const H = Math.SQRT1_2
const TAN = (degrees: number) => Math.tan((degrees * Math.PI) / 180)
const SIN = (degrees: number) => Math.sin((degrees * Math.PI) / 180)
const COS = (degrees: number) => Math.cos((degrees * Math.PI) / 180)

const source = (id: string): DesignSource => {
  const found = LIBRARY.find((design) => design.id === id)
  if (!found) throw new Error(`no design ${id}`)
  return found
}
const documents = new Map(LIBRARY.map((design) => [design.id, measured(design)]))

function sizeOf(id: string, variantKey: string, axis: string, gauges: Readonly<Record<string, number>> = {}) {
  const document = documents.get(id)
  if (!document) throw new Error(`no design ${id}`)
  const variant = variantOf(document, variantKey)
  // On a sheet of 100 mm: settings below are then hundredths of the side.
  const settings = { ...defaultGauges(document), ...gauges }
  return (
    (finishedSizes(document, variant, 100, settings).find((size) => size.axis === axis)?.sizeMm ?? NaN) / 100
  )
}

/** A caliper on a regular figure of n points: where n is odd no point faces another. */
const read = (n: number, diameter: number) => (n % 2 === 0 ? diameter : diameter * COS(90 / n))
const ringAcross = (n: number) => read(n, 2 * H * Math.hypot(1.5, 1 / (2 * TAN(180 / n))))
/** Where a unit's inner edge meets the slanting edge of the next one. */
const ringHole = (n: number) => {
  const [r, c, s] = [(H / TAN(180 / n) - H) / 2, COS(360 / n), SIN(360 / n)]
  return 2 * r * Math.hypot(1, (1 - c + s) / (c + s))
}

type Row = readonly [
  id: string,
  variant: string,
  axis: string,
  onPaper: number,
  gauges?: Record<string, number>,
]
const ROWS: readonly Row[] = [
  // Two pleats of 3/16 go from every side; the legs take their depth from both ends of the diagonal.
  ['twist-blossom', 'plain', 'across', 1 - 6 / 16],
  ['twist-blossom', 'plain', 'corner-to-corner', (1 - 6 / 16) * Math.SQRT2 - 2 * 0.12, { depth: 12 }],
  ['twist-blossom', 'plain', 'height', 0.17, { depth: 17 }],
  ['field-flower', 'plain', 'height', H - 0.04, { trim: 4 }],
  // The corner of the sheet, on its petal fold, lands where the edge of the sheet was: four tips on a circle of 1.
  [
    'crocus',
    'plain',
    'tip-to-tip',
    2 * (Math.SQRT2 / 4 - (Math.SQRT2 - 1) / 4 + (0.5 - Math.SQRT2 / 4 + (Math.SQRT2 - 1) / 4)),
  ],
  ['crocus', 'plain', 'width', H],
  ['tulip', 'plain', 'height', 1 / 2],
  // The left corner comes to the middle; the right fold runs through the middle of the lower edge: an eighth on both sides.
  ['tulip', 'plain', 'width', 1 / 4],
  ['narrow-leaf', 'halved', 'tip-to-tip', Math.SQRT2],
  ['narrow-leaf', 'open', 'width', Math.SQRT2 * TAN(22.5)],
  ['lobed-leaf', 'plain', 'span', COS(30)],
  ['rolled-stem', 'plain', 'length', 1],
  ['rolled-stem', 'plain', 'thickness', 1 / 4 / 8],
  ['simple-heart', 'rounded', 'width', (9 / 8) * H],
  ['pocket-lock-heart', 'plain', 'width', H],
  ['pocket-lock-heart', 'plain', 'height', (7 / 8) * H],
  ['framed-heart', 'plain', 'width', 2 * (1 / 2 - 3 / 16) - 2 * 0.05, { frame: 5 }],
  ['framed-heart', 'plain', 'height', 1 / 2 - 0.05, { frame: 5 }],
  ['message-heart', 'plain', 'width', 2 / 4],
  ['message-heart', 'plain', 'height', 1 / 2 - 1 / 16],
  // A wing turns on a ridge that leans by 12 degrees: twice the distance of its furthest corner from that line, which
  // lies its body beyond a place of the middle near the tail; and along the line, as long as the half of the piece.
  ['quick-butterfly', 'plain', 'span', 2 * (0.5 * COS(12) - 0.5 * SIN(12) - 0.02), { body: 2 }],
  ['quick-butterfly', 'plain', 'length', 0.5 * SIN(12) + 0.5 * COS(12)],
  [
    'raised-head-butterfly',
    'plain',
    'span',
    2 * (H * (0.88 * COS(12) - (0.55 - 0.12) * SIN(12)) - 0.02),
    { body: 2 },
  ],
  ['raised-head-butterfly', 'plain', 'length', ((0.5 + 0.85 - 2 * 0.15) * H + 0.1) * COS(12), { head: 10 }],
  [
    'offset-wing-butterfly',
    'plain',
    'span',
    2 * (0.56 * COS(12) - (H - 2 * 0.07 * Math.SQRT2 - (H - 0.56)) * SIN(12) - 0.02),
    { body: 2 },
  ],
  [
    'offset-wing-butterfly',
    'plain',
    'length',
    (H + 0.1 / 2 - 2 * (0.79 - 0.72) * Math.SQRT2) * COS(12) + 0.56 * SIN(12),
    { offset: 10 },
  ],
  [
    'lapped-wing-butterfly',
    'plain',
    'span',
    2 * ((1 / 2 - 1 / 8) * COS(12) - (0.43 - 0.35) * SIN(12) - 0.02),
    { body: 2 },
  ],
  ['lapped-wing-butterfly', 'plain', 'length', (0.72 - 1 / 4 - 2 * (0.48 - 0.43)) * COS(12) + 0.28 * SIN(12)],
  [
    'two-colour-butterfly',
    'plain',
    'span',
    2 * ((13 / 32) * COS(12) - (1 / 4 - 0.1) * SIN(12) - 0.02),
    { body: 2 },
  ],
  [
    'two-colour-butterfly',
    'plain',
    'length',
    (1 / 2 - 2 * 0.05) * COS(12) + (1 / 2 - 2 * (3 / 32)) * SIN(12),
  ],
  ['window-star', 'eight', 'across', 2 * Math.SQRT2],
  ['window-star', 'sixteen', 'across', 2 * Math.SQRT2],
  ...([9, 10, 12] as const).flatMap((n): [string, string, string, number][] => {
    const key = { 9: 'nine', 10: 'ten', 12: 'twelve' }[n]
    return [
      ['ring-star', key, 'across', ringAcross(n)],
      ['ring-star', key, 'hole-circle', ringHole(n)],
      ['ring-star', key, 'hole-widest', read(n, ringHole(n))],
    ]
  }),
  ['spinner-mount', 'plain', 'across-flats', H],
  ['hexagon-flake', 'pointed', 'across', 5 / 8],
  ['hexagon-flake', 'blunt', 'height', (4 * Math.sqrt(3)) / 16],
  ['hexagon-flake', 'rimmed', 'across', 5 / 8 - 2 * 0.045],
  ['hexagon-flake', 'rimmed', 'height', (6 * Math.sqrt(3)) / 16 - 2 * 0.045 * COS(30)],
  ['pleated-gourd', 'plain', 'across', 1 / 8],
  ['carved-face-gourd', 'plain', 'width', 2 * 0.405],
  ['carved-face-gourd', 'plain', 'height', 0.34 + H / 2 - 0.06 / 2, { nose: 6 }],
]
test.each(ROWS.map(([id, variant, axis, onPaper, gauges = {}]) => ({ id, variant, axis, onPaper, gauges })))(
  '$id, $variant: $axis is $onPaper on paper',
  ({ id, variant, axis, onPaper, gauges }) => {
    expect(sizeOf(id, variant, axis, gauges)).toBeCloseTo(onPaper, 9)
  },
)

test('every design that ships is derived here or beside its own forms', () => {
  const elsewhere = ['corner-folded-rosette', 'crane']
  const here = new Set([...ROWS.map(([id]) => id), ...elsewhere])
  expect(LIBRARY.filter(({ id }) => !here.has(id)).map(({ id }) => id)).toEqual([])
})

const endOf = (id: string, variantKey: string) => {
  const design = source(id)
  const program = programOf(mainPart(design), variantOf(design, variantKey))
  if (!program) throw new Error(`${id} has no moves`)
  return figuresOf(runProgram(program, gaugeShares(design, defaultGauges(design), 150)).end.state)
}

test.each<[id: string, variant: string, layers: number, why: string]>([
  [
    'tulip',
    'plain',
    20,
    'four of the base, of the right corner and of the left within it where the faces lock; on the other face there, of the last only the base and one corner',
  ],
  ['rolled-stem', 'plain', 8, 'eight turns of one layer'],
  ['pleated-gourd', 'plain', 8, 'eight pleats'],
  ['window-star', 'eight', 2, 'one flap over the kite'],
  ['window-star', 'sixteen', 4, 'a second flap over the first, at the foot'],
  ['ring-star', 'nine', 4, 'the sheet and a corner, twice'],
  ['message-heart', 'plain', 4, 'the end and the half of the strip, their corners behind'],
])('%s, %s: %d layers at the thickest (derived: %s)', (id, variant, layers) => {
  expect(endOf(id, variant).mostLayers).toBe(layers)
})

test('the tulip’s left tip lies in the pocket of the right: within its mouth, clear of its closed edge', () => {
  const design = source('tulip')
  const program = programOf(mainPart(design), variantOf(design, 'plain'))
  const { frames } = runProgram(program!)
  const tucks = frames.filter(({ done }) => done.spec.kind === 'tuck')
  expect(tucks).toHaveLength(2)
  // The right fold leans by atan(1 / 3) and stands a twelfth from the middle half way up; the left one stands an eighth.
  const lean = (Math.atan(1 / 3) * 180) / Math.PI
  const [c, s, twice] = [COS(lean), SIN(lean), 45 + 2 * lean]
  const [A, B] = [2 * (1 / 4 - 1 / 12), 2 * (1 / 4 - 1 / 8)]
  const [u, v] = [A * c * c + B - 0.5, A * c * s]
  expect([u, v]).toEqual([expect.closeTo(1 / 20, 12), expect.closeTo(1 / 10, 12)])
  // Tips of the corners as they lie: the middles of the folded corners, on the sheet a quarter from two edges.
  const tips = tucks.map(({ after }) =>
    [0.25, 0.75].flatMap((x) => [0.25, 0.75].map((y) => whereIs(after.state, { x, y })!)),
  )
  for (const places of tips) {
    const found = places.some((left) =>
      places.some((right) => Math.abs(left.x - right.x - u) < 1e-9 && Math.abs(left.y - right.y - v) < 1e-9),
    )
    expect(found).toBe(true)
  }
  // Beyond the mouth, which rises at 45 degrees and twice the lean from the right tip; above the lower edge, which the left flap's passes.
  expect(u * SIN(twice) - v * COS(twice)).toBeGreaterThan(0.035)
  expect((v - u) / Math.SQRT2).toBeGreaterThan(0.005)
  expect(looseLocks(frames)).toEqual([])
})

test('what shows: kites in full colour behind; the crocus light within; the framed heart framed', () => {
  expect(endOf('window-star', 'eight').frontSeenBelow).toBeCloseTo(0, 9)
  const crocus = endOf('crocus', 'plain')
  // Four inner petals of a quarter square each, folded over at half their height, and the square they leave open.
  expect(crocus.frontSeen).toBeCloseTo(1 / 8, 9)
  expect(crocus.frontSeenBelow).toBeCloseTo(0, 9)
  const heart = endOf('framed-heart', 'plain')
  expect(heart.frontSeen / heart.shown).toBeGreaterThan(0.6)
  expect(heart.frontSeen / heart.shown).toBeLessThan(0.85)
})

test('the marks of a measured strip agree with their sums and with the folds', () => {
  for (const design of LIBRARY)
    for (const { marks } of design.parts)
      for (const { terms, equals } of marks?.sums ?? [])
        expect(terms.reduce((sum, { times, share }) => sum + times * share, 0)).toBeCloseTo(equals, 12)
  const strip = mainPart(source('message-heart'))
  expect(strip.marks?.at.map(({ share }) => share)).toEqual([1 / 16, 1 / 4, 1 / 2, 3 / 4, 15 / 16])
})

// Said in the steps themselves: three sixteenths of the width, a sixteenth of the strip, an eighth of the width, three
// eighths from the end. The tip of the raised head is 0.12 of half the diagonal.
test.each([
  ['framed-heart', 'hem', 3 / 16],
  ['message-heart', 'ends', 1 / 16],
  ['lapped-wing-butterfly', 'sides', 1 / 8],
  ['pleated-gourd', 'neck', 3 / 8],
  ['raised-head-butterfly', 'tips', 0.12 * Math.SQRT1_2],
])('%s: %s meets no mark, so its depth is told, and it is what the words say', (id, key, depth) => {
  const source = LIBRARY.find((design) => design.id === id)!
  const [variant] = source.variants
  const program = programOf(mainPart(source), variant!)!
  const at = program.steps.findIndex((step) => step.key === key)
  const step = stagesOf(mainPart(source), variant!)
    .flatMap(({ steps }) => steps)
    .find((one) => one.key === key)
  expect(step?.tellsDepth).toBe(true)
  const shares = shareable(gaugeShares(source, defaultGauges(source), 150))
  const depths = drawDesign(program, variant!.assembly, shares)
    .moves.filter((move) => move.step === at)
    .map(({ picture }) => flapDepth(picture.symbols))
  expect(depths.length).toBeGreaterThan(0)
  for (const found of depths) expect(found).toBeCloseTo(depth, 4)
})
