import fc from 'fast-check'
import { programs } from '../../../../test/generators/random-programs'
import { area, overlap } from '../../geometry'
import { check, foldPattern, lying, runProgram, type Crease, type FoldedState } from '..'

/** More overlapping pairs than this would be more assignments than a slow count wants to try. */
const MOST_PAIRS = 9

/** Orders counted the slow way: every assignment of every overlapping pair, judged by the independent check alone. */
function countByTrying(state: FoldedState): number {
  const size = state.faces.length
  const shapes = state.faces.map(lying)
  const pairs: [number, number][] = []
  for (let i = 0; i < size; i++)
    for (let j = i + 1; j < size; j++) {
      const both = overlap(shapes[i] ?? [], shapes[j] ?? [])
      if (both.length > 0 && area(both) > 1e-12) pairs.push([i, j])
    }
  if (pairs.length > MOST_PAIRS) return -1
  let count = 0
  for (let choice = 0; choice < 2 ** pairs.length; choice++) {
    const above = new Int8Array(size * size)
    pairs.forEach(([i, j], bit) => {
      const sign = (choice >> bit) & 1 ? 1 : -1
      above[i * size + j] = sign
      above[j * size + i] = -sign
    })
    if (check({ ...state, above }).length === 0) count++
  }
  return count
}

test('the solver counts what trying every assignment counts, on tiny patterns from random folds', () => {
  let [compared, several] = [0, 0]
  fc.assert(
    fc.property(programs, (program) => {
      const { state } = runProgram({ ...program, steps: program.steps.slice(0, 3) }).end
      const creases = state.hinges.map(({ from, to }): Crease => ({ from, to, letter: 'U' }))
      const folded = foldPattern({ outline: state.outline, creases }, { most: 100_000 })
      if (!folded.ok) throw new Error(JSON.stringify(folded.faults))
      const wanted = countByTrying(folded.state)
      if (wanted < 0) return
      expect(folded.orders).toBe(wanted)
      compared++
      if (wanted > 2) several++
    }),
    { numRuns: 250 },
  )
  expect(compared).toBeGreaterThan(100)
  expect(several).toBeGreaterThan(20)
})
