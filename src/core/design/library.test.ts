import { largest, least } from '../numeric'
import {
  check,
  creasedAgainst,
  figuresOf,
  looseLocks,
  lying,
  runProgram,
  silhouetteOf,
  type FoldedState,
} from '../fold'
import { area, contains, overlap, type Point, type Polygon } from '../geometry'
import {
  defaultGauges,
  gaugeRangeMm,
  gaugeShares,
  LIBRARY,
  mainPart,
  programOf,
  stagesOf,
  variantOf,
  waysOf,
  type DesignSource,
  type StepSource,
  type VariantSource,
} from '.'

/** What the whole library keeps to, whatever the design: laws of its folds, and of what stands beside them. */
const EACH = LIBRARY.flatMap((design) =>
  design.variants.map((variant) => ({ name: `${design.id}, ${variant.key}`, design, variant })),
)
const source = (id: string): DesignSource => {
  const found = LIBRARY.find((design) => design.id === id)
  if (!found) throw new Error(`no design ${id}`)
  return found
}
function endOf(design: DesignSource, variant: VariantSource, way: 'whole' | 'direct' = 'whole'): FoldedState {
  const program = programOf(mainPart(design), variant, way)
  if (!program) throw new Error(`${design.id} has no moves`)
  return runProgram(program, gaugeShares(design, defaultGauges(design), 150)).end.state
}
const finished = (id: string, variantKey: string) => endOf(source(id), variantOf(source(id), variantKey))
const stepsOf = (design: DesignSource, variant: VariantSource): readonly StepSource[] =>
  stagesOf(mainPart(design), variant).flatMap(({ steps }) => steps)

describe('folded directly', () => {
  const direct = EACH.filter(({ design, variant }) => {
    const ways = waysOf(mainPart(design), variant)
    return ways.includes('direct')
  })
  test.each(direct)('$name ends as it does with every crease made first', ({ design, variant }) => {
    const [whole, quick] = [figuresOf(endOf(design, variant)), figuresOf(endOf(design, variant, 'direct'))]
    for (const key of ['width', 'height', 'shown', 'paper', 'frontSeen', 'backSeen'] as const)
      expect({ key, value: quick[key] }).toEqual({ key, value: expect.closeTo(whole[key], 9) as number })
    expect(quick.mostLayers).toBe(whole.mostLayers)
  })
  test('there are such designs, and what they leave out folds nothing', () => {
    expect(direct.length).toBeGreaterThan(4)
    for (const { design } of direct)
      for (const step of design.parts.flatMap(({ stages }) => stages.flatMap(({ steps }) => steps)))
        if (step.direct)
          for (const { moves } of step.rounds ?? [])
            for (const { kind } of moves) expect(['crease', 'turn over', 'rotate']).toContain(kind)
  })
})

/** How much of an outline lies outside its own image, as a share of its area; 0 for a perfect symmetry. */
function asymmetry(state: FoldedState, image: (at: Point, middle: Point) => Point): number {
  const faces = state.faces.map(lying)
  const all = faces.flat()
  const middle = {
    x: (least(all.map(({ x }) => x)) + largest(all.map(({ x }) => x))) / 2,
    y: (least(all.map(({ y }) => y)) + largest(all.map(({ y }) => y))) / 2,
  }
  // Spots of the piece, asked whether their image is on the piece too.
  const spots = faces.flatMap((face): readonly Point[] => {
    const centre = {
      x: face.reduce((sum, { x }) => sum + x, 0) / face.length,
      y: face.reduce((sum, { y }) => sum + y, 0) / face.length,
    }
    return [
      centre,
      ...face.map(({ x, y }) => ({ x: x * 0.98 + centre.x * 0.02, y: y * 0.98 + centre.y * 0.02 })),
    ]
  })
  const off = spots.filter((at) => !faces.some((face) => contains(face, image(at, middle))))
  return off.length / spots.length
}
const leftRight = ({ x, y }: Point, middle: Point): Point => ({ x: 2 * middle.x - x, y })
const turnedBy =
  (parts: number) =>
  ({ x, y }: Point, middle: Point): Point => {
    const [cos, sin] = [Math.cos((2 * Math.PI) / parts), Math.sin((2 * Math.PI) / parts)]
    const [u, v] = [x - middle.x, y - middle.y]
    return { x: middle.x + cos * u - sin * v, y: middle.y + sin * u + cos * v }
  }

