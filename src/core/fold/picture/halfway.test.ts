import { largest, least } from '../../numeric'
import { defaultGauges, gaugeShares, LIBRARY, mainPart, programOf } from '../../design'
import { move, type Point, type Spot } from '../../geometry'
import { BASES } from '../bases'
import { refold } from '../moves'
import { runProgram, type Frame } from '../program'
import { flatSheet, unitSquare } from '../state'
import { HALFWAY_SHARE, halfwayOf, stagesOf } from './halfway'
import { ASLANT, sightOf, STRAIGHT_ON } from './space-picture'
import { liftPaper, type LiftedPaper, type LiftedPart } from './lift'

const minus = (a: Spot, b: Spot): Spot => ({ x: a.x - b.x, y: a.y - b.y, z: a.z - b.z })
const dot = (a: Spot, b: Spot): number => a.x * b.x + a.y * b.y + a.z * b.z
const cross = (a: Spot, b: Spot): Spot => ({
  x: a.y * b.z - a.z * b.y,
  y: a.z * b.x - a.x * b.z,
  z: a.x * b.y - a.y * b.x,
})
const size = (a: Spot): number => Math.sqrt(dot(a, a))

const never = (): never => {
  throw new Error('there are bases')
}
const spotsOf = ({ spots }: LiftedPaper, part: LiftedPart): readonly Spot[] =>
  part.corners.map((corner) => {
    const spot = spots[corner]
    if (!spot) throw new Error('a corner without a spot')
    return spot
  })
/** Upright of a part by its widest triangle from the first corner, times twice that triangle's area. */
function upright(spots: readonly Spot[]): Spot {
  const [a] = spots
  if (!a) throw new Error('no corners')
  return spots
    .flatMap((b, index) => spots.slice(index + 1).map((c) => cross(minus(b, a), minus(c, a))))
    .reduce((best, one) => (size(one) > size(best) ? one : best))
}

/** Every squash, petal fold, collapse and twist that ships. */
const FRAMES: readonly (readonly [name: string, frame: Frame])[] = [
  ...BASES.map(({ id, program }) => ({ id, program, gauges: {} })),
  ...LIBRARY.flatMap((design) =>
    design.variants.flatMap((variant) => {
      const program = programOf(mainPart(design), variant)
      const gauges = gaugeShares(design, defaultGauges(design), 150)
      return program ? [{ id: `${design.id}, ${variant.key}`, program, gauges }] : []
    }),
  ),
].flatMap(({ id, program, gauges }) =>
  runProgram(program, gauges).frames.flatMap((frame, index) =>
    frame.done.spec.kind === 'refold' ? [[`${id}, move ${index + 1}`, frame] as const] : [],
  ),
)

function lifted(frame: Frame, share: number): LiftedPaper {
  const paper = liftPaper(frame.before.state, frame.after.state, share)
  if (!paper) throw new Error('nothing moves')
  return paper
}

const flat = flatSheet(unitSquare)
const oneFold = refold(flat, {
  open: [],
  add: [{ from: { x: 0.5, y: 0 }, to: { x: 0.5, y: 1 }, letter: 'V' }],
  stays: { x: 0.2, y: 0.5 },
})

test.each([0.1, 0.3, 0.5, 0.8])(
  'one crease at %d of the way: the flap has turned by as much of 180 degrees',
  (share) => {
    const paper = liftPaper(flat, oneFold, share)
    if (!paper) throw new Error('nothing moves')
    const angle = Math.PI * share
    for (const y of [0, 1]) {
      const turned = paper.spots.find((spot) => Math.abs(spot.y - y) < 1e-6 && spot.z > 0.01)
      expect(turned?.x).toBeCloseTo(0.5 + 0.5 * Math.cos(angle), 6)
      expect(turned?.z).toBeCloseTo(0.5 * Math.sin(angle), 6)
    }
  },
)

test('more corners than a hand can follow give no picture, and take no time', () => {
  const pleats = (count: number) =>
    refold(flat, {
      open: [],
      add: Array.from({ length: count - 1 }, (_, index) => ({
        from: { x: (index + 1) / count, y: 0 },
        to: { x: (index + 1) / count, y: 1 },
        letter: index % 2 === 0 ? 'V' : 'M',
      })),
      stays: { x: 0.5 / count, y: 0.5 },
    })
  expect(liftPaper(flat, pleats(20), 0.5)?.parts).toHaveLength(20)
  expect(liftPaper(flat, pleats(80), 0.5)).toBeNull()
})
test('a sheet that stays as it is gives no picture', () => {
  expect(liftPaper(flat, flat, 0.5)).toBeNull()
})

/**
 * Four creases from the centre of a square, sectors 60, 90, 120, 90 degrees. At such a corner opposite fold angles are
 * alike in size, and the tangents of the two half angles keep their ratio all the way (Huffman 1976; Lang, Twists,
 * Tilings and Tessellations, 2018, states both; from memory).
 */
