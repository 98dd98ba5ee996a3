import { distance, less, sized, type Spot } from '../geometry'
import type { ShapedForm } from './form'

/** How well a form keeps the paper it is made of; found without knowing how it was made. */
export interface FormCheck {
  /** By what share lengths on the paper changed: on average by length, and at the worst. */
  readonly meanStrain: number
  readonly worstStrain: number
  /** The most that one place of the sheet is in two places of the form, in sides. */
  readonly torn: number
  /** The area of all patches on the sheet, in sides squared. */
  readonly sheetArea: number
}

/** Lengths shorter than this, in sides, are not held against the sheet one by one. */
const SHORT = 2e-3
/** Corners are one place of the sheet where they are nearer than this, in sides. */
const PLACE = 1e6

export function checkForm({ patches }: ShapedForm): FormCheck {
  let [sum, length, worstStrain, torn, sheetArea] = [0, 0, 0, 0, 0]
  const places = new Map<string, Spot>()
  for (const { sheet, spots } of patches) {
    let twice = 0
    sheet.forEach((p, index) => {
      const q = sheet[(index + 1) % sheet.length] ?? p
      twice += p.x * q.y - p.y * q.x
      const spot = spots[index]
      if (!spot) return
      const name = `${Math.round(p.x * PLACE)} ${Math.round(p.y * PLACE)}`
      const known = places.get(name)
      if (known) torn = Math.max(torn, sized(less(spot, known)))
      else places.set(name, spot)
      sheet.slice(index + 1).forEach((other, ahead) => {
        const far = spots[index + 1 + ahead]
        const was = distance(p, other)
        if (!far || was < SHORT) return
        const changed = Math.abs(sized(less(far, spot)) - was)
        sum += changed
        length += was
        worstStrain = Math.max(worstStrain, changed / was)
      })
    })
    sheetArea += Math.abs(twice) / 2
  }
  return { meanStrain: length === 0 ? 0 : sum / length, worstStrain, torn, sheetArea }
}

/**
 * How deep one face of a form that ships may go through another, in sides: 0.3 mm on 15 cm, three layers of copier paper.
 * Held by the library's tests and printed by the bench; for a piece of one's own it is not looked for, which takes longer
 * than its form.
 */
export const DEEPEST_CROSSING = 2e-3

/** Lengths within a thousandth on average and a hundredth at the worst, nothing torn: else a form is not shown. */
export const GATES = { meanStrain: 1e-3, worstStrain: 1e-2, torn: 1e-3 } as const

/** Whether a form is good enough to be shown. */
export const passes = (check: FormCheck): boolean =>
  check.meanStrain <= GATES.meanStrain && check.worstStrain <= GATES.worstStrain && check.torn <= GATES.torn
