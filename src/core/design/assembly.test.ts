import fc from 'fast-check'
import { runProgram, type FoldPicture } from '../fold'
import { area, distance, type Point, type Polygon } from '../geometry'
import {
  assemble,
  assembledOutline,
  centreOfTurn,
  holeOutline,
  LIBRARY,
  mainPart,
  measureAssembled,
  programOf,
  drawDesign,
  sightOf,
  turnedAbout,
  variantOf,
  type Assembly,
} from '.'

const number = fc.double({ min: -5, max: 5, noNaN: true })
const point = fc.record({ x: number, y: number })

test('the centre of a turn: turned about it, the tab comes to the seat', () => {
  fc.assert(
    fc.property(point, point, fc.double({ min: 0.1, max: 6, noNaN: true }), (tab, seat, angle) => {
      fc.pre(Math.abs(Math.tan(angle / 2)) > 1e-3)
      const at = turnedAbout(centreOfTurn(tab, seat, angle), angle, tab)
      expect(distance(at, seat)).toBeLessThan(1e-6)
    }),
  )
  expect(() => centreOfTurn({ x: 0, y: 0 }, { x: 1, y: 0 }, 0)).toThrow('angle')
})

const STARS = LIBRARY.flatMap((design) =>
  design.variants.flatMap(({ key, assembly, ...variant }) => {
    const program = programOf(mainPart(design), { key, ...variant })
    return assembly && program ? [{ name: `${design.id}, ${key}`, assembly, program }] : []
  }),
)

/** Whether a point lies in a convex polygon, asked of every edge. */
const within = (polygon: Polygon, { x, y }: Point): boolean =>
  polygon.every((p, index) => {
    const q = polygon[(index + 1) % polygon.length] ?? p
    return (q.x - p.x) * (y - p.y) - (q.y - p.y) * (x - p.x) > -1e-9
  })

describe.each(STARS)('$name', ({ assembly, program }) => {
  const end = runProgram(program).end
  const laid = assemble(assembly, end, {})

  test('it closes: after the last unit comes the first again', () => {
    const [first] = laid.units
    const again = first?.map((at) => turnedAbout(laid.centre, assembly.units * laid.stepRad, at)) ?? []
    again.forEach((at, index) => expect(distance(at, first?.[index] ?? at)).toBeLessThan(1e-9))
  })

  test('the outline is what a slow walk around finds', () => {
    const outline = assembledOutline(laid)
    const reach = (polygons: readonly Polygon[], angle: number) => {
      let farthest = 0
      for (let step = 1; step <= 600; step++) {
        const r = (step / 600) * 3
        const at = { x: laid.centre.x + r * Math.cos(angle), y: laid.centre.y + r * Math.sin(angle) }
        if (polygons.some((polygon) => within(polygon, at))) farthest = r
      }
      return farthest
    }
    const fan = outline.map((p, index): Polygon => [
      laid.centre,
      p,
      outline[(index + 1) % outline.length] ?? p,
    ])
    for (let degrees = 0.7; degrees < 360; degrees += 29.3) {
      const angle = (degrees * Math.PI) / 180
      expect(Math.abs(reach(laid.units, angle) - reach(fan, angle))).toBeLessThan(0.011)
    }
  })

  test('its picture covers what the units cover, and no spot twice (counted spot by spot)', () => {
    const { assembled } = drawDesign(program, assembly)
    const painted = (side: 'front' | 'back') =>
      assembled?.[side].regions
        .flatMap(({ parts }) => parts)
        .reduce((sum, row) => {
          const points = row.flatMap((x, index) => (index % 2 === 0 ? [{ x, y: row[index + 1] ?? 0 }] : []))
          return sum + area(points)
        }, 0) ?? 0
    const spots = Array.from({ length: 320 * 320 }, (_, index) => ({
      x: laid.centre.x - 2 + (4 * ((index % 320) + 0.5)) / 320,
      y: laid.centre.y - 2 + (4 * (Math.floor(index / 320) + 0.5)) / 320,
    }))
    const counted = spots.filter((at) => laid.units.some((unit) => within(unit, at))).length * (4 / 320) ** 2
    expect(Math.abs(painted('front') - counted) / counted).toBeLessThan(0.01)
    expect(painted('back')).toBeCloseTo(painted('front'), 2)
  })
})

