import { encode } from 'fast-png'
import type { PaintedView } from '@/core/shape'

/** A painted view as a PNG: light of the front in red, of the back in green, shadow and paper in alpha. */
export const toPng = ({ width, height, pixels }: PaintedView): Uint8Array =>
  encode({ width, height, data: pixels, channels: 4, depth: 8 })
