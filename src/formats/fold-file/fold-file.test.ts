import fc from 'fast-check'
import { programs } from '../../../test/generators/random-programs'
import { BASES, figuresOf, foldPattern, pictureOfPiece, runProgram, type FoldProgram } from '@/core/fold'
import { defaultGauges, gaugeShares, LIBRARY, mainPart, programOf } from '@/core/design'
import { MOST_FILE_BYTES, readFoldFile, writeFoldFile } from '.'
import type { FoldFile } from './file-schema'

const WORDS = { title: 'A piece', description: 'for a test', sideMm: 150 }
const again = (program: FoldProgram, shares = {}) => {
  const { end } = runProgram(program, shares)
  const result = readFoldFile(JSON.stringify(writeFoldFile(end, WORDS)))
  if (!result.ok) throw new Error(JSON.stringify(result.fault))
  const folded = foldPattern(result.read.pattern, { most: 2 })
  if (!folded.ok) throw new Error(JSON.stringify(folded.faults))
  return { end, read: result.read, folded }
}

const shipped: readonly (readonly [string, FoldProgram, Readonly<Record<string, number>>])[] = [
  ...BASES.map(({ id, program }) => [id, program, {}] as const),
  ...LIBRARY.flatMap((design) =>
    design.variants.flatMap((variant) => {
      const program = programOf(mainPart(design), variant)
      const shares = gaugeShares(design, defaultGauges(design), 150)
      return program ? [[`${design.id} ${variant.key}`, program, shares] as const] : []
    }),
  ),
]

describe('what is written is read again', () => {
  const whole = shipped.filter(([, program, shares]) => !runProgram(program, shares).end.state.cutAway)
  test.each(whole)('%s: one order, the same size, layers and sides', (_, program, shares) => {
    const { end, read, folded } = again(program, shares)
    expect(read.title).toBe('A piece')
    expect(read.unit).toBe('mm')
    expect(folded.orders).toBe(1)
    const scale = read.unitsPerExtent / WORDS.sideMm
    const [one, two] = [figuresOf(end.state), figuresOf(folded.state)]
    expect(two.mostLayers).toBe(one.mostLayers)
    expect(two.fewestLayers).toBe(one.fewestLayers)
    expect(two.shown * scale ** 2).toBeCloseTo(one.shown, 7)
    // The flat sheet's first corner lies front up there; the piece may lie turned over here.
    const sides = [one.frontSeen, one.frontSeenBelow].sort((a, b) => a - b)
    const there = [two.frontSeen, two.frontSeenBelow].map((seen) => seen * scale ** 2).sort((a, b) => a - b)
    sides.forEach((seen, index) => expect(there[index]).toBeCloseTo(seen, 7))
  })
  test('a piece that was cut is written, and refused when it is read: only whole sheets are folded', () => {
    const cut = shipped.filter(([, program, shares]) => runProgram(program, shares).end.state.cutAway)
    expect(cut.map(([name]) => name)).toEqual(['field-flower plain'])
    for (const [, program, shares] of cut) {
      const file = writeFoldFile(runProgram(program, shares).end, WORDS)
      const result = readFoldFile(JSON.stringify(file))
      expect(!result.ok && result.fault.what).toBe('the sheet has more than one outline')
    }
  })
  test('random pieces come back with their layers', () => {
    fc.assert(
      fc.property(programs, (program) => {
        const { end, folded } = again(program)
        expect(folded.orders).toBe(1)
        expect(figuresOf(folded.state).mostLayers).toBe(figuresOf(end.state).mostLayers)
      }),
      { numRuns: 80 },
    )
  })
  test('the file is FOLD 1.2: a crease pattern, and a folded form that inherits from it', () => {
    const kite = BASES.find(({ id }) => id === 'kite')
    const file = kite && writeFoldFile(runProgram(kite.program).end, WORDS)
    expect(file).toMatchObject({
      file_spec: 1.2,
      frame_classes: ['creasePattern'],
      frame_unit: 'mm',
      file_frames: [{ frame_classes: ['foldedForm'], frame_parent: 0, frame_inherit: true }],
    })
    expect(file?.edges_assignment).toHaveLength(file?.edges_vertices?.length ?? NaN)
    // The kite: two valleys folded, the diagonal opened again, six stretches of edge.
    const letters = file?.edges_assignment?.join('') ?? ''
    expect(letters.replace(/[^V]/g, '')).toBe('VV')
    expect(letters).toContain('F')
    for (const [x = NaN, y = NaN] of file?.vertices_coords ?? []) {
      expect(Math.min(x, y)).toBeGreaterThan(-1e-9)
      expect(Math.max(x, y)).toBeLessThan(150 + 1e-9)
    }
  })
  test.each(['two-colour-butterfly plain', 'carved-face-gourd plain', 'tulip plain'])(
    '%s: every two faces that lie over one another at some spot have their order stated',
    (wanted) => {
      const [, program, shares] = shipped.find(([name]) => name === wanted)!
      const file = writeFoldFile(runProgram(program, shares).end, { ...WORDS, sideMm: 1 })
      const [folded] = file.file_frames ?? []
      const faces = (file.faces_vertices ?? []).map((face) =>
        face.map((corner) => folded?.vertices_coords?.[corner] ?? []),
      )
      const stated = new Set(
        (folded?.faceOrders ?? []).map(([f, g]) => `${Math.max(f, g)} ${Math.min(f, g)}`),
      )
      const holds = (face: readonly (readonly number[])[], x: number, y: number) =>
        face.reduce((inside, [px = 0, py = 0], index) => {
          const [qx = 0, qy = 0] = face[(index + 1) % face.length] ?? []
          return py > y !== qy > y && x < px + ((y - py) / (qy - py)) * (qx - px) ? !inside : inside
        }, false)
      const found = new Set<string>()
      for (let x = -1.0037; x < 2; x += 0.0091)
        for (let y = -1.0029; y < 2; y += 0.0093) {
          const here = faces.flatMap((face, index) => (holds(face, x, y) ? [index] : []))
          for (const f of here) for (const g of here) if (f > g) found.add(`${f} ${g}`)
        }
      expect(found.size).toBeGreaterThan(30)
      expect([...found].filter((pair) => !stated.has(pair))).toEqual([])
    },
  )
  test('a state in the middle can be drawn from its file', () => {
    const bird = BASES.find(({ id }) => id === 'bird')
    const frame = bird && runProgram(bird.program).frames[7]
    if (!frame) throw new Error('no frame')
    const result = readFoldFile(JSON.stringify(writeFoldFile(frame.before, WORDS)))
    const folded = result.ok && foldPattern(result.read.pattern, { most: 2 })
    if (!folded || !folded.ok) throw new Error('not folded')
    expect(pictureOfPiece({ state: folded.state, marks: [] }).regions.length).toBeGreaterThan(0)
  })
})

