import { channelsOf } from '@/core/colour'
import type { PaperFaces } from '../diagram/Paper'

/**
 * The matrix that makes a painted picture one of a paper: red is the light of the front, green that of the back, both in
 * colours as they are written (sRGB). Rows for red, green, blue and alpha; columns for the same, and what is added.
 */
export function tintOf({ front, back }: PaperFaces): string {
  const [one, other] = [channelsOf(front), channelsOf(back)]
  const row = (channel: 'r' | 'g' | 'b') => `${one[channel].toFixed(4)} ${other[channel].toFixed(4)} 0 0 0`
  return `${row('r')} ${row('g')} ${row('b')} 0 0 0 1 0`
}
