/**
 * A seeded stream of numbers in [0, 1), so that the demo is the same at every load.
 * Source: linear congruential generator with the multiplier and increment of Numerical Recipes (from memory).
 */
export function seededRandom(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return state / 2 ** 32
  }
}
