import { BASE_FORMS } from '../../../../test/reference/foldings'
import { BASES, check, figuresOf, foldPattern, letterOf, runProgram, type Crease, type Trace } from '..'
import { area } from '../../geometry'

const traces = new Map<string, Trace>(BASES.map(({ id, program }) => [id, runProgram(program)]))
const traceOf = (id: string): Trace => {
  const trace = traces.get(id)
  if (!trace) throw new Error(`no base ${id}`)
  return trace
}

test('every base has a derived form to be held against', () => {
  expect(BASES.map(({ id }) => id).sort()).toEqual(BASE_FORMS.map(({ input }) => input).sort())
})

describe.each(BASE_FORMS)('$what', ({ input, value, tolerance }) => {
  const { frames, end } = traceOf(input)
  test('has the size, area and layers derived on paper', () => {
    const figures = figuresOf(end.state)
    for (const key of ['width', 'height', 'shown', 'mostLayers'] as const)
      expect(Math.abs(figures[key] - value[key])).toBeLessThan(tolerance)
  })
  test('passes the independent check after every move, and no paper is lost', () => {
    for (const { after } of frames) {
      expect(check(after.state)).toEqual([])
      expect(figuresOf(after.state).paper).toBeCloseTo(area(after.state.outline), 9)
    }
  })
  test('folds from its own crease pattern with letters, in few orders, to the same form', () => {
    const { state } = end
    const creases = state.hinges.map((hinge): Crease => ({
      from: hinge.from,
      to: hinge.to,
      letter: letterOf(state, hinge),
    }))
    const folded = foldPattern({ outline: state.outline, creases }, { most: 1000 })
    if (!folded.ok) throw new Error(JSON.stringify(folded.faults))
    expect(folded.orders).toBeGreaterThanOrEqual(1)
    expect(figuresOf(folded.state).shown).toBeCloseTo(value.shown, 9)
  })
})

test('a bird base without letters lies in 164 orders (CHECKS, derived by exhaustive count elsewhere)', () => {
  const { state } = traceOf('bird').end
  const creases = state.hinges.map(({ from, to }): Crease => ({ from, to, letter: 'U' }))
  const folded = foldPattern({ outline: state.outline, creases }, { most: 10_000 })
  expect(folded.ok && [folded.orders, folded.atLeast]).toEqual([164, false])
})

test('names are many, ids are one', () => {
  expect(new Set(BASES.map(({ id }) => id)).size).toBe(BASES.length)
  expect(BASES.find(({ id }) => id === 'square')?.alsoCalled).toContain('preliminary base')
})