test('a corner of four creases moves as a rigid one does', () => {
  const O = { x: 0.5, y: 0.5 }
  // Directions of the creases: 0, 60, 150 and 270 degrees, each to the edge of the sheet.
  const ends: readonly Point[] = [
    { x: 1, y: 0.5 },
    { x: 0.5 + 0.5 / Math.tan(Math.PI / 3), y: 1 },
    { x: 0, y: 0.5 + 0.5 * Math.tan(Math.PI / 6) },
    { x: 0.5, y: 0 },
  ]
  const letters = ['V', 'M', 'V', 'V'] as const
  const folded = refold(flat, {
    open: [],
    add: ends.map((to, index) => ({ from: O, to, letter: letters[index] ?? 'V' })),
    stays: { x: 0.1, y: 0.1 },
  })
  const sectors = [30, 105, 210, 315].map((degrees) => ({
    x: 0.5 + 0.05 * Math.cos((degrees * Math.PI) / 180),
    y: 0.5 + 0.05 * Math.sin((degrees * Math.PI) / 180),
  }))
  const ratios = [0.5, 0.6, 0.7].map((share) => {
    const paper = liftPaper(flat, folded, share)
    if (!paper) throw new Error('nothing moves')
    expect(paper.strain).toBeLessThan(1e-5)
    const normals = sectors.map((at) => {
      const face = folded.faces.findIndex(({ sheet }) =>
        sheet.every((p, index) => {
          const q = sheet[(index + 1) % sheet.length] ?? p
          return (q.x - p.x) * (at.y - p.y) - (q.y - p.y) * (at.x - p.x) > 0
        }),
      )
      const part = paper.parts.find(({ after }) => after === face)
      if (!part) throw new Error('no part there')
      const normal = upright(spotsOf(paper, part))
      return { x: normal.x / size(normal), y: normal.y / size(normal), z: normal.z / size(normal) }
    })
    const angles = normals.map((normal, index) => {
      const before = normals[(index + 3) % 4] ?? normal
      return Math.atan2(size(cross(before, normal)), dot(before, normal))
    })
    const [first = 0, second = 0, third = 0, fourth = 0] = angles
    expect(first).toBeCloseTo(third, 4)
    expect(second).toBeCloseTo(fourth, 4)
    expect(Math.min(first, second)).toBeGreaterThan(0.2)
    return Math.tan(first / 2) / Math.tan(second / 2)
  })
  expect(ratios[1]).toBeCloseTo(ratios[0] ?? 0, 3)
  expect(ratios[2]).toBeCloseTo(ratios[0] ?? 0, 3)
})

test.each(['square', 'waterbomb'])('%s base: a collapse that is alike on both sides is drawn so', (id) => {
  const found = FRAMES.find(([name]) => name.startsWith(`${id}, `))
  const { spots } = lifted(found?.[1] ?? never(), HALFWAY_SHARE)
  const middle = (least(spots.map(({ x }) => x)) + largest(spots.map(({ x }) => x))) / 2
  for (const spot of spots) {
    const across = spots.map((other) => size(minus(other, { ...spot, x: 2 * middle - spot.x })))
    expect(least(across)).toBeLessThan(0.005)
  }
})

test('there are such moves to look at, and simple folds have no such picture', () => {
  expect(FRAMES.length).toBeGreaterThan(40)
  const simple = runProgram(BASES[0]?.program ?? never()).frames
  expect(
    simple.flatMap((frame) => (frame.done.spec.kind === 'refold' ? [] : [halfwayOf(frame)])).filter(Boolean),
  ).toEqual([])
})

/** A place of the table as a word, to a hundred thousandth. */
const placed = ({ x, y }: Point): string => `${Math.round(x * 1e5) || 0} ${Math.round(y * 1e5) || 0}`

