import { renderToStaticMarkup } from 'react-dom/server'
import {
  BASES,
  fold,
  foldPattern,
  runProgram,
  drawProgram,
  unitSquare,
  type FoldProgram,
  type MoveSpec,
} from '@/core/fold'
import { FoldDiagram } from './FoldDiagram'
import { MoveDiagram } from './Halfway'
import { InBetween } from './InBetween'
import { PatternDrawing } from './PatternDrawing'
import { placedLabels } from './SymbolWords'
import { endWords, StackSide } from './StackSide'
import { facesOf } from './faces'
import { boxWith, enlargedBox, openEdgesOf, scalesOf, viewOf } from './view'

const {
  at,
  foldAndUnfold,
  onto,
  plane,
  rotateBy,
  square,
  step,
  through,
  turnOverUpright,
  valley,
  work,
  workOn,
} = fold
const FACES = { front: '#ffffff', back: '#c4491d' }
const programOf = (...moves: readonly MoveSpec[]): FoldProgram =>
  square(moves.map((move, index) => step({ key: `m${index}`, say: 'fold' }, move)))
const lastShown = (...moves: readonly MoveSpec[]) => {
  const move = drawProgram(programOf(...moves)).moves.at(-1)
  if (!move) throw new Error('no move')
  return move
}
const draw = (moves: readonly MoveSpec[], props: object = {}) =>
  renderToStaticMarkup(
    <FoldDiagram picture={lastShown(...moves).picture} faces={FACES} title="A step" {...props} />,
  )
const numbersIn = (text: string) => (text.match(/-?\d+(\.\d+)?/g) ?? []).map(Number)
const cornerIn = valley(onto(at(0, 0), at(0.5, 0.5)))

describe.each(BASES)('$name', ({ program }) => {
  const { moves, front } = drawProgram(program)
  test.each([false, true])('every picture stays inside its frame, left-handed: %p', (leftHanded) => {
    for (const { picture } of moves) {
      const svg = renderToStaticMarkup(
        <FoldDiagram picture={picture} faces={FACES} title="A step" leftHanded={leftHanded} hidden />,
      )
      const [, , width = 0, height = 0] = numbersIn(/viewBox="([^"]+)"/.exec(svg)?.[1] ?? '')
      expect(Math.max(width, height)).toBe(1000)
      for (const [, d] of svg.matchAll(/<path d="(M[^"]+)" fill="#/g)) {
        const numbers = numbersIn(d ?? '')
        numbers.forEach((value, index) => {
          expect(value).toBeGreaterThanOrEqual(0)
          expect(value).toBeLessThanOrEqual(index % 2 === 0 ? width : height)
        })
      }
      expect(svg).not.toContain('NaN')
    }
  })
  test('the finished base shows the colours it should and no symbols', () => {
    const svg = renderToStaticMarkup(<FoldDiagram picture={front} faces={FACES} title="End" small />)
    for (const side of ['front', 'back'] as const)
      expect(svg.includes(`fill="${FACES[side]}"`)).toBe(front.regions.some((region) => region.side === side))
    expect(svg).not.toContain('var(--fold-line)')
  })
})

