import { measured } from '../../test/library'
import { BAD_TEXTS } from '../../test/generators/bad-texts'
import { LIBRARY } from '@/core/design'
import { familyOf, gaugeField, readLibraryQuery, readStepsQuery, startOf, type Query } from './designs-query'

const rosette = LIBRARY.find(({ id }) => id === 'corner-folded-rosette')
if (!rosette) throw new Error('no rosette')
const design = measured(rosette)
const read = (query: Query, unit: 'cm' | 'in' = 'cm') => readStepsQuery(query, design, { unit, usualMm: 150 })

test('an empty address is the design as it stands', () => {
  expect(read({})).toMatchObject({
    value: { variantKey: 'plain', sheetMm: 150, gauges: {}, paperId: null, start: 0 },
    fields: {},
  })
})
test('sheet and gauges in the unit of the reader; the move counted from one', () => {
  const query = { sheet: '12', [gaugeField('overhang')]: '5 mm', move: '7', paper: 'p1' }
  expect(read(query).value).toEqual({
    variantKey: 'plain',
    sheetMm: 120,
    gauges: { overhang: 5 },
    way: 'whole',
    paperId: 'p1',
    start: 6,
    left: null,
  })
  expect(read({ sheet: '6' }, 'in').value.sheetMm).toBeCloseTo(152.4, 9)
})
test('a variant that is not there names those that are', () => {
  const { value, fields } = read({ variant: 'frilled' })
  expect(value.variantKey).toBe('plain')
  expect(fields['variant']).toContain('Choose one of: calm, strongly curled.')
})
test('a gauge beyond its range says the range and stands as usual', () => {
  const { value, fields, typed } = read({ [gaugeField('overhang')]: '3' })
  expect(value.gauges).toEqual({})
  expect(fields[gaugeField('overhang')]).toContain('from 0 cm to 0.8 cm')
  expect(typed[gaugeField('overhang')]).toBe('3')
})
test.each(BAD_TEXTS.filter(([what]) => what !== 'empty'))('a sheet of %s says so at its field', (_, text) => {
  const { value, fields } = read({ sheet: text })
  expect(value.sheetMm).toBe(150)
  expect(fields['sheet']).toMatch(/^[A-Z].*[.]$/)
})
test.each([
  ['0', 0],
  ['-3', 0],
  ['2.5', 0],
  ['x', 0],
  ['1', 0],
  ['12', 11],
])('move %s begins at %i', (text, start) => {
  expect(startOf({ move: text })).toBe(start)
})
test('moves left to the end, for the same place in another way', () => {
  expect(read({ left: '7' }).value.left).toBe(7)
  expect(read({ left: '0' }).value.left).toBe(0)
  for (const left of ['', '-1', '1.5', 'x']) expect(read({ left }).value.left).toBeNull()
})
test('the direct way only where there is one', () => {
  const crane = LIBRARY.find(({ id }) => id === 'crane')
  const asked = { unit: 'cm', usualMm: 150 } as const
  expect(crane && readStepsQuery({ way: 'direct' }, measured(crane), asked).value.way).toBe('direct')
  expect(read({ way: 'direct' }).value.way).toBe('whole')
  expect(read({ way: 'from base' }).value.way).toBe('whole')
})
describe('what the library is asked for', () => {
  const library = (query: Query) => readLibraryQuery(query, ['flower', 'leaf'], 'cm')
  test('nothing, and everything', () => {
    expect(library({}).value).toEqual({
      family: null,
      skill: null,
      minutes: null,
      sheetMm: null,
      paperId: null,
      paperOnly: false,
    })
    const all = { family: 'leaf', skill: 'easy', minutes: '60', sheet: '12', paper: 'p1', only: 'paper' }
    expect(library(all)).toMatchObject({
      value: { family: 'leaf', skill: 'easy', minutes: 60, sheetMm: 120, paperId: 'p1', paperOnly: true },
      fields: {},
    })
  })
  test.each(['0', '0.5', '-5', 'an hour', '1e9', 'NaN'])(
    'minutes of %s say so and are not asked',
    (minutes) => {
      const { value, fields, typed } = library({ minutes })
      expect(value.minutes).toBeNull()
      expect(fields['minutes']).toContain('from 1 to')
      expect(typed['minutes']).toBe(minutes)
    },
  )
  test.each(BAD_TEXTS.filter(([what]) => what !== 'empty'))('a square of %s says so', (_, sheet) => {
    expect(library({ sheet }).value.sheetMm).toBeNull()
    expect(library({ sheet }).fields['sheet']).toMatch(/^[A-Z].*[.]$/)
  })
  test('a skill that is none is not asked', () => {
    expect(library({ skill: 'wizard' }).value.skill).toBeNull()
  })
})
test('of a field given twice the first counts', () => {
  expect(read({ sheet: ['10', '20'] }).value.sheetMm).toBe(100)
})
test('a family that is there, and all of them for any other word', () => {
  expect(familyOf({ family: 'leaf' }, ['flower', 'leaf'])).toBe('leaf')
  expect(familyOf({ family: 'bird' }, ['flower', 'leaf'])).toBeNull()
  expect(familyOf({}, ['flower'])).toBeNull()
})