describe.each(FRAMES)('%s', (name, frame) => {
  test('starts as it lay and ends as it will lie', () => {
    for (const [share, { state }] of [
      [0, frame.before],
      [1, frame.after],
    ] as const) {
      const paper = lifted(frame, share)
      const lies = new Set(state.faces.flatMap((face) => face.sheet.map((p) => placed(move(face.pose, p)))))
      const spots = new Set(paper.spots.map(placed))
      expect([...lies].filter((place) => !spots.has(place))).toEqual([])
      expect(largest(paper.spots.map(({ z }) => Math.abs(z)))).toBeLessThan(1e-9)
    }
  })

  test('on the way every part keeps its lengths, what does not move lies on the table, and something has left it', () => {
    const paper = lifted(frame, HALFWAY_SHARE)
    // Where it lies flat again no length is other than on the sheet.
    const flatAgain = lifted(frame, 1)
    const bends = largest(
      paper.parts.flatMap((part) => {
        const [now, then] = [spotsOf(paper, part), spotsOf(flatAgain, part)]
        return now.flatMap((one, i) =>
          now.slice(i + 1).map((other, k) => {
            const [p, q] = [then[i], then[i + k + 1]]
            return p && q ? Math.abs(size(minus(one, other)) - size(minus(p, q))) : Infinity
          }),
        )
      }),
    )
    expect(bends).toBeLessThan(0.015)
    // Twists and the windmill do not fold with plates; everything else does, and its parts are plane.
    const rigid = !['twist', 'windmill', 'crocus, plain, move 13', 'hexagon'].some((word) =>
      name.includes(word),
    )
    if (rigid) expect(bends).toBeLessThan(1e-5)
    let up = 0
    for (const part of paper.parts) {
      const spots = spotsOf(paper, part)
      const normal = upright(spots)
      for (const spot of spots) {
        const base = spots[0] ?? spot
        if (rigid) expect(Math.abs(dot(normal, minus(spot, base))) / size(normal)).toBeLessThan(1e-5)
        if (part.still) expect(spot.z).toBe(0)
        up = Math.max(up, Math.abs(spot.z))
      }
    }
    expect(up).toBeGreaterThan(0.02)
  })

  test('painted so that what is nearer covers what is further', () => {
    const picture = halfwayOf(frame)
    if (!picture) throw new Error('no picture')
    const paper = lifted(frame, HALFWAY_SHARE)
    const evenly =
      frame.done.spec.kind === 'refold' && frame.done.spec.name === 'collapse' && paper.strain < 1e-5
    const { right: across, up, towards } = sightOf(evenly ? ASLANT : STRAIGHT_ON)
    const project = (spot: Spot) => ({ x: dot(spot, across), y: dot(spot, up), near: dot(spot, towards) })
    const planes = paper.parts.map((part) => spotsOf(paper, part).map(project))
    /** The part of the paper a painted part is, by its outline. */
    const painted = picture.parts.map(({ outline }) => {
      const found = planes.findIndex(
        (plane) =>
          plane.length * 2 === outline.length &&
          plane.every(
            ({ x, y }, index) =>
              Math.hypot(x - (outline[2 * index] ?? 9), y - (outline[2 * index + 1] ?? 9)) < 2e-4,
          ),
      )
      if (found < 0) throw new Error('painted, but not there')
      return found
    })
    expect(painted).toHaveLength(planes.length)
    /** How near a part is under a place of the picture, by triangles from its first corner; `null` beside it. */
    const nearAt = (part: number, x: number, y: number): number | null => {
      const [a, ...rest] = planes[part] ?? []
      if (!a) return null
      for (let index = 0; index + 1 < rest.length; index++) {
        const [b, c] = [rest[index], rest[index + 1]]
        if (!b || !c) continue
        const whole = (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)
        if (Math.abs(whole) < 1e-9) continue
        const u = ((x - a.x) * (c.y - a.y) - (y - a.y) * (c.x - a.x)) / whole
        const v = ((b.x - a.x) * (y - a.y) - (b.y - a.y) * (x - a.x)) / whole
        if (u > 0.001 && v > 0.001 && u + v < 0.999)
          return a.near + u * (b.near - a.near) + v * (c.near - a.near)
      }
      return null
    }
    const { left, right, bottom, top } = picture.box
    // Parts of one stack are equally near: their order is that of the layers. Bending parts are painted as if plane.
    const bends = paper.strain > 1e-5
    let [seen, wrong] = [0, 0]
    for (let i = 0; i < 25; i++)
      for (let j = 0; j < 25; j++) {
        const [x, y] = [
          left + ((right - left) * (i + 0.37)) / 25,
          bottom + ((top - bottom) * (j + 0.61)) / 25,
        ]
        const there = painted.flatMap((part) => {
          const near = nearAt(part, x, y)
          return near === null ? [] : [near]
        })
        const last = there.at(-1)
        if (last === undefined) continue
        seen++
        if (largest(there) - last > (bends ? 0.02 : 0.001)) wrong++
      }
    expect(seen).toBeGreaterThan(100)
    expect(wrong / seen).toBeLessThanOrEqual(bends ? 0.02 : 0.004)
  })
})

test.each([STRAIGHT_ON, ASLANT])('a sight is three directions square to one another: %p', (eye) => {
  const { right, up, towards } = sightOf(eye)
  const [r, u] = [cross(right, up), cross(towards, right)]
  for (const [one, other] of [
    [r, towards],
    [u, up],
  ] as const)
    expect(size(minus(one, other))).toBeLessThan(1e-12)
  expect(size(right)).toBeCloseTo(1, 12)
})

test('stages: a collapse opens out from the table on its way, a simple fold has none', () => {
  const { frames } = runProgram(BASES.find(({ id }) => id === 'bird')!.program)
  const stages = [...stagesOf(frames.find(({ done }) => done.spec.kind === 'refold')!)]
  expect(stages.length).toBeGreaterThanOrEqual(4)
  // From the flat sheet to a quarter of it.
  const across = stages.map(({ box }) => box.right - box.left)
  expect(across.at(-1)).toBeLessThan(0.7 * (across[0] ?? 0))
  expect([...stagesOf(frames[0]!)]).toEqual([])
})