/** A square of 2 with its middle lines; letters of the four half creases as given. */
const cross = (letters: readonly string[] = ['V', 'V', 'V', 'M'], change: object = {}) => ({
  file_spec: 1.2,
  vertices_coords: [
    [0, 0],
    [2, 0],
    [2, 2],
    [0, 2],
    [1, 0],
    [2, 1],
    [1, 2],
    [0, 1],
    [1, 1],
  ],
  edges_vertices: [
    [0, 4],
    [4, 1],
    [1, 5],
    [5, 2],
    [2, 6],
    [6, 3],
    [3, 7],
    [7, 0],
    [4, 8],
    [5, 8],
    [6, 8],
    [7, 8],
  ],
  edges_assignment: [...'BBBBBBBB', ...letters],
  ...change,
})
const refusal = (input: unknown) => {
  const result = readFoldFile(typeof input === 'string' ? input : JSON.stringify(input))
  if (result.ok) throw new Error('it was not refused')
  return result.fault
}

describe('coordinates with few digits', () => {
  /** The file of a piece with its coordinates rounded to so many digits behind the point. */
  const rounded = (piece: Parameters<typeof writeFoldFile>[0], sideMm: number, digits: number) => {
    const file = writeFoldFile(piece, { ...WORDS, sideMm })
    const round = (rows: FoldFile['vertices_coords']) =>
      rows?.map((row) => row.map((value) => Number(value.toFixed(digits))))
    return JSON.stringify({
      ...file,
      vertices_coords: round(file.vertices_coords),
      file_frames: file.file_frames?.map((frame) => ({
        ...frame,
        vertices_coords: round(frame.vertices_coords),
      })),
    })
  }
  const layersOf = (text: string) => {
    const result = readFoldFile(text)
    if (!result.ok) throw new Error(JSON.stringify(result.fault))
    const folded = foldPattern(result.read.pattern, { most: 2 })
    if (!folded.ok) throw new Error(JSON.stringify(folded.faults))
    const { mostLayers, fewestLayers } = figuresOf(folded.state)
    return { mostLayers, fewestLayers, orders: folded.orders, snapped: result.read.snapped }
  }
  const whole = shipped.flatMap(([name, program, shares], index) => {
    const { end } = runProgram(program, shares)
    return end.state.cutAway || name === 'corner-folded-rosette curled' ? [] : [{ name, end, index }]
  })
  // Every pattern at the roughest and at one finer setting; `npm run bench` tries every pattern at every number of digits.
  test.each(whole.map(({ name, end, index }) => ({ name, end, finer: 5 + (index % 8) })))(
    '$name, sides of 1 with 4 and $finer digits: the layers as they were folded',
    ({ end, finer }) => {
      const { mostLayers, fewestLayers } = figuresOf(end.state)
      for (const digits of [4, finer]) {
        const read = layersOf(rounded(end, 1, digits))
        expect(read).toMatchObject({ mostLayers, fewestLayers, orders: 1 })
        if (read.snapped.kind === 'moved')
          // Both coordinates of a corner may have been off by their last digit.
          expect(read.snapped.mostMoved).toBeLessThan(1.01 * Math.SQRT2 * Math.max(1e-11, 10 ** -digits))
      }
    },
    30_000,
  )
  test.each([3, 4, 5, 6])('a bird base in mm with %i digits has 4 to 8 layers (derived)', (digits) => {
    const bird = BASES.find(({ id }) => id === 'bird')!
    const read = layersOf(rounded(runProgram(bird.program).end, 150, digits))
    expect(read).toMatchObject({ fewestLayers: 4, mostLayers: 8, orders: 1, snapped: { kind: 'moved' } })
  })
  const [cos, sin] = [Math.cos((17 * Math.PI) / 180), Math.sin((17 * Math.PI) / 180)]
  test.each<[string, digits: number, move: (x: number, y: number) => number[]]>([
    ['turned by 17 degrees', 5, (x, y) => [x * cos - y * sin, x * sin + y * cos]],
    ['a thousand times as large', 2, (x, y) => [1000 * x, 1000 * y]],
    ['somewhere else', 5, (x, y) => [x - 37.25, y + 412.5]],
  ])('%s, five digits of its size: the layers as they were folded', (_, digits, move) => {
    for (const id of ['bird', 'frog', 'hexagon-twist']) {
      const { end } = runProgram(BASES.find((base) => base.id === id)!.program)
      const file = writeFoldFile(end, { ...WORDS, sideMm: 1 })
      const coords = file.vertices_coords?.map(([x = 0, y = 0]) =>
        move(x, y).map((value) => Number(value.toFixed(digits))),
      )
      const { mostLayers, fewestLayers } = figuresOf(end.state)
      const read = layersOf(JSON.stringify({ ...file, vertices_coords: coords }))
      expect({ id, ...read }).toMatchObject({ id, mostLayers, fewestLayers, orders: 1 })
    }
  })
  test('mirrored, letters changed over: the same layers', () => {
    const { end } = runProgram(BASES.find(({ id }) => id === 'bird')!.program)
    const file = writeFoldFile(end, { ...WORDS, sideMm: 1 })
    const other = { M: 'V', V: 'M', B: 'B', F: 'F', U: 'U', C: 'C', J: 'J' } as const
    const read = layersOf(
      JSON.stringify({
        ...file,
        file_frames: [],
        vertices_coords: file.vertices_coords?.map(([x = 0, y = 0]) => [
          -Number(x.toFixed(5)),
          Number(y.toFixed(5)),
        ]),
        edges_assignment: file.edges_assignment?.map((letter) => other[letter]),
      }),
    )
    expect(read).toMatchObject({ fewestLayers: 4, mostLayers: 8, orders: 1 })
  })
  test('what is written exactly is not moved', () => {
    const bird = BASES.find(({ id }) => id === 'bird')!
    expect(layersOf(JSON.stringify(writeFoldFile(runProgram(bird.program).end, WORDS))).snapped).toEqual({
      kind: 'as written',
    })
    const result = readFoldFile(JSON.stringify(cross()))
    expect(result.ok && result.read.snapped).toEqual({ kind: 'as written' })
  })
  test('a pattern that is wrong by more than a rounding is not bent until it folds', () => {
    const off = cross().vertices_coords.map(([x = 0, y = 0], n) => (n === 4 ? [1.0107, y] : [x, y]))
    const result = readFoldFile(JSON.stringify(cross(undefined, { vertices_coords: off })))
    if (!result.ok) throw new Error('not read')
    expect(result.read.snapped.kind).toBe('rough')
    expect(foldPattern(result.read.pattern, { most: 2 }).ok).toBe(false)
  })
  test('an edge of no length between two corners is left out and told', () => {
    const split = cross(undefined, {
      vertices_coords: [...cross().vertices_coords, [1, 1]],
      edges_vertices: [...cross().edges_vertices.slice(0, 11), [7, 9], [8, 9]],
      edges_assignment: [...'BBBBBBBB', 'V', 'V', 'V', 'M', 'V'],
    })
    const result = readFoldFile(JSON.stringify(split))
    expect(result.ok && foldPattern(result.read.pattern, { most: 2 }).ok).toBe(true)
    // With more digits the same is an author's slip, and refused.
    const fine = split.vertices_coords.map(([x = 0, y = 0]) => [x, y + 0.00000001])
    expect(refusal({ ...split, vertices_coords: fine }).what).toBe('its two ends are one point')
  })
  test('a stray vertex is no part of the sheet', () => {
    const stray = cross(undefined, { vertices_coords: [...cross().vertices_coords, [5000, -7000]] })
    const result = readFoldFile(JSON.stringify(stray))
    expect(result.ok && result.read.unitsPerExtent).toBe(2)
  })
  test.each([
    ['a fold that stands up', ['V', 'V', 'V', 'M'], [180, 180, 90, -180], 'folded by 90 degrees'],
    ['an angle against its letter', ['V', 'V', 'V', 'M'], [180, 180, -180, -180], 'assignment says V'],
  ])('%s is refused', (_, letters, angles, what) => {
    const fault = refusal(cross(letters, { edges_foldAngle: [0, 0, 0, 0, 0, 0, 0, 0, ...angles] }))
    expect(fault.what).toContain(what)
    expect(fault.where).toBe('edges_foldAngle 10')
  })
  test('angles of flat folds are read', () => {
    const angles = [...Array<null>(8).fill(null), 180, 180, 180, -180]
    expect(readFoldFile(JSON.stringify(cross(undefined, { edges_foldAngle: angles }))).ok).toBe(true)
  })
})

