import fc from 'fast-check'
import { runProgram } from '../fold'
import { area, distance, type Point, type Polygon } from '../geometry'
import {
  assemble,
  assembledOutline,
  centreOfTurn,
  LIBRARY,
  mainPart,
  measureAssembled,
  programOf,
  showDesign,
  sightOf,
  turnedAbout,
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
    const { assembled } = showDesign(program, assembly)
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

test('ring of eight: the closed edge of the next unit leaves the mouth just at its corner (derived: tan 45 = 1)', () => {
  const eight = STARS.find(({ name }) => name === 'ring-star, eight')
  const end = eight && runProgram(eight.program).end
  expect(end && sightOf(eight.assembly, end, {})).toBeCloseTo(1 / 2, 9)
})
test('other rings: it leaves at tan a / (1 + tan a) of the whole raw edge, a the turn (derived)', () => {
  for (const { name, assembly, program } of STARS.filter((one) => one.name.startsWith('ring-star'))) {
    const tan = Math.tan((2 * Math.PI) / assembly.units)
    // The edge from the point through the corner of the mouth would end a whole side from the point.
    expect({ name, at: sightOf(assembly, runProgram(program).end, {}) }).toEqual({
      name,
      at: expect.closeTo(tan / (1 + tan), 9) as number,
    })
  }
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
