/**
 * The largest of some numbers, at least `atLeast`; `-Infinity` where there are none. Arguments of a call are limited to
 * some hundred thousand, data is not: that is why this is no `Math.max(...values)`.
 */
export function largest(values: Iterable<number>, atLeast = -Infinity): number {
  let most = atLeast
  for (const value of values) if (value > most || Number.isNaN(value)) most = value
  return most
}

/** The least of some numbers, at most `atMost`; `Infinity` where there are none. */
export function least(values: Iterable<number>, atMost = Infinity): number {
  let fewest = atMost
  for (const value of values) if (value < fewest || Number.isNaN(value)) fewest = value
  return fewest
}
