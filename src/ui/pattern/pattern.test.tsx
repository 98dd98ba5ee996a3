import { renderToStaticMarkup } from 'react-dom/server'
import { PREFERENCES } from '../../../test/preferences'
import {
  figuresOf,
  foldPattern,
  pictureOfPiece,
  turnedPiece,
  unitSquare,
  type PatternFault,
} from '@/core/fold'
import type { PatternAnswer } from '@/workers/read-pattern.worker'
import { faultPlaces, faultWords } from './fault-words'
import { ReadAnswer } from './ReadAnswer'

const show = (answer: PatternAnswer) =>
  renderToStaticMarkup(<ReadAnswer name="mine.fold" answer={answer} preferences={PREFERENCES} />)
const half = { x: 0.5, y: 0.5 }
const pattern = {
  outline: unitSquare,
  creases: [{ from: { x: 0.5, y: 0 }, to: { x: 0.5, y: 1 }, letter: 'V' as const }],
}
const read = { title: null, pattern, unitsPerExtent: 1, unit: null, snapped: { kind: 'as written' } as const }

const FAULTS: readonly PatternFault[] = [
  { code: 'ANGLE_SUM', at: half, alternateSumDeg: 170.25 },
  { code: 'ODD_DEGREE', at: half, creases: 3 },
  { code: 'FOLD_PARITY', at: half, mountains: 2, valleys: 2 },
  { code: 'DANGLING_CREASE', at: half },
  { code: 'CLOSURE_GAP', at: half, gap: 0.0123 },
  { code: 'NO_ORDER', faces: [1, 2], at: [half, half] },
  { code: 'STOPPED' },
]
test.each(FAULTS)('$code has a sentence with its numbers, and its places', (fault) => {
  expect(faultWords(fault)).toMatch(/^[A-Z0-9].*[.]$/)
  expect(faultPlaces(fault)).toHaveLength(fault.code === 'STOPPED' ? 0 : fault.code === 'NO_ORDER' ? 2 : 1)
})
test('the numbers are there', () => {
  expect(faultWords(FAULTS[0] ?? { code: 'STOPPED' })).toContain('170.25 degrees')
  expect(faultWords(FAULTS[2] ?? { code: 'STOPPED' })).toContain('2 mountains and 2 valleys')
})
test('a refused file: what, where, what to do, and that nothing was kept', () => {
  const html = show({ kind: 'refused', fault: { what: 'it is open', where: 'vertex 3', todo: 'Close it.' } })
  expect(html).toContain('mine.fold was not read. Nothing of it was kept.')
  expect(html).toContain('vertex 3: it is open. Close it.')
})
test('an unfoldable one lists its faults beside the pattern, a dozen at most', () => {
  const faults = Array.from({ length: 20 }, () => FAULTS[1] ?? { code: 'STOPPED' as const })
  const html = show({ kind: 'unfoldable', read, faults })
  expect(html).toContain('20 faults')
  expect(html.match(/creases meet here/g)).toHaveLength(12)
  expect(html).toContain('and 8 more')
})
test('a folded one shows its figures, but only of a single order', () => {
  const folded = foldPattern(pattern, { most: 2 })
  if (!folded.ok) throw new Error('not folded')
  const piece = { state: folded.state, marks: [] }
  const answer = {
    kind: 'folded',
    read: { ...read, title: 'A book' },
    faces: 2,
    orders: 1,
    front: pictureOfPiece(piece),
    back: pictureOfPiece(turnedPiece(piece)),
    figures: figuresOf(folded.state),
  } as const
  expect(show(answer)).toContain('0.5 x 1')
  expect(show(answer)).toContain('A book')
  expect(show({ ...answer, orders: 2, figures: null })).toContain('more than one order')
})