describe('symmetry, as a folder holds one half against the other', () => {
  test.each([
    ['simple-heart', 'rounded'],
    ['pocket-lock-heart', 'plain'],
    ['framed-heart', 'plain'],
    ['message-heart', 'plain'],
    ['carved-face-gourd', 'plain'],
    ['window-star', 'eight'],
    ['narrow-leaf', 'open'],
    ['ring-star', 'ten'],
  ])('%s, %s: left is right', (id, variant) => {
    expect(asymmetry(finished(id, variant), leftRight)).toBe(0)
  })
  test.each([
    ['crocus', 'plain', 4],
    ['twist-blossom', 'plain', 4],
    ['corner-folded-rosette', 'plain', 4],
    ['spinner-mount', 'plain', 8],
    ['hexagon-flake', 'pointed', 6],
    ['hexagon-flake', 'blunt', 6],
    ['hexagon-flake', 'rimmed', 6],
  ])('%s, %s: turned by a part of %d it is itself', (id, variant, parts) => {
    expect(asymmetry(finished(id, variant), turnedBy(parts))).toBe(0)
  })
  test('what is handed is not its own mirror image: the twist, the leaf with its bent stem', () => {
    expect(asymmetry(finished('hexagon-flake', 'pointed'), leftRight)).toBeGreaterThan(0)
    expect(asymmetry(finished('lobed-leaf', 'plain'), leftRight)).toBeGreaterThan(0)
  })
})

describe('which side shows', () => {
  test.each(['tulip', 'lobed-leaf', 'crane', 'rolled-stem', 'ring-star', 'quick-butterfly', 'field-flower'])(
    '%s closes over its light side: none of it is seen, in front or behind',
    (id) => {
      const { frontSeen, frontSeenBelow } = figuresOf(finished(id, source(id).variants[0]?.key ?? ''))
      expect(frontSeen).toBeCloseTo(0, 9)
      expect(frontSeenBelow).toBeCloseTo(0, 9)
    },
  )
  test('the carved face shows light in front: eyes and mouth, and more with the mouth wider', () => {
    const gourd = source('carved-face-gourd')
    const seen = (mouth: number) => {
      const program = programOf(mainPart(gourd), variantOf(gourd, 'plain'))
      const shares = { mouth, nose: 0.06, stem: 0.16 }
      return program ? figuresOf(runProgram(program, shares).end.state).frontSeen : NaN
    }
    expect(seen(0.03)).toBeGreaterThan(0)
    expect(seen(0.11)).toBeGreaterThan(seen(0.07))
    expect(seen(0.07)).toBeGreaterThan(seen(0.03))
  })
  test('a twist blossom trades: every hundredth of depth makes it stand higher and reach less far', () => {
    const blossom = source('twist-blossom')
    const shown = (depth: number) => {
      const program = programOf(mainPart(blossom), variantOf(blossom, 'plain'))
      return program ? figuresOf(runProgram(program, { depth }).end.state).shown : NaN
    }
    // Four corner triangles of that depth go behind: each is a square of the depth.
    expect(shown(0.12) - shown(0.1)).toBeCloseTo(-4 * (0.12 ** 2 - 0.1 ** 2), 9)
  })
})

test.each(EACH)('$name: its outline is one piece that holds every layer', ({ design, variant }) => {
  const state = endOf(design, variant)
  const outline: Polygon = silhouetteOf(state)
  const figures = figuresOf(state)
  expect(area(outline)).toBeGreaterThanOrEqual(figures.shown - 1e-9)
  const [left, right] = [least(outline.map(({ x }) => x)), largest(outline.map(({ x }) => x))]
  expect(right - left).toBeCloseTo(figures.width, 9)
})

const GAUGED = EACH.filter(({ design }) => design.gauges.length > 0)
test.each(GAUGED)(
  '$name: at both ends of every gauge it passes the independent check',
  ({ design, variant }) => {
    const program = programOf(mainPart(design), variant)
    if (!program) throw new Error(`${design.id} has no moves`)
    for (const gauge of design.gauges)
      for (const end of ['leastMm', 'mostMm'] as const) {
        const settings = { ...defaultGauges(design), [gauge.key]: gaugeRangeMm(gauge, 150)[end] }
        const { frames } = runProgram(program, gaugeShares(design, settings, 150))
        const last = frames.at(-1)?.after.state
        expect(last && check(last)).toEqual([])
        // What a gauge changes late is seen at the end; the folds before it are those of the standard.
        const faults = frames.flatMap(({ after }, index) => (index % 3 === 0 ? check(after.state) : []))
        expect(faults).toEqual([])
      }
  },
)