describe('what cannot be read says what, where and what to do', () => {
  test('the file that is right is read and folds to a quarter, four layers', () => {
    const result = readFoldFile(JSON.stringify(cross()))
    if (!result.ok) throw new Error(JSON.stringify(result.fault))
    const folded = foldPattern(result.read.pattern, { most: 10 })
    expect(folded.ok && figuresOf(folded.state).mostLayers).toBe(4)
    expect(result.read.unitsPerExtent).toBe(2)
  })
  const cases: readonly (readonly [string, unknown, string, string])[] = [
    ['no JSON', 'fold me', 'the file', 'not JSON'],
    ['nothing', '', 'the file', 'not JSON'],
    ['JSON of another kind', '[1, 2]', 'the file', 'expected object'],
    ['an empty object', {}, 'the file', 'no crease pattern'],
    ['an unknown key', cross(undefined, { edges_colour: [] }), 'the file', '"edges_colour" is no key'],
    [
      'an unknown key in a frame',
      cross(undefined, { file_frames: [{ framed: 1 }] }),
      'file_frames 0',
      '"framed" is no key',
    ],
    [
      'a corner that is no number',
      cross(undefined, { vertices_coords: [[0, 'NaN']] }),
      'vertices_coords 0 1',
      'number',
    ],
    [
      'null where a number should be (NaN in JSON)',
      cross(undefined, { vertices_coords: [[0, null]] }),
      'vertices_coords 0 1',
      'number',
    ],
    [
      'a corner above the plane',
      cross(undefined, { vertices_coords: [[0, 0, 1]] }),
      'vertices_coords 0',
      'above the plane',
    ],
    [
      'no size',
      cross(undefined, { vertices_coords: Array.from({ length: 9 }, () => [1, 1]) }),
      'vertices_coords',
      'no size',
    ],
    ['a missing assignment', cross(['V', 'V', 'V']), 'edges_assignment', '12 edges and 11'],
    ['a letter that is none', cross(['V', 'V', 'V', 'X']), 'edges_assignment 11', 'Invalid'],
    ['a cut', cross(['V', 'V', 'V', 'C']), 'edges_assignment 11', 'cut'],
    [
      'a vertex that is not there',
      cross(undefined, {
        edges_vertices: cross().edges_vertices.map((ends, n) => (n === 9 ? [5, 80] : ends)),
      }),
      'edges_vertices 9',
      'vertex 80 of 9',
    ],
    [
      'an edge of nothing',
      cross(undefined, {
        edges_vertices: cross().edges_vertices.map((ends, n) => (n === 9 ? [8, 8] : ends)),
      }),
      'edges_vertices 9',
      'one point',
    ],
    [
      'an open outline',
      cross(undefined, { edges_assignment: [...'VBBBBBBB', 'V', 'V', 'V', 'M'] }),
      'vertex',
      'open',
    ],
    [
      'no outline',
      cross(undefined, { edges_assignment: [...'VVVVVVVV', 'V', 'V', 'V', 'M'] }),
      'edges_assignment',
      'no outline',
    ],
    [
      'a folded form only',
      cross(undefined, { frame_classes: ['foldedForm'] }),
      'the file',
      'no crease pattern',
    ],
    [
      'edges that cross without a vertex',
      cross(undefined, {
        edges_vertices: [...cross().edges_vertices, [4, 5]],
        edges_assignment: [...cross().edges_assignment, 'V'],
        vertices_coords: cross().vertices_coords.map((at, n) => (n === 8 ? [1.9, 0.3] : at)),
      }),
      'edges',
      'cross',
    ],
    [
      'a self-crossing sheet',
      {
        vertices_coords: [
          [0, 0],
          [1, 1],
          [1, 0],
          [0, 1],
        ],
        edges_vertices: [
          [0, 1],
          [1, 2],
          [2, 3],
          [3, 0],
        ],
        edges_assignment: ['B', 'B', 'B', 'B'],
      },
      'edges 0 and 2',
      'cross',
    ],
    [
      'a sheet with a bay',
      {
        vertices_coords: [
          [0, 0],
          [2, 0],
          [2, 2],
          [1, 1],
          [0, 2],
        ],
        edges_vertices: [
          [0, 1],
          [1, 2],
          [2, 3],
          [3, 4],
          [4, 0],
        ],
        edges_assignment: ['B', 'B', 'B', 'B', 'B'],
      },
      'the outline',
      'not convex',
    ],
    [
      'two sheets',
      {
        vertices_coords: [
          [0, 0],
          [1, 0],
          [0, 1],
          [3, 3],
          [4, 3],
          [3, 4],
        ],
        edges_vertices: [
          [0, 1],
          [1, 2],
          [2, 0],
          [3, 4],
          [4, 5],
          [5, 3],
        ],
        edges_assignment: [...'BBBBBB'],
      },
      'edges_assignment',
      'more than one',
    ],
    [
      'an order of faces that are not there',
      cross(undefined, { faces_vertices: [[0, 4, 8, 7]], faceOrders: [[0, 3, 1]] }),
      'faceOrders 0',
      'face 3 of 1',
    ],
    [
      '10,000 creases',
      cross(undefined, {
        edges_vertices: Array.from({ length: 10_000 }, () => [0, 1]),
        edges_assignment: Array.from({ length: 10_000 }, () => 'M'),
      }),
      'edges_vertices',
      '2000 edges',
    ],
    ['a file of 50 MB', `{"file_title":"${'x'.repeat(50_000_000)}"}`, 'the file', '50.0 MB'],
    ['brackets without end', '['.repeat(200_000), 'the file', 'not JSON'],
    ['a title without end', cross(undefined, { file_title: 'x'.repeat(6000) }), 'file_title', ''],
  ]
  test.each(cases)('%s', (_, input, where, what) => {
    const fault = refusal(input)
    expect(fault.where).toContain(where)
    expect(fault.what).toContain(what)
    expect(fault.todo).toMatch(/[.]$/)
    expect(JSON.stringify(fault).length).toBeLessThan(700)
  })
  test("keys of a program's own are passed over", () => {
    expect(readFoldFile(JSON.stringify(cross(undefined, { 'mine:colour': 'red' }))).ok).toBe(true)
  })
  test('faces listed clockwise have their normal behind them', () => {
    const faces = [
      [0, 4, 8, 7],
      [4, 1, 5, 8],
    ]
    const hints = (around: readonly (readonly number[])[]) => {
      const result = readFoldFile(
        JSON.stringify(cross(undefined, { faces_vertices: around, faceOrders: [[1, 0, 1]] })),
      )
      return result.ok ? result.read.pattern.hints : []
    }
    expect(hints(faces)).toMatchObject([{ side: 'front' }])
    expect(hints(faces.map((face) => [...face].reverse()))).toMatchObject([{ side: 'back' }])
  })
  test('the largest file read is stated', () => {
    expect(MOST_FILE_BYTES).toBe(5_000_000)
  })
  test('nothing random is taken for a pattern, nothing throws', () => {
    fc.assert(
      fc.property(fc.json(), (text) => {
        expect(readFoldFile(text).ok).toBe(false)
      }),
      { numRuns: 300 },
    )
  })
  test('a hostile mutation of a good file is refused or read, never thrown', () => {
    const good = cross()
    fc.assert(
      fc.property(fc.constantFrom(...Object.keys(good)), fc.jsonValue(), (key, value) => {
        const result = readFoldFile(JSON.stringify({ ...good, [key]: value }))
        expect(typeof result.ok).toBe('boolean')
      }),
      { numRuns: 300 },
    )
  })
})
