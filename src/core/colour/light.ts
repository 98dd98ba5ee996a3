import { converter, formatHex } from 'culori'
import { CoreError } from '../errors'

/** What a paper is seen by: day, a warm lamp of 2700 K, or the little light of lanterns in the evening. */
export const LIGHTS = ['daylight', 'lamplight', 'dim light'] as const
export type Light = (typeof LIGHTS)[number]

const LAMP_KELVIN = 2700
/** How far the eye takes a lamp for white. Complete would be 1; our own choice for a room lit by it alone. */
const ADAPTED = 0.7
/** By little light colours are paler and darker. Our own choice, no source; to be corrected by looking. */
const [DIM_CHROMA, DIM_LIGHTNESS] = [0.6, 0.75]

const toXyz = converter('xyz65')
const toLch = converter('lch65')

type Three = readonly [number, number, number]

/** Bradford's cone responses of XYZ. *Source* from memory: Lam 1985, as in ICC profiles. */
const CONES: readonly [Three, Three, Three] = [
  [0.8951, 0.2664, -0.1614],
  [-0.7502, 1.7135, 0.0367],
  [0.0389, -0.0685, 1.0296],
]
const D65_XY = [0.3127, 0.329] as const

const times = (matrix: readonly Three[], [x, y, z]: Three): Three => {
  const row = (at: number): number => {
    const [a = 0, b = 0, c = 0] = matrix[at] ?? []
    return a * x + b * y + c * z
  }
  return [row(0), row(1), row(2)]
}

/** The matrix that undoes one of three rows, by its cofactors. */
function inverseOf([one, other, third]: readonly [Three, Three, Three]): readonly Three[] {
  const cross = ([a, b, c]: Three, [x, y, z]: Three): Three => [b * z - c * y, c * x - a * z, a * y - b * x]
  const columns = [cross(other, third), cross(third, one), cross(one, other)] as const
  const [first] = columns
  const size = one[0] * first[0] + one[1] * first[1] + one[2] * first[2]
  const row = (at: 0 | 1 | 2): Three => [columns[0][at] / size, columns[1][at] / size, columns[2][at] / size]
  return [row(0), row(1), row(2)]
}

const BACK = inverseOf(CONES)

const whiteOf = ([x, y]: readonly [number, number]): Three => [x / y, 1, (1 - x - y) / y]

/**
 * Chromaticity of a glowing body. *Source* from memory: the cubic fit of Kim et al. 2002 for 2222 to 4000 K, held against
 * the tabled 2700 K (0.4599, 0.4106) and 2856 K (0.4476, 0.4074) in its test.
 */
export function glowOf(kelvin: number): readonly [number, number] {
  const x = -0.2661239e9 / kelvin ** 3 - 0.2343589e6 / kelvin ** 2 + 0.8776956e3 / kelvin + 0.17991
  const y = -0.9549476 * x ** 3 - 1.37418593 * x ** 2 + 2.09137015 * x - 0.16748867
  return [x, y]
}

/** How much more or less each kind of cone gets by the lamp than by day, after the eye has settled. */
const GAINS: Three = (() => {
  const [lamp, day] = [times(CONES, whiteOf(glowOf(LAMP_KELVIN))), times(CONES, whiteOf(D65_XY))]
  const gain = (at: 0 | 1 | 2): number => ADAPTED + ((1 - ADAPTED) * lamp[at]) / day[at]
  return [gain(0), gain(1), gain(2)]
})()

/**
 * A paper's colour as it looks by a light, as `#rrggbb`. Estimated: cones scaled as by Bradford with the eye settled by
 * 70 %, from the colour alone: papers of one colour by day can part by a lamp, which no colour can tell.
 * *Throws* `OUT_OF_RANGE` for what is no colour.
 */
export function colourBy(light: Light, hex: string): string {
  const xyz = toXyz(hex)
  if (!xyz) throw new CoreError('OUT_OF_RANGE', { name: 'colour', value: hex })
  if (light === 'daylight') return hex
  const cones = times(CONES, [xyz.x, xyz.y, xyz.z])
  const [x, y, z] = times(BACK, [cones[0] * GAINS[0], cones[1] * GAINS[1], cones[2] * GAINS[2]])
  if (light === 'lamplight') return formatHex({ mode: 'xyz65', x, y, z })
  const lch = toLch({ mode: 'xyz65', x, y, z })
  return formatHex({ ...lch, l: lch.l * DIM_LIGHTNESS, c: lch.c * DIM_CHROMA })
}