test.each(LIBRARY)('$id: its gauges stand within their range, and no two are named alike', ({ gauges }) => {
  for (const { least, standard, most } of gauges) {
    expect(least).toBeLessThan(standard)
    expect(standard).toBeLessThan(most)
  }
  expect(new Set(gauges.map(({ name }) => name)).size).toBe(gauges.length)
})

describe('what stands beside the folds', () => {
  const WORK_NEEDS: Readonly<Record<string, (design: DesignSource) => boolean>> = {
    glue: ({ guide }) => guide?.adhesive != null,
    pierce: ({ guide }) => guide?.tools.some((tool) => /pin|needle/.test(tool)) ?? false,
    write: ({ guide }) => guide?.tools.includes('pen') ?? false,
    attach: ({ guide }) => (guide?.supplies.length ?? 0) > 0,
  }
  test.each(EACH)('$name: what is glued, pierced, written or attached is laid out', ({ design, variant }) => {
    for (const { rounds } of stepsOf(design, variant))
      for (const move of (rounds ?? []).flatMap(({ moves }) => moves))
        if (move.kind === 'work') expect(WORK_NEEDS[move.name]?.(design)).toBe(true)
        else if (move.kind === 'cut') expect(design.guide?.tools).toContain('scissors')
  })
  test.each(LIBRARY)('$id: what cuts, pierces or dries has its caution or its time', ({ guide }) => {
    expect(guide).toBeDefined()
    if (!guide) return
    if (guide.adhesive !== null) expect(guide.dryingMinutes).toBeGreaterThan(0)
    const sharp = guide.tools.some((tool) => /scissors|pin|needle/.test(tool))
    if (sharp) expect(guide.cautions.length).toBeGreaterThan(0)
    if (guide.supplies.some(({ name }) => /thread/.test(name)))
      expect(guide.cautions.join(' ')).toMatch(/pets|children/)
  })
  test.each(EACH)(
    '$name: every step is said once, as a person at the table would read it',
    ({ design, variant }) => {
      for (const { say, note, normal, look = [], each } of stepsOf(design, variant)) {
        expect(say).toMatch(/^[A-Z]/)
        expect(say).not.toMatch(/[.;]$/)
        for (const text of [note, normal]) if (text !== undefined) expect(text).toMatch(/^[A-Z].*[.]$/)
        for (const text of look) expect(text).not.toMatch(/[.;]$/)
        expect(each).toMatch(/^[a-z]/)
      }
    },
  )
  test.each(LIBRARY)('$id: a fold by a gauge is called free or even, for it has no landmark', (design) => {
    for (const { rounds, rigour, key } of design.parts.flatMap(({ stages }) =>
      stages.flatMap(({ steps }) => steps),
    ))
      for (const move of (rounds ?? []).flatMap(({ moves }) => moves))
        if (move.kind === 'fold' && JSON.stringify(move.line).includes('"gauges"'))
          expect({ key, free: rigour !== 'strict' || usesGaugeTwice(design, key) }).toEqual({
            key,
            free: true,
          })
  })
  test('units of a star do overlap, or nothing would hold them', () => {
    const kite = silhouetteOf(finished('window-star', 'eight'))
    const turned = kite.map((at) => turnedBy(-8)(at, { x: 0.5, y: 0.5 - Math.SQRT1_2 }))
    expect(area(overlap(kite, turned))).toBeGreaterThan(0.1)
  })
})

/** Folds that only repeat, elsewhere, what a free fold has set: their landmark is that fold. */
function usesGaugeTwice({ id }: DesignSource, key: string): boolean {
  const REPEATS: Readonly<Record<string, readonly string[]>> = {
    'carved-face-gourd': ['chin'],
    'framed-heart': ['inner', 'outer', 'sides', 'hem'],
  }
  return REPEATS[id]?.includes(key) ?? false
}

describe('what a folder relies on, for every design, variant and way', () => {
  const all = LIBRARY.flatMap((one) =>
    one.variants.flatMap((variant) =>
      waysOf(mainPart(one), variant).flatMap((way) => {
        const program = programOf(mainPart(one), variant, way)
        return program ? [{ name: `${one.id} ${variant.key}, ${way}`, one, program }] : []
      }),
    ),
  )
  test.each(all)('$name: no collapse against its creases, no lock that does not hold', ({ one, program }) => {
    const shares = gaugeShares(one, defaultGauges(one), 150)
    const { frames } = runProgram(program, shares)
    expect(creasedAgainst(frames, shares)).toEqual([])
    expect(looseLocks(frames)).toEqual([])
  })
})
