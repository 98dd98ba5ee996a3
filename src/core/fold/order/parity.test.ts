import fc from 'fast-check'
import { ParitySets } from './parity'

const COUNT = 12
const tie = fc.record({
  a: fc.nat(COUNT - 1),
  b: fc.nat(COUNT - 1),
  sign: fc.constantFrom(1, -1),
})

/** The slow way: every assignment of signs that keeps all the ties, as 0/1 strings. */
function fitting(ties: readonly { a: number; b: number; sign: number }[]): readonly number[] {
  return Array.from({ length: 2 ** COUNT }, (_, bits) => bits).filter((bits) =>
    ties.every(({ a, b, sign }) => (((bits >> a) & 1) === ((bits >> b) & 1)) === (sign === 1)),
  )
}

test('ties agree with trying every assignment: contradictions are found, and what is tied stays tied', () => {
  fc.assert(
    fc.property(fc.array(tie, { maxLength: 14 }), (ties) => {
      const sets = new ParitySets(COUNT)
      const kept: { a: number; b: number; sign: number }[] = []
      for (const one of ties) {
        const possible = fitting([...kept, one]).length > 0
        expect(sets.tieInPlace(one.a, one.b, one.sign)).toBe(possible)
        if (possible) kept.push(one)
      }
      const roots = new Set(Array.from({ length: COUNT }, (_, node) => sets.find(node).root))
      expect(fitting(kept)).toHaveLength(2 ** roots.size)
      for (const { a, b, sign } of kept) {
        const [first, second] = [sets.find(a), sets.find(b)]
        expect(first.root).toBe(second.root)
        expect(first.sign * second.sign).toBe(sign)
      }
    }),
    { numRuns: 60 },
  )
})
