import { CoreError } from '../../errors'
import { check } from '../state'
import { pictureOf } from '../picture'
import { at, off, onto, plane, square, step, valley, work, workOn } from './build'
import { runProgram } from './run'
import { figuresOfTrace } from './step-figures'

/** Work that folds nothing: written, marked, glued, attached or pierced at places of the piece. */
const halved = step({ key: 'half', say: 'In half' }, valley(onto(at(0, 0), at(0, 1))))
const written = step({ key: 'write', say: 'Write' }, work('write', at(0.5, 0.9), at(0.25, 0.75)))

test('the piece stays as it lies, and it is no fold', () => {
  const { frames, end } = runProgram(square([halved, written]))
  expect(end.state).toBe(frames[0]?.after.state)
  expect(check(end.state)).toEqual([])
  const figures = figuresOfTrace({ frames, end, start: frames[0]?.before ?? end })
  expect(figures.map(({ folds }) => folds)).toEqual([1, 1])
  expect(figures[1]).toMatchObject({ foldLayers: 0, foldLength: 0 })
})
test('its places are where these points of the sheet lie now', () => {
  const { frames } = runProgram(
    square([halved, step({ key: 'glue', say: 'Glue' }, work('glue', at(0.25, 0.1)))]),
  )
  const last = frames.at(-1)
  expect(last && pictureOf(last).symbols).toEqual([
    { kind: 'work', name: 'glue', places: [{ x: 0.25, y: 0.9 }] },
  ])
})
test('places of the table and beside a point are places too', () => {
  const places = work('pierce', plane(0.5, 0.5), off(at(0, 0), 0.1, 0.1))
  const { frames } = runProgram(square([step({ key: 'pierce', say: 'Pierce' }, places)]))
  const [only] = frames
  expect(only && pictureOf(only).symbols).toEqual([
    {
      kind: 'work',
      name: 'pierce',
      places: [
        { x: 0.5, y: 0.5 },
        { x: 0.1, y: 0.1 },
      ],
    },
  ])
})
test('what is attached has its size', () => {
  const card = workOn('attach', [0.2, 0.3], plane(0.5, 0.5))
  const { frames } = runProgram(square([step({ key: 'card', say: 'Card' }, card)]))
  const [only] = frames
  expect(only && pictureOf(only).symbols).toEqual([
    { kind: 'work', name: 'attach', places: [{ x: 0.5, y: 0.5 }], size: [0.2, 0.3] },
  ])
})
test('a place off the paper is refused with its step', () => {
  const wrong = square([halved, step({ key: 'glue', say: 'Glue' }, work('glue', at(1.5, 0.5)))])
  let error: unknown
  try {
    runProgram(wrong)
  } catch (thrown) {
    error = thrown
  }
  expect(error).toBeInstanceOf(CoreError)
  expect(String(error)).toContain('step 2 "glue"')
})
