import type { Reference } from './types'

/** Ways to fold a strip of n labelled stamps, the first fixed face up, every crease folded. */
export const STAMP_FOLDINGS: readonly Reference<number, number>[] = [1, 2, 6, 16, 50, 144, 462].map(
  (value, index) => ({
    what: `${index + 1} stamps`,
    source: 'OEIS A000136',
    locator: 'from memory',
    conditions: 'base stamp fixed face up, every crease folded, each layer order counted once',
    tolerance: 0,
    input: index + 1,
    value,
  }),
)

/** Ways to fold a 2 x n map. */
export const MAP_FOLDINGS: readonly Reference<number, number>[] = [2, 8, 60, 320].map((value, index) => ({
  what: `2 x ${index + 1} map`,
  source: 'OEIS A001415',
  locator: 'from memory',
  conditions: 'base stamp fixed face up, every crease folded, each layer order counted once',
  tolerance: 0,
  input: index + 1,
  value,
}))

/** Finished forms from a unit square, derived from the statement of the folds (width x height as laid, layers, area). */
export interface BaseForm {
  readonly width: number
  readonly height: number
  readonly shown: number
  readonly mostLayers: number
}

const R = Math.SQRT2 - 1 // tan 22.5 degrees

const form = (
  id: string,
  locator: string,
  width: number,
  height: number,
  shown: number,
  mostLayers: number,
): Reference<string, BaseForm> => ({
  what: id,
  source: 'derived',
  locator,
  conditions: 'unit side, laid as its program lays it',
  tolerance: 1e-9,
  input: id,
  value: { width, height, shown, mostLayers },
})

export const BASE_FORMS: readonly Reference<string, BaseForm>[] = [
  form(
    'blintz',
    'corners meet at the centre: half the area, a square on the middles of the sides',
    1,
    1,
    1 / 2,
    2,
  ),
  form('kite', 'diagonal sqrt 2 long, widest 2 tan 22.5', 2 * R, Math.SQRT2, R * Math.SQRT2, 2),
  form(
    'fish',
    'both ends kited: the diagonal stays, width sqrt 2 x tan 22.5',
    Math.SQRT2 * R,
    Math.SQRT2,
    R,
    4,
  ),
  form('square', 'a quarter of the area, stood on a corner', Math.SQRT1_2, Math.SQRT1_2, 1 / 4, 4),
  form('waterbomb', 'a triangle over a whole side, half a side high', 1, 1 / 2, 1 / 4, 4),
  form('bird', 'a rhombus as long as the side, half of it 1/2 by tan 22.5 / 2', R, 1, R / 2, 8),
  form(
    'frog',
    'the square base petalled on four sides: a rhombus of 1 / sqrt 2 by 1 - 1 / sqrt 2',
    1 - Math.SQRT1_2,
    Math.SQRT1_2,
    (Math.SQRT1_2 * (1 - Math.SQRT1_2)) / 2,
    16,
  ),
  form('windmill', 'the inner half square and four wings of 1/32', 1, 1, 1 / 4 + 4 / 32, 4),
  form('pleats', 'a strip of an eighth, eight layers', 1 / 8, 1, 1 / 8, 8),
  form(
    'square-twist',
    'each of two pleats across takes 2 x 1/16 of the width, twice: side 3/4',
    3 / 4,
    3 / 4,
    9 / 16,
    5,
  ),
  form('corner-squashes', 'the 2:1 sheet halved to a square, two corners of 1/32 gone', 1, 1, 15 / 16, 4),
  form(
    'hexagon-twist',
    'on the triangle grid in eighths: 30 of the 96 triangles, 5 grid steps wide, 6 rows high',
    5 / 8,
    (6 * Math.sqrt(3)) / 16,
    (30 / 96) * ((3 * Math.sqrt(3)) / 8),
    7,
  ),
]
