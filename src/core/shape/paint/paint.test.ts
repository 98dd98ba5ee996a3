import { BASES, figuresOf, fold, runProgram, turnedPiece, cellsOf, type ShapeAct } from '../../fold'
import { shapedForm, shapingSteps } from '../form'
import { paintForm, type PaintedView } from './paint'
import { eyeOf, seenFrom, VIEWS } from './view'

const { plane, step, through } = fold

/** How much of each side is seen, in sides squared, by the pixels. */
function seen({ pixels, width, frame }: PaintedView): { readonly front: number; readonly back: number } {
  const perSide = width / (frame.right - frame.left)
  let [front, back] = [0, 0]
  for (let i = 0; i < pixels.length; i += 4) {
    const [red = 0, green = 0, , alpha = 0] = pixels.subarray(i, i + 4)
    // Shadow on the table has no colour.
    if (red + green === 0) continue
    if (red > green) front += alpha / 255
    else back += alpha / 255
  }
  return { front: front / perSide ** 2, back: back / perSide ** 2 }
}
const painted = (form: Parameters<typeof paintForm>[0], px = 160): PaintedView => {
  const [view] = paintForm(form, ['above'], px)
  if (!view) throw new Error('nothing painted')
  return view
}

test.each(BASES.map(({ id, program }) => [id, program] as const))(
  '%s: as much of both sides is painted as the figures say, from above and turned over',
  (_, program) => {
    const { end } = runProgram(program)
    for (const piece of [end, turnedPiece(end)]) {
      const figures = figuresOf(piece.state, cellsOf(piece.state))
      const { front, back } = seen(painted(shapedForm([], piece.state, { gauges: {}, sheetMm: 100 })))
      // Edges are smoothed into the table: a pixel's width along them.
      expect(Math.abs(front - figures.frontSeen)).toBeLessThan(0.02)
      expect(Math.abs(back - figures.backSeen)).toBeLessThan(0.02)
    }
  },
)

const bent = (...acts: readonly ShapeAct[]) => {
  const program = {
    sheet: { kind: 'square' },
    steps: [
      step(
        { key: 'shape', say: 'Shape', each: 'piece' },
        { kind: 'shape', name: 'open', model: 'told', acts },
      ),
    ],
    measures: [],
  } as const
  const trace = runProgram(program)
  return shapedForm(shapingSteps(program, trace), trace.end.state, { gauges: {}, sheetMm: 100 })
}
const half = (turn: number): ShapeAct => ({
  act: 'bend',
  line: through(plane(0.5, 0), plane(0.5, 1)),
  moves: plane(1, 0.5),
  curve: [{ turn }],
})

test('a half turned right over shows its back, and only that of it', () => {
  const { front, back } = seen(painted(bent(half(179))))
  expect(back).toBeCloseTo(0.5, 1)
  expect(front).toBeLessThan(0.02)
})

test('paper in the light is lighter than paper turned away from it, and a wall throws a shadow', () => {
  const { pixels, width, height, frame } = painted(bent(half(90)), 200)
  const at = (x: number, y: number) => {
    const perSide = width / (frame.right - frame.left)
    const [px, py] = [Math.round((x - frame.left) * perSide), Math.round((frame.top - y) * perSide)]
    return pixels.subarray(4 * (py * width + px), 4 * (py * width + px) + 4)
  }
  expect(height).toBeGreaterThan(200)
  const lying = at(0.1, 0.5)
  // Flat paper in the open has nearly all the light there is; at the foot of the wall it has less.
  expect(lying[0]).toBeGreaterThan(0.85 * 255)
  expect(at(0.48, 0.5)[0]).toBeLessThan((lying[0] ?? 0) - 10)
  // Away from the window the table is in the shadow: no colour, some darkness.
  const shadow = at(0.53, 0.6)
  expect([shadow[0], shadow[1]]).toEqual([0, 0])
  expect(shadow[3]).toBeGreaterThan(20)
})

test('all views keep one scale, and the piece lies within its frame', () => {
  const views = paintForm(bent(half(60)), VIEWS, 120)
  expect(views.map(({ view }) => view)).toEqual([...VIEWS])
  const scales = views.map(({ width, frame }) => width / (frame.right - frame.left))
  for (const scale of scales) expect(scale / (scales[0] ?? 0)).toBeCloseTo(1, 9)
  for (const { frame, piece } of views) {
    expect(frame.left).toBeLessThan(piece.left)
    expect(frame.top).toBeGreaterThan(piece.top)
  }
  const { piece } = views[1] ?? { piece: null }
  // From above: half of the sheet, and half as much of the other half.
  expect((piece?.right ?? 0) - (piece?.left ?? 0)).toBeCloseTo(0.5 + 0.5 * Math.cos(Math.PI / 3), 9)
})

test('eyes look square: three unit vectors, and lengths in the picture are no longer than in space', () => {
  for (const view of VIEWS)
    for (const lookDown of [90, 58]) {
      const eye = eyeOf(view, lookDown)
      const all = [eye.right, eye.up, eye.towards]
      all.forEach((one, i) =>
        all.forEach((other, j) =>
          expect(one.x * other.x + one.y * other.y + one.z * other.z).toBeCloseTo(i === j ? 1 : 0, 12),
        ),
      )
      const { x, y, z } = seenFrom(eye, { x: 0.3, y: -0.4, z: 1.2 })
      expect(x * x + y * y + z * z).toBeCloseTo(0.09 + 0.16 + 1.44, 12)
    }
})
