import type { CoreError } from '@/core/errors'

/** What a refused fold means at the table, by code. */
const WORDS: Partial<Record<CoreError['code'], string>> = {
  NO_SUCH_LAYER: 'there is no such layer to take',
  OFF_THE_SHEET: 'its line or point misses the paper',
  NO_SUCH_LINE: 'no line does what it asks',
  ANGLE_SUM: 'the angles around a corner do not close',
  ODD_DEGREE: 'an odd number of creases meets at a corner',
  FOLD_PARITY: 'mountains and valleys at a corner do not differ by two',
  DANGLING_CREASE: 'a crease ends inside the paper',
  CLOSURE_GAP: 'the paper would have to stretch',
  NO_ORDER: 'the layers would have to pass through one another',
  MANY_ORDERS: 'the layers could lie in more than one order',
  STOPPED: 'the order of the layers took too long to find',
  CREASE_IN_ZONE: 'a crease runs through a part that is to stay smooth',
  OUT_OF_RANGE: 'a length is out of its range',
}

/** Where and why a program cannot be folded as asked. */
export function foldProblem({ code, detail }: Pick<CoreError, 'code' | 'detail'>): string {
  const why = WORDS[code] ?? 'a value does not fit'
  const at = detail.at
    ? `, ${Math.round(detail.at.x * 1000) / 1000} across and ${Math.round(detail.at.y * 1000) / 1000} up the sheet (side 1)`
    : ''
  return `Cannot be folded: ${why} (${detail.name}: ${detail.value}${detail.unit ? ` ${detail.unit}` : ''}${at}).`
}
