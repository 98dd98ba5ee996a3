import type { SizeUm } from '../sheet'
import { areaUm2, type RectUm } from './types'

/** Offcuts narrower than this are not worth keeping: 2 cm. Common practice, no source. */
export const SMALLEST_OFFCUT_UM = 20_000

const worthKeeping = ({ widthUm, heightUm }: SizeUm): boolean =>
  Math.min(widthUm, heightUm) >= SMALLEST_OFFCUT_UM

/** What is left of a sheet and worth keeping, the largest first. */
export const offcutsOf = (left: readonly RectUm[]): readonly RectUm[] =>
  left.filter(worthKeeping).sort((a, b) => areaUm2(b) - areaUm2(a) || a.xUm - b.xUm || a.yUm - b.yUm)