test('a valley line is dashed, a mountain line has dots between its dashes', () => {
  expect(draw([cornerIn])).toContain('stroke-dasharray="30 20"')
  expect(draw([{ ...cornerIn, way: 'mountain' } as MoveSpec])).toContain(
    'stroke-dasharray="34 17 0.1 17 0.1 17"',
  )
})
test('a picture has its name; one with words beside it is passed over by readers', () => {
  expect(draw([cornerIn])).toContain('aria-label="A step"')
  expect(draw([cornerIn], { title: '' })).toContain('aria-hidden="true"')
})
test('hidden edges only on wish', () => {
  const moves = [valley(onto(at(0, 0), at(0.7, 0.7))), turnOverUpright, rotateBy(0)]
  const hiddenDash = 'stroke-dasharray="2 9"'
  expect(draw(moves)).not.toContain(hiddenDash)
  expect(draw(moves, { hidden: true })).toContain(hiddenDash)
})
test('for the left hand the piece is mirrored, its words are not', () => {
  const [right, left] = [false, true].map((leftHanded) => draw([rotateBy(90)], { leftHanded }))
  expect(right).toContain('1/4 turn')
  expect(left).toContain('1/4 turn')
  const place = (mirrored: boolean) => {
    const view = viewOf({ left: 0, right: 1, bottom: 0, top: 1 }, 100, mirrored)
    return view.x(0.25)
  }
  expect(place(false) + place(true)).toBeCloseTo(1000, 9)
})
test('an arrow that reaches beyond the piece widens the picture', () => {
  const { picture } = lastShown(valley(onto(at(0, 0), at(0.2, 0)), { moves: at(0, 0) }))
  const box = boxWith({ left: 0.1, right: 0.2, bottom: 0, top: 0.1 }, picture.symbols)
  expect(box.left).toBeLessThan(0.01)
})
test('turning over shows its axis, a crease there and back two heads', () => {
  // Two ticks outside the paper, nothing across it.
  expect(draw([turnOverUpright])).toContain('d="M500 8V88M500 992V912"')
  const heads = draw([foldAndUnfold(onto(at(0, 0), at(1, 1)))]).match(/Z" fill="var\(--fold-(line|halo)\)"/g)
  expect(heads?.length).toBeGreaterThanOrEqual(2)
})

test('what is done again elsewhere: as many strokes across the arrow', () => {
  const strokes = (more: number) =>
    /<path d="((?:M[^ML"]+L[^ML"]+)+)" stroke="var\(--fold-line\)" stroke-width="5"/
      .exec(draw([cornerIn], { more }))?.[1]
      ?.split('M').length ?? 1
  expect([0, 1, 3].map((more) => strokes(more) - 1)).toEqual([0, 1, 3])
})

describe('the stack from the side', () => {
  const section = lastShown(valley(onto(at(0, 0), at(1, 0))), valley(onto(at(1, 0), at(1, 1)))).picture
    .section
  test('says how many runs move and which end is closed', () => {
    if (!section) throw new Error('no section')
    const svg = renderToStaticMarkup(<StackSide section={section} faces={FACES} />)
    expect(svg).toContain('2 runs of paper, 2 of them move')
    expect(endWords(section)).toMatch(/^Left end (open|closed), right end (open|closed)[.]$/)
    expect(svg).not.toContain('NaN')
  })
  test('a book cut across its spine is closed on one side', () => {
    const book = lastShown(valley(onto(at(0, 0), at(1, 0))), valley(onto(at(0.75, 0), at(0.75, 1)))).picture
      .section
    const across = lastShown(
      valley(onto(at(0, 0), at(1, 0))),
      valley(onto(at(1, 0), at(0.5, 0)), { moves: at(1, 0) }),
    ).picture.section
    expect(book && endWords(book)).toBe('Left end open, right end open.')
    expect(across && endWords(across)).toContain('closed')
  })
})

test('in between: paper that stays, paper that rises and comes down, over or behind', () => {
  for (const way of ['valley', 'mountain'] as const) {
    const { picture, motion } = lastShown({ ...cornerIn, way } as MoveSpec)
    if (!motion) throw new Error('no motion')
    const svg = renderToStaticMarkup(
      <InBetween
        picture={picture}
        motion={motion}
        faces={FACES}
        leftHanded={false}
        onEnd={() => undefined}
      />,
    )
    const still = svg.indexOf('<path')
    expect(svg.indexOf('fold-rises') < still).toBe(way === 'mountain')
    expect(svg).toContain('fold-comes-down')
  }
})

test('a card that is attached is drawn in outline, even where it stands out over the piece', () => {
  const svg = draw([workOn('attach', [0.4, 0.6], plane(0.5, 0))])
  const [, x = 0, y = 0, width = 0, height = 0] =
    /<rect x="([^"]+)" y="([^"]+)" width="([^"]+)" height="([^"]+)"/.exec(svg)?.map(Number) ?? []
  const [, , , frame = 0] = numbersIn(/viewBox="([^"]+)"/.exec(svg)?.[1] ?? '')
  expect(width / height).toBeCloseTo(2 / 3, 2)
  expect(x).toBeGreaterThan(0)
  expect(y + height).toBeLessThanOrEqual(frame)
  expect(draw([work('attach', plane(0.5, 0))])).not.toContain('<rect')
})

