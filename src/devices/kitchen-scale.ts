import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import type { RandomGenerator } from 'pure-rand/types/RandomGenerator'

/** What a scale shows at a moment. */
export interface ScaleReading {
  readonly massG: number
  /** It has come to rest: the figure may be taken. */
  readonly steady: boolean
}

/** A kitchen scale. Times are in ms of any clock that only goes forward. */
export interface KitchenScale {
  /** The step it reads in. */
  readonly readsToG: number
  /** Takes what lies on it for nothing. */
  readonly tare: (atMs: number) => void
  readonly read: (atMs: number) => ScaleReading
}

/** How a scale that is pretended errs. Source: common practice with kitchen scales that read to a gram. */
export interface ScaleFaults {
  readonly readsToG: number
  /** Standard deviation of a reading before it is rounded. */
  readonly noiseG: number
  /** How far its zero wanders in a minute. */
  readonly driftGPerMinute: number
  /** Until it has come to rest after something was laid on or taken off. */
  readonly settlesMs: number
}

export const USUAL_FAULTS: ScaleFaults = { readsToG: 1, noiseG: 0.2, driftGPerMinute: 0.4, settlesMs: 1500 }

/** Readings near zero of a sum of twelve even shares less six: near enough a normal deviate. */
function deviate(random: RandomGenerator): number {
  let sum = -6
  for (let drawn = 0; drawn < 12; drawn += 1) sum += (random.next() >>> 0) / 2 ** 32
  return sum
}

/** Stands in for a kitchen scale: what is laid on it is said, and it reads that as a real one would. Seeded. */
export class StandInScale implements KitchenScale {
  readonly readsToG: number
  readonly #faults: ScaleFaults
  readonly #random: RandomGenerator
  #onItG = 0
  #laidAtMs = -Infinity
  #zeroG = 0
  #zeroAtMs = 0

  constructor(seed: number, faults: ScaleFaults = USUAL_FAULTS) {
    this.#faults = faults
    this.readsToG = faults.readsToG
    this.#random = xoroshiro128plus(seed)
  }

  /** Lays so much on it in all, or takes it off. */
  lay(massG: number, atMs: number): void {
    this.#onItG = massG
    this.#laidAtMs = atMs
  }

  tare(atMs: number): void {
    this.#zeroG = this.#onItG
    this.#zeroAtMs = atMs
  }

  read(atMs: number): ScaleReading {
    const { noiseG, driftGPerMinute, settlesMs, readsToG } = this.#faults
    const driftG = (driftGPerMinute * (atMs - this.#zeroAtMs)) / 60_000
    const steady = atMs - this.#laidAtMs >= settlesMs
    const shakenG = steady ? 0 : 4 * readsToG * deviate(this.#random)
    const trueG = this.#onItG - this.#zeroG + driftG + shakenG + noiseG * deviate(this.#random)
    return { massG: Math.round(trueG / readsToG) * readsToG, steady }
  }
}
