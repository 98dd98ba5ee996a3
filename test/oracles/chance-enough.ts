/**
 * Slow second way to the chance that all piles are enough: integrate the product of binomial sums over the Beta
 * density with Simpson's rule on a fine grid. Good to about 1e-6 for the small cases it is used on (beta >= 2).
 */
export function chanceEnoughByIntegration(
  piles: readonly { readonly good: number; readonly spares: number }[],
  alpha: number,
  beta: number,
): number {
  const cells = 20_000
  let weighted = 0
  let mass = 0
  for (let i = 0; i <= cells; i++) {
    const p = i / cells
    const density = p ** (alpha - 1) * (1 - p) ** (beta - 1)
    const weight = (i === 0 || i === cells ? 1 : i % 2 === 1 ? 4 : 2) * density
    weighted +=
      weight *
      piles.reduce((product, pile) => product * binomialAtMost(pile.good + pile.spares, p, pile.spares), 1)
    mass += weight
  }
  return weighted / mass
}

/** The same for a known rate of rejects: fewest pieces so that enough are good, tried one after another. */
export function piecesToCutBySearch(good: number, rejects: number, certainty: number): number {
  for (let pieces = good; ; pieces++)
    if (binomialAtMost(pieces, rejects, pieces - good) >= certainty) return pieces
}

/** P(X <= most) for X ~ binomial(n, p), term by term. */
export function binomialAtMost(n: number, p: number, most: number): number {
  let sum = 0
  for (let k = 0; k <= most; k++) {
    let term = 1
    for (let j = 0; j < k; j++) term *= ((n - j) / (j + 1)) * p
    sum += term * (1 - p) ** (n - k)
  }
  return sum
}
