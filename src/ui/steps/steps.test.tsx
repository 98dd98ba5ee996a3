import { renderToStaticMarkup } from 'react-dom/server'
import { PREFERENCES } from '../../../test/preferences'
import { CoreError } from '@/core/errors'
import { BASES, drawProgram, type MoveSpec } from '@/core/fold'
import { handlingOf } from '@/core/paper'
import type { Followed } from '@/flows/read/folds'
import type { DrawerPaper } from '@/flows/read/papers'
import { pack } from '../packed'
import { foldProblem } from './fold-problem'
import { StepThrough } from './StepThrough'
import { aimWords, placeWords } from './aim-words'
import {
  countWords,
  handlingWords,
  kindWords,
  markDistances,
  roomWords,
  wordsForLeftHand,
} from './step-words'

const kite = BASES.find(({ id }) => id === 'kite')
if (!kite) throw new Error('no kite')
const shown = drawProgram(kite.program)
const folds: Omit<Followed, 'shown'> = {
  sideUp: 'colour down',
  words: kite.program.steps.map(({ key, say, each, rounds, crease, rigour, note }) => ({
    key,
    stageName: null,
    each,
    says: rounds.map((round) => round.say ?? say),
    crease,
    rigour,
    note: note ?? null,
    normal: null,
    look: [],
    depthShare: null,
    gauges: [],
    roomForLayers: [],
  })),
  shaping: {
    says: [{ name: 'curl', model: 'Curling draws it in.' }],
    sizes: [{ label: 'wide', low: 0.3, high: 0.35 }],
  },
  forms: null,
}
const paper: DrawerPaper = {
  id: 'p',
  name: 'Reed Green',
  frontColour: '#7f9563',
  backColour: '#ffffff',
  feel: 'copier',
  pattern: 'plain',
  texture: 'smooth',
  grain: 'unknown',
  turnable: true,
  toleranceMm: null,
  feelLabel: 'copier paper',
  grammageGsm: 80,
  caliperMm: 0.1,
  caliperMeasuredMm: null,
  note: '',
  sheets: [],
}
const page = (start: number, hand: 'right' | 'left' = 'right') =>
  renderToStaticMarkup(
    <StepThrough
      name="Kite base"
      folds={folds}
      shown={pack(shown)}
      sheetMm={150}
      papers={[paper]}
      paperId="p"
      hand={hand}
      fileAddress="/api/fold-file/base/kite?"
      programAddress="/api/fold-program/base/kite?"
      start={start}
      preferences={PREFERENCES}
    />,
  )

test('the second edge of two: counted, said, measured, with a file of just this state', () => {
  const html = page(2)
  expect(html).toContain('Step 2 of 2')
  expect(html).toMatch(/<span class="[^"]*">2<\/span>/)
  expect(html).toContain('of 2 edges')
  // 1.082392 x 15 cm is 16.24 cm, read on a ruler in millimetres.
  expect(html).toContain('16.2 cm, 1 layer')
  expect(html).toContain('href="/api/fold-file/base/kite?move=3"')
  expect(html).toContain('A fingernail creases it. It still curls.')
})
test('the end: sizes, what shaping leaves of them, both sides', () => {
  const html = page(99)
  expect(html).toContain('Finished')
  expect(html).toContain('12.4 cm</span> width')
  expect(html).toContain('Estimated after shaping:')
  expect(html).toMatch(/4\.5 cm to 5\.3 cm<\/span> wide/)
  expect(html).toContain('aria-label="Kite base, turned over"')
})
test('the left hand begins with mirrored pictures and words', () => {
  const word = {
    key: 'page',
    stageName: null,
    each: 'page',
    says: ['Right half over to the left'],
    crease: 'firm',
    rigour: 'strict',
    note: 'to the left',
    normal: null,
    look: ['left'],
    depthShare: null,
    gauges: [],
    roomForLayers: [],
  } as const
  expect(wordsForLeftHand(word)).toMatchObject({
    says: ['Left half over to the right'],
    note: 'to the right',
    look: ['right'],
  })
  expect(page(1, 'left')).not.toBe(page(1, 'right'))
  expect(page(1, 'left')).toMatch(/checked=""[^>]*\/>for the left hand/)
})
test('colours are those of the paper, white side up first', () => {
  expect(page(0)).toContain('fill="#ffffff"')
  expect(page(99)).toContain('fill="#7f9563"')
})

