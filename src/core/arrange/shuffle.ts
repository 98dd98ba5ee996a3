import { uniformInt } from 'pure-rand/distribution/uniformInt'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'

/** The same list in another order, always the same for a seed. */
export function shuffled(list: readonly number[], seed: number): number[] {
  const random = xoroshiro128plus(seed)
  const mixed = [...list]
  for (let at = mixed.length - 1; at > 0; at--) {
    const other = uniformInt(random, 0, at)
    const kept = mixed[at] ?? 0
    mixed[at] = mixed[other] ?? 0
    mixed[other] = kept
  }
  return mixed
}
