import {
  converter,
  differenceCiede2000,
  filterDeficiencyDeuter,
  filterDeficiencyProt,
  filterDeficiencyTrit,
} from 'culori'
import { CoreError } from '../errors'
import { colourBy } from './light'

/** A colour as a place in CIE Lab under D65. */
export interface Lab {
  readonly l: number
  readonly a: number
  readonly b: number
}

const ciede2000 = differenceCiede2000()
const toLab = converter('lab65')
const toRgb = converter('rgb')
const toLinear = converter('lrgb')
const HEX = /^#[0-9a-f]{6}$/i

/**
 * A colour written `#rrggbb` (sRGB) in Lab.
 * *Throws* `OUT_OF_RANGE` for anything else.
 */
export function labOf(hex: string): Lab {
  const lab = HEX.test(hex) ? toLab(hex) : undefined
  if (!lab) throw new CoreError('OUT_OF_RANGE', { name: 'colour', value: hex })
  const { l, a, b } = lab
  return { l, a, b }
}

/**
 * A colour written `#rrggbb` as its three channels, 0 to 1.
 * *Throws* `OUT_OF_RANGE` for anything else.
 */
export function channelsOf(hex: string): { readonly r: number; readonly g: number; readonly b: number } {
  const rgb = HEX.test(hex) ? toRgb(hex) : undefined
  if (!rgb) throw new CoreError('OUT_OF_RANGE', { name: 'colour', value: hex })
  const { r, g, b } = rgb
  return { r, g, b }
}

/** The difference of two colours by CIEDE2000: 0 for none, about 1 where a trained eye begins to see one side by side. */
export const differenceOf = (one: Lab, other: Lab): number =>
  ciede2000({ mode: 'lab65', ...one }, { mode: 'lab65', ...other })

/**
 * How papers may be seen: by day, by a lamp or by little light, or by eyes without one kind of cone (Machado, Oliveira and
 * Fernandes 2009, at full severity, as culori has it).
 */
export const WAYS_OF_SEEING = [
  'all colours',
  'lamplight',
  'dim light',
  'no red cones',
  'no green cones',
  'no blue cones',
] as const
export type WayOfSeeing = (typeof WAYS_OF_SEEING)[number]

const SEEN: Readonly<Record<WayOfSeeing, (hex: string) => Lab>> = {
  'all colours': labOf,
  lamplight: (hex) => labOf(colourBy('lamplight', hex)),
  'dim light': (hex) => labOf(colourBy('dim light', hex)),
  'no red cones': through(filterDeficiencyProt(1)),
  'no green cones': through(filterDeficiencyDeuter(1)),
  'no blue cones': through(filterDeficiencyTrit(1)),
}

/**
 * A colour as the matrices of Machado et al. change it. They are for linear light, and culori applies them to the
 * channels as they come: so it is given linear ones under the name of others.
 */
function through(filter: ReturnType<typeof filterDeficiencyProt>): (hex: string) => Lab {
  return (hex) => {
    const light = HEX.test(hex) ? toLinear(hex) : undefined
    if (!light) return labOf(hex)
    const { r, g, b: blue } = toRgb(filter({ ...light, mode: 'rgb' }))
    const { l, a, b } = toLab({ mode: 'lrgb', r, g, b: blue })
    return { l, a, b }
  }
}

/** The difference of two colours as such an eye sees it. */
export const differenceSeen = (one: string, other: string, way: WayOfSeeing): number =>
  differenceOf(SEEN[way](one), SEEN[way](other))