test('counting words', () => {
  const word = {
    key: 'page',
    stageName: null,
    crease: 'firm',
    rigour: 'strict',
    note: null,
    normal: null,
    look: [],
    depthShare: null,
    gauges: [],
    roomForLayers: [],
  } as const
  expect(countWords({ ...word, each: 'half', says: ['a', 'b'] }, 1)).toEqual({
    count: '2',
    of: 'of 2 halves',
  })
  expect(countWords({ ...word, each: 'twist', says: ['a'] }, 0)).toEqual({ count: '1', of: 'twist' })
})
test('every kind of move has its sentence', () => {
  const kinds: readonly MoveSpec['kind'][] = [
    'fold',
    'crease',
    'unfold',
    'turn over',
    'rotate',
    'reverse',
    'refold',
    'tuck',
    'cut',
    'shape',
    'work',
  ]
  const [move] = shown.moves
  if (!move) throw new Error('no move')
  const said = (kind: MoveSpec['kind'], style: 'valley' | 'mountain') =>
    kindWords({
      kind,
      picture: {
        ...move.picture,
        symbols: [{ kind: 'line', style, seen: true, from: { x: 0, y: 0 }, to: { x: 1, y: 0 } }],
      },
    })
  for (const kind of kinds) expect(said(kind, 'valley')).toMatch(/^[A-Z].*[.]$/)
  expect(new Set(kinds.map((kind) => said(kind, 'valley'))).size).toBe(kinds.length)
  // Words name the line that is drawn.
  for (const kind of ['fold', 'crease'] as const) {
    expect(said(kind, 'valley')).toContain('the dashed line')
    expect(said(kind, 'mountain')).toContain('behind on the dash-dot-dot line')
  }
  expect(said('reverse', 'mountain')).toContain('dash-dot-dot')
})
test('room for later layers is told in millimetres, with the paper it is worked out from', () => {
  expect(roomWords([2, 4], 0.07)).toBe('Leave 0.4 mm of room (estimated from layers of 0.07 mm).')
})
test('what still creases it', () => {
  expect(handlingWords(handlingOf(8, 0.1))).toContain('Too thick')
  expect(handlingWords(handlingOf(6, 0.1))).toContain('bone folder')
})
test('marks: each distance once, corners left out, nearest first', () => {
  const mark = (fromNearerCorner: number) => ({ edge: 0, along: fromNearerCorner, fromNearerCorner })
  expect(markDistances([mark(0.5), mark(0), mark(0.25), mark(0.25)])).toEqual([
    { share: 0.25, times: 2 },
    { share: 0.5, times: 1 },
  ])
})
test('what cannot be folded says why and where', () => {
  const error = new CoreError('NO_SUCH_LAYER', {
    name: 'step 3 "x", time 1: layers taken',
    value: 4,
    at: { x: 0.25, y: 0.5 },
  })
  expect(foldProblem(error)).toBe(
    'Cannot be folded: there is no such layer to take (step 3 "x", time 1: layers taken: 4, 0.25 across and 0.5 up the sheet (side 1)).',
  )
})

test('how a fold line is found, in words', () => {
  const at = { x: 0, y: 0 }
  const crease = (...steps: readonly number[]) => ({ kind: 'crease', steps }) as const
  const raw = { kind: 'raw', steps: [] } as const
  expect(placeWords({ kind: 'meeting', lines: [crease(0), crease(0, 2)] })).toBe(
    'the point where the creases of steps 1 and 3 cross',
  )
  expect(placeWords({ kind: 'meeting', lines: [raw, crease(1)] })).toBe(
    'the point where the crease of step 2 meets the edge',
  )
  const corner = { kind: 'landmark', at, name: { kind: 'corner' } } as const
  const across = { from: at, to: at } as const
  expect(
    aimWords([
      { ...corner, role: 'moves' },
      { kind: 'landmark line', role: 'target', name: crease(4), ...across },
    ]),
  ).toBe('Bring the corner onto the crease of step 5.')
  expect(
    aimWords([
      { ...corner, role: 'moves' },
      { ...corner, role: 'target' },
    ]),
  ).toBe('Bring the corner onto the one with the dot.')
  expect(
    aimWords([
      { ...corner, role: 'moves', squarely: true },
      { kind: 'measure', share: 0.1, ...across },
    ]),
  ).toBe('To the measure drawn; both sides of the corner go over alike.')
  // What folds itself along creases that are there is found by nothing.
  expect(aimWords([{ kind: 'line', style: 'valley', seen: true, ...across }])).toBeNull()
})