test.each(['curl', 'round', 'open', 'inflate', 'bend'] as const)('%s is drawn and said', (name) => {
  const svg = draw([{ kind: 'shape', name, model: 'none', factor: [1, 1] }])
  expect(svg).toContain(`>${name}</text>`)
  expect(svg).toMatch(/<g transform="translate\([^)]+\)"[^>]*><path d="M/)
})

describe('half way through a petal fold', () => {
  const petal = BASES.flatMap(({ id, program }) => (id === 'bird' ? drawProgram(program).moves : [])).find(
    ({ halfway }, index) => halfway && index > 6,
  )
  const drawn = (leftHanded: boolean) => {
    if (!petal) throw new Error('no petal fold')
    return renderToStaticMarkup(
      <MoveDiagram
        picture={petal.picture}
        halfway={petal.halfway}
        faces={FACES}
        title="Petal fold"
        leftHanded={leftHanded}
      />,
    )
  }
  test('it stands beside the move, shows both sides of the paper, and stays inside its frame', () => {
    const [move = '', halfway = ''] = drawn(false).split('<figure')
    expect(move).toContain('aria-label="Petal fold"')
    expect(halfway).toContain('half way</figcaption>')
    expect(halfway).toContain(FACES.front)
    expect(halfway).toContain(FACES.back)
    const [, , width = 0, height = 0] = numbersIn(/viewBox="([^"]+)"/.exec(halfway)?.[1] ?? '')
    for (const [, path = ''] of halfway.matchAll(/ d="([^"]+)"/g))
      numbersIn(path).forEach((value, index) => {
        expect(value).toBeGreaterThanOrEqual(0)
        expect(value).toBeLessThanOrEqual(index % 2 === 0 ? width : height)
      })
  })
  test('for the left hand it is mirrored', () => {
    expect(drawn(true)).not.toBe(drawn(false))
  })
  test('a simple fold stands alone', () => {
    const { picture, halfway } = lastShown(cornerIn)
    const alone = renderToStaticMarkup(
      <MoveDiagram picture={picture} halfway={halfway} faces={FACES} title="A step" />,
    )
    expect(alone).toBe(draw([cornerIn]))
  })
})

test('a pattern: its lines by letter, its faults ringed and numbered', () => {
  const half = { x: 0.5, y: 0.5 }
  const pattern = {
    outline: unitSquare,
    creases: [{ from: half, to: { x: 1, y: 0.5 }, letter: 'M' as const }],
  }
  const folded = foldPattern(pattern, { most: 1 })
  expect(folded.ok).toBe(false)
  const svg = renderToStaticMarkup(<PatternDrawing pattern={pattern} places={[half]} title="Faults" />)
  expect(svg).toContain('<circle cx="500" cy="500"')
  expect(svg).toContain('>1</text>')
})

test('faces: colour down begins with the back of the paper up', () => {
  const paper = { frontColour: '#111111', backColour: '#eeeeee' }
  expect(facesOf(paper, 'colour down')).toEqual({ front: '#eeeeee', back: '#111111' })
  expect(facesOf(paper, 'colour up')).toEqual({ front: '#111111', back: '#eeeeee' })
  expect(runProgram(programOf(cornerIn)).frames).toHaveLength(1)
})

describe('scale', () => {
  const framed = (size: number) => ({ box: { left: 0, right: size, bottom: 0, top: size / 2 }, symbols: [] })
  const scales = (sizes: readonly number[], restarts: readonly number[] = []) =>
    scalesOf(sizes.map(framed), (index) => restarts.includes(index))
  test('one through a row, as large as its largest picture', () => {
    expect(scales([0.8, 1, 0.9])).toEqual([1, 1, 1].map((span) => ({ span, changes: null })))
  })
  test('what would be small is drawn larger from there on, and says by how much', () => {
    expect(scales([1, 0.9, 0.5, 0.45])).toEqual([
      { span: 1, changes: null },
      { span: 1, changes: null },
      { span: 0.5, changes: 2 },
      { span: 0.5, changes: null },
    ])
    // What does not fit any more is drawn smaller.
    expect(scales([0.5, 1])[1]).toEqual({ span: 1, changes: 0.5 })
  })
  test('a new stage has its own scale', () => {
    expect(scales([1, 0.8, 0.8], [1]).map(({ span }) => span)).toEqual([1, 0.8, 0.8])
    expect(scales([1, 0.8, 0.8], [1])[1]?.changes).toBeCloseTo(1.25, 12)
  })
})

