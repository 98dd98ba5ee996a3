import { seededRandom } from './random'

test('the same seed gives the same numbers, another seed others, all in [0, 1)', () => {
  const take = (seed: number) => {
    const random = seededRandom(seed)
    return Array.from({ length: 500 }, random)
  }
  expect(take(7)).toEqual(take(7))
  expect(take(7)).not.toEqual(take(8))
  expect(take(7).every((value) => value >= 0 && value < 1)).toBe(true)
  const mean = take(7).reduce((sum, value) => sum + value, 0) / 500
  expect(Math.abs(mean - 0.5)).toBeLessThan(0.05)
})
