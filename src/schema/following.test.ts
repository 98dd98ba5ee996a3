import { MEASURED } from '../../test/library'
import { LIBRARY } from '@/core/design'
import { typedBrief, typedLine } from '../../test/typed'
import { briefFields } from './brief'
import { parseFields } from './field-errors'

const WORLD = {
  unit: 'cm' as const,
  ruler: 'mm-0.5' as const,
  designs: MEASURED,
  papers: [{ id: 'a', sheets: [] }],
}
type Line = ReturnType<typeof typedLine>
const papers = [{ paperId: 'a', pieces: '' }]
const bottles = typedLine({
  id: 'host',
  designId: 'field-flower',
  variantKey: 'plain',
  axis: 'height',
  size: '9',
  made: 'bouquet',
  measures: { bouquets: '14', each: '3', stem: '18', vase: '' },
  papers,
})
const leaves = typedLine({
  id: 'leaves',
  made: 'bouquet',
  measures: { bouquets: '2', each: '2', stem: '', vase: '' },
  goesWith: 'host',
  papers,
})
const read = (...lines: readonly Line[]) => parseFields(briefFields(WORLD), typedBrief(lines))
const lineOf = (id: string, ...lines: readonly Line[]) => {
  const result = read(...lines)
  return result.ok ? result.value.lines.find((line) => line.id === id) : undefined
}
const errors = (...lines: readonly Line[]) => {
  const result = read(...lines)
  return result.ok ? {} : result.fields
}
const [flower] = LIBRARY.filter(({ id }) => id === 'field-flower')
const variant = { variantKey: flower!.variants[0]!.key, axis: flower!.variants[0]!.sizes[0]!.axis }
Object.assign(bottles, variant)

test('what goes with bottles has as many as there are bottles, whatever it was typed with', () => {
  expect(lineOf('leaves', bottles, leaves)).toMatchObject({
    pieces: 28,
    goesWith: 'host',
    attachedTo: null,
    making: { kind: 'bouquet', values: { bouquets: 14, each: 2 } },
  })
  const more = { ...bottles, measures: { ...bottles.measures, bouquets: '20' } }
  expect(lineOf('leaves', more, leaves)?.pieces).toBe(40)
})
test.each([
  ['a line that is gone', { goesWith: 'gone' }],
  ['itself', { goesWith: 'leaves' }],
])('with %s: said at its field', (_, change) => {
  expect(Object.keys(errors(bottles, { ...leaves, ...change }))).toEqual(['lines.1.goesWith'])
})
test('with loose pieces, or with what goes with another: said', () => {
  const loose = { ...bottles, made: 'batch' as const, pieces: '4', measures: {} }
  expect(Object.keys(errors(loose, leaves))).toEqual(['lines.1.goesWith'])
  const third = { ...leaves, id: 'third', goesWith: 'leaves' }
  expect(Object.keys(errors(bottles, leaves, third))).toEqual(['lines.2.goesWith'])
})

const large = typedLine({ id: 'large', pieces: '4', size: '10', papers })
const small = typedLine({ id: 'small', pieces: '8', sizeOf: 'large', sizePercent: '75', papers })

test('three quarters of 10 cm is 7.5 cm, and follows', () => {
  expect(lineOf('small', large, small)).toMatchObject({
    askedMm: 75,
    sizeOf: { lineId: 'large', percent: 75 },
  })
  expect(lineOf('small', { ...large, size: '12' }, small)?.askedMm).toBe(90)
})
test('a part of a sheet is a part of the sheet', () => {
  const sheet = { ...large, sizing: 'sheet' as const }
  expect(lineOf('small', sheet, small)).toMatchObject({ sizing: 'sheet', askedMm: 75, axis: null })
})
test.each([
  ['no number', { sizePercent: 'half' }, 'sizePercent'],
  ['nothing', { sizePercent: '' }, 'sizePercent'],
  ['too little', { sizePercent: '4' }, 'sizePercent'],
  ['too much', { sizePercent: '401' }, 'sizePercent'],
  ['a line that is gone', { sizeOf: 'gone' }, 'sizeOf'],
  ['itself', { sizeOf: 'small' }, 'sizeOf'],
])('a part of its size that is %s: said at its field', (_, change, field) => {
  expect(Object.keys(errors(large, { ...small, size: '5', ...change }))).toEqual([`lines.1.${field}`])
})
test('a part of a part is no family: sizes are parts of one', () => {
  const third = { ...small, id: 'third', size: '5', sizeOf: 'small' }
  expect(Object.keys(errors(large, small, third))).toEqual(['lines.2.sizeOf'])
})