test('a fold that is short in its picture is shown enlarged, a long one is not', () => {
  const small = lastShown(valley(through(at(0.03, 0), at(0, 0.03)), { moves: at(0, 0) }))
  const box = enlargedBox(small.picture)!
  // Around the fold: 0.03 across and as much again, 0.9 times, on every side.
  expect(box.right - box.left).toBeCloseTo(0.03 * 2.8, 3)
  expect((box.left + box.right) / 2).toBeCloseTo(0.015, 3)
  expect(enlargedBox(lastShown(cornerIn).picture)).toBeNull()
  const both = renderToStaticMarkup(
    <MoveDiagram picture={small.picture} halfway={null} faces={FACES} title="A step" />,
  )
  expect(both).toContain('enlarged')
})

test('an open edge of several layers is told from one of one layer', () => {
  const book = valley(onto(at(0, 0), at(1, 0)))
  const { edges } = drawProgram(programOf(book)).front
  // The long open edge and the two short ones, each with one layer right under it; the folded edge has none.
  expect(edges.open).toHaveLength(3 * 7)
  for (let index = 0; index < edges.open.length; index += 7) {
    const [ax = 0, ay = 0, bx = 0, by = 0, count, outX = 0, outY = 0] = edges.open.slice(index, index + 7)
    expect(count).toBe(1)
    expect(Math.hypot(outX, outY)).toBeCloseTo(1, 3)
    // Away from the middle of the piece, which lies to the left after the fold or to the right.
    const middle = {
      x: (edges.seen.reduce((sum, value, at) => sum + (at % 2 ? 0 : value), 0) * 2) / edges.seen.length,
      y: 0.5,
    }
    expect(outX * ((ax + bx) / 2 - middle.x) + outY * ((ay + by) / 2 - middle.y)).toBeGreaterThan(0)
  }
  const view = viewOf({ left: 0, right: 1, bottom: 0, top: 1 }, 0, false)
  expect(openEdgesOf(view, edges.open).match(/M/g)).toHaveLength(3)
  expect(drawProgram(programOf()).front.edges.open).toEqual([])
})

test('edges that meet under another layer are no open edge', () => {
  const cupboard = [valley(onto(at(0, 0), at(0.5, 0))), valley(onto(at(1, 0), at(0.5, 0)))]
  const { edges } = drawProgram(programOf(...cupboard, turnOverUpright)).front
  expect(edges.open.length).toBeGreaterThan(0)
  for (let index = 0; index < edges.open.length; index += 7) {
    const [ax = 0, , bx = 0] = edges.open.slice(index, index + 3)
    // Only above and below, where the doors end with the sheet; not upright in the middle, where they meet behind it.
    expect(Math.abs(ax - bx)).toBeGreaterThan(0.1)
  }
})

describe('labels', () => {
  const view = viewOf({ left: 0, right: 1, bottom: 0, top: 0.6 }, 120, false)
  const label = (says: string, x: number, y: number) => ({ says, x, y, dot: false })
  test('about one place stand beside one another, within the drawing', () => {
    const placed = placedLabels(
      [label('1.15 cm', 500, 200), label('1.7 cm', 502, 200), label('2 of 4 layers', 505, 210)],
      view,
    )
    const spans = placed.map(({ at: { x }, says }) => [x - 10 * says.length, x + 10 * says.length] as const)
    for (const [index, [, end]] of spans.slice(0, -1).entries())
      expect(spans[index + 1]?.[0]).toBeGreaterThan(end)
    expect(Math.min(...spans.map(([start]) => start))).toBeGreaterThanOrEqual(0)
    expect(Math.max(...spans.map(([, end]) => end))).toBeLessThanOrEqual(view.width)
  })
  test('at an edge of the drawing they are pushed in, and keep apart', () => {
    const placed = placedLabels([label('1.15 cm', 990, 200), label('1.7 cm', 995, 200)], view)
    expect((placed[1]?.at.x ?? 0) - (placed[0]?.at.x ?? 0)).toBeGreaterThan(130)
    expect(placed[1]?.at.x).toBeLessThan(view.width)
  })
  test('beside a tall piece they stand under one another', () => {
    const tall = viewOf({ left: 0, right: 0.5, bottom: 0, top: 1 }, 120, false)
    const placed = placedLabels([label('1 cm', 100, 400), label('2 cm', 110, 402)], tall)
    expect(placed.map(({ anchor }) => anchor)).toEqual(['end', 'end'])
    expect((placed[1]?.at.y ?? 0) - (placed[0]?.at.y ?? 0)).toBeGreaterThan(40)
  })
})