/** The ring of any number of units, those that are not offered too. */
const ringOf = (units: number) => {
  const nine = STARS.find(({ name }) => name === 'ring-star, nine')
  if (!nine) throw new Error('there is a ring of nine')
  const end = runProgram(nine.program).end
  const assembly = { ...nine.assembly, units }
  return { assembly, end, laid: assemble(assembly, end, {}) }
}
test('where to look: the closed edge of the next unit leaves the mouth at tan a / (1 + tan a) of the raw edge (derived)', () => {
  for (const units of [8, 9, 10, 11, 12, 15]) {
    const { assembly, end } = ringOf(units)
    const tan = Math.tan((2 * Math.PI) / units)
    // The edge from the point through the corner of the mouth would end a whole side from the point.
    expect({ units, at: sightOf(assembly, end, {}) }).toEqual({
      units,
      at: expect.closeTo(tan / (1 + tan), 9) as number,
    })
  }
})
test('with fewer than eight units the edges would cross beyond the paper: there is no mark', () => {
  for (const units of [5, 6, 7]) {
    const { assembly, end } = ringOf(units)
    expect(sightOf(assembly, end, {})).toBeNull()
  }
})
test('a caliper reads a ring of seven at 2.515 sides, not at twice the reach of a point', () => {
  const { laid } = ringOf(7)
  const reach = Math.max(...laid.units.flat().map((at) => distance(at, laid.centre)))
  expect(2 * reach).toBeCloseTo(2.58, 3)
  expect(measureAssembled(laid, 'across')).toBeCloseTo(2.5152, 3)
})
test('the hole: nothing of any unit lies within it, and its corners lie on the circle that is told', () => {
  for (const units of [6, 7, 8, 9, 10, 12]) {
    const { laid } = ringOf(units)
    const hole = holeOutline(laid)
    const fan = hole.map((p, index): Polygon => [{ x: 0, y: 0 }, p, hole[(index + 1) % hole.length] ?? p])
    const open = (at: Point) => fan.some((part) => within(part, at))
    const reaches = hole.map(({ x, y }) => Math.hypot(x, y))
    expect(2 * Math.max(...reaches)).toBeCloseTo(measureAssembled(laid, 'hole-circle'), 9)
    for (let degrees = 0.4; degrees < 360; degrees += 7.3) {
      const angle = (degrees * Math.PI) / 180
      // A slow walk out from the centre until the first paper.
      let r = 0
      while (r < 2 && !laid.units.some((unit) => within(unit, at(angle, r)))) r += 0.001
      expect(open({ x: (r - 0.004) * Math.cos(angle), y: (r - 0.004) * Math.sin(angle) })).toBe(true)
      expect(open({ x: (r + 0.004) * Math.cos(angle), y: (r + 0.004) * Math.sin(angle) })).toBe(false)
    }
    function at(angle: number, r: number): Point {
      return { x: laid.centre.x + r * Math.cos(angle), y: laid.centre.y + r * Math.sin(angle) }
    }
  }
})
test('a mount that covers the circle covers the hole: eight units of 75 mm leave corners on 91.9 mm', () => {
  expect(75 * measureAssembled(ringOf(8).laid, 'hole-circle')).toBeCloseTo(91.86, 1)
})
test('every mount is a design that ships, measured along an axis it has', () => {
  for (const { assembly } of STARS) {
    const { mount } = assembly
    if (!mount) continue
    const design = LIBRARY.find(({ id }) => id === mount.designId)
    expect(design?.variants[0]?.sizes.map(({ axis }) => axis)).toContain(mount.axis)
  }
})
test('a piece of one unit around nothing has neither sight nor hole', () => {
  const alone: Assembly = { units: 8, join: { centre: { sheet: [0, 0] } }, turns: 'left', next: 'over' }
  const kite = STARS.find(({ name }) => name === 'window-star, eight')
  const end = kite && runProgram(kite.program).end
  expect(end && sightOf(alone, end, {})).toBeNull()
  expect(end && measureAssembled(assemble(alone, end, {}), 'hole')).toBe(0)
})

const pairs = (row: readonly number[]): Polygon =>
  row.flatMap((x, index) => (index % 2 === 0 ? [{ x, y: row[index + 1] ?? 0 }] : []))

describe('joins in pictures', () => {
  const drawn = (id: string, key: string) => {
    const design = LIBRARY.find((one) => one.id === id)!
    const variant = variantOf(design, key)
    return drawDesign(programOf(mainPart(design), variant)!, variant.assembly).assembled!
  }
  test('the tab in the hand aims at the seat; the mark is measured where the units before are joined', () => {
    const { joining, sight } = drawn('ring-star', 'nine')
    const kinds = ({ symbols }: FoldPicture) => symbols.map(({ kind }) => kind)
    expect(kinds(joining.first)).toEqual(['landmark', 'landmark', 'arrow'])
    expect(kinds(joining.each)).toEqual(['landmark', 'landmark', 'arrow', 'measure'])
    const measure = joining.each.symbols.find((one) => one.kind === 'measure')!
    expect(measure.share).toBe(sight)
    expect(distance(measure.from, measure.to)).toBeCloseTo(sight!, 9)
    // The one that closes the round takes the first one's tab as well.
    expect(kinds(joining.last).filter((kind) => kind === 'arrow')).toHaveLength(2)
  })
  test('as much paper is drawn as there are units, but for what lies under others', () => {
    const { joining, front } = drawn('ring-star', 'nine')
    const seen = ({ regions }: FoldPicture) =>
      regions.flatMap(({ parts }) => parts).reduce((sum, part) => sum + area(pairs(part)), 0)
    // Two units apart: the whole of both; two corners in leave three quarters of the square, halved.
    expect(seen(joining.first)).toBeCloseTo(2 * (3 / 8), 3)
    expect(seen(joining.each)).toBeGreaterThan(seen(joining.first))
    expect(seen(joining.last)).toBeLessThan(seen(front) + 3 / 8)
  })
  test('a piece laid around a centre has its joins too', () => {
    const { joining } = drawn('window-star', 'eight')
    expect(joining.last.symbols.map(({ kind }) => kind)).toEqual(['arrow'])
  })
})
