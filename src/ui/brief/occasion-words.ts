import type { Occasion } from '@/core/arrange'
import { countOf, formatLong, nounMany, plural, type Preferences } from '../format'

/** What a project of an occasion is called. */
export const OCCASION_NAMES: Readonly<Record<string, string>> = {
  bottles: 'Flowers in bottles',
  rail: 'Garland along a rail',
  door: 'Wreath for a door',
  gifts: 'Toppers for gifts',
  table: 'A laid table',
  room: 'Mobile for a room',
  windows: 'Stars for windows',
}

/** What is usually made for an occasion, in words. */
export function occasionSays(
  { made, values, sizeMm }: Occasion,
  noun: string,
  preferences: Preferences,
): string {
  const long = (key: string) => formatLong(values[key] ?? 0, preferences)
  const many = (key: string) => values[key] ?? 0
  const each = (key = 'each') => countOf(many(key), noun)
  switch (made) {
    case 'batch':
      return `${each('pieces')}, ${formatLong(sizeMm, preferences)}`
    case 'bouquet':
      return `${plural(many('bouquets'), 'bottle')} with ${each()} in each`
    case 'garland':
      return `${long('long')} of ${nounMany(noun)}, one every ${long('every')}`
    case 'wreath':
      return `${nounMany(noun)} around a ring of ${long('radius')} radius`
    case 'mobile':
      return `${plural(many('threads'), 'thread')} with ${each()} on each`
    case 'topper':
      return `${plural(many('gifts'), 'card')} with ${each()} on each`
    case 'table':
      return `${plural(many('places'), 'place')} with ${each()} at each`
  }
}
