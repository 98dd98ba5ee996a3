import { requireCount, requireRange } from '../errors'
import { logBeta, logChoose, SAME_PROBABILITY, largest } from '../numeric'
import type { RejectRate } from './posterior'

/** Most good pieces one question may ask for; enough for a thousand stems with leaves. */
export const MOST_PIECES = 10_000

/** Most units of all lines of one brief: what is planned, cut and shown as one. */
export const MOST_UNITS_IN_BRIEF = 20_000

/** One pile to cut: so many good ones wanted, so many spares on top. */
export interface Pile {
  readonly good: number
  readonly spares: number
}

/**
 * ln of C(good + k - 1, k) for k = 0..spares: the ways in which k rejects come before the last good one.
 * A pile that wants none is done with no reject.
 */
const logWays = ({ good, spares }: Pile): Float64Array =>
  Float64Array.from({ length: good === 0 ? 1 : spares + 1 }, (_, k) => logChoose(good + k - 1, k))

/** ln of the coefficients of the product of two polynomials given by ln of theirs. */
function logConvolve(first: Float64Array, second: Float64Array): Float64Array {
  const product = new Float64Array(first.length + second.length - 1)
  for (let sum = 0; sum < product.length; sum++) {
    const from = Math.max(0, sum - second.length + 1)
    const to = Math.min(sum, first.length - 1)
    let peak = -Infinity
    for (let i = from; i <= to; i++) peak = Math.max(peak, (first[i] ?? 0) + (second[sum - i] ?? 0))
    let scaled = 0
    for (let i = from; i <= to; i++) scaled += Math.exp((first[i] ?? 0) + (second[sum - i] ?? 0) - peak)
    product[sum] = peak + Math.log(scaled)
  }
  return product
}

/** ln of the chance that exactly `rejects` come in one stated order among `good` good ones, the rate being unknown. */
const logOrderChance = (rate: RejectRate, rejects: number, good: number): number =>
  logBeta(rate.alpha + rejects, rate.beta + good) - logBeta(rate.alpha, rate.beta)

const chanceOf = (rate: RejectRate, ways: Float64Array, good: number): number =>
  ways.reduce((sum, logWay, rejects) => sum + Math.exp(logWay + logOrderChance(rate, rejects, good)), 0)

/**
 * The chance that *every* pile yields its good pieces, all sharing one unknown reject rate.
 *
 * Pieces are folded until the last good one: the rejects before it follow a negative binomial law, and the Beta
 * mixture over the rate integrates in closed form, so the value is exact. *Cost* sum over pairs of spares.
 * *Accuracy* about 1e-10, from the logarithms of the gamma function.
 */
export function chanceEnough(piles: readonly Pile[], rate: RejectRate): number {
  const good = piles.reduce((sum, pile) => sum + pile.good, 0)
  const ways = piles.map(logWays).reduce(logConvolve, new Float64Array([0]))
  return Math.min(1, chanceOf(rate, ways, good))
}

/** The least number of spares for one pile. Doubles, then halves: the chance grows with every spare. */
function sparesForOne(good: number, rate: RejectRate, certainty: number): number {
  if (good === 0) return 0
  const enough = (spares: number) => chanceEnough([{ good, spares }], rate) >= certainty - SAME_PROBABILITY
  let tooFew = -1
  let enoughAt = 1
  while (!enough(enoughAt)) {
    tooFew = enoughAt
    enoughAt *= 2
  }
  while (enoughAt - tooFew > 1) {
    const middle = (tooFew + enoughAt) >> 1
    if (enough(middle)) enoughAt = middle
    else tooFew = middle
  }
  return enoughAt
}

/** Pieces after which a whole search step is more than one: keeps large jobs quick at under half a percent of excess. */
const FINE_UP_TO = 400

/**
 * Spares for each pile so that all of them together are enough with the stated certainty.
 *
 * Starts from what each pile needs alone (a lower bound: the joint chance is never above any pile's own), then gives
 * the next spare to the pile where it helps most. One certainty for each pile would fall short jointly: 95 in 100
 * for each of three is only about 89 in 100 for all.
 * *Returns* spares in the order of the piles. *Throws* `OUT_OF_RANGE` (certainty 0.5 to 0.999), `NOT_INTEGER`.
 */
export function sparesFor(goods: readonly number[], rate: RejectRate, certainty: number): readonly number[] {
  requireRange('certainty', certainty, '', 0.5, 0.999)
  for (const good of goods) requireCount('good pieces', good, 0, MOST_PIECES)
  const piles = goods.map((good) => ({ good, spares: sparesForOne(good, rate, certainty) }))
  const total = goods.reduce((sum, good) => sum + good, 0)
  const stride = Math.max(1, Math.floor(total / FINE_UP_TO))
  while (chanceEnough(piles, rate) < certainty - SAME_PROBABILITY) {
    const tries = piles.map((pile, index) =>
      pile.good === 0
        ? -1
        : chanceEnough(
            piles.map((other, at) => (at === index ? { ...other, spares: other.spares + stride } : other)),
            rate,
          ),
    )
    const best = piles[tries.indexOf(largest(tries))]
    if (!best) break
    best.spares += stride
  }
  return piles.map((pile) => pile.spares)
}
