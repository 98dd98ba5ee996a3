import { z } from 'zod'
import type { LengthUnit } from '@/core/units'
import { choice, countText, idText, lengthText, nameText, noteText, optionalText } from './fields'

/** How a supply is told: by the piece, or by its length. */
export const TOLD_BY = ['counted', 'measured'] as const

/** Why an amount changes. */
export const SUPPLY_MOVED = ['bought', 'used', 'given away', 'counted'] as const

const MOST_MM = 100_000

/** A supply new to the drawer; how much there is of it may be left empty. */
export const supplyFields = (unit: LengthUnit) =>
  z
    .strictObject({
      name: nameText('a name for it', 80),
      told: choice('whether it is counted or measured', TOLD_BY),
      each: optionalText(lengthText({ name: 'how long one is', unit, minMm: 1, maxMm: MOST_MM })),
      amount: z.string(),
      note: noteText('the note', 500),
    })
    .transform(({ told, each, amount, ...rest }, context) => {
      const read = optionalText(amountText(told, unit, 0)).safeParse(amount)
      if (!read.success) {
        for (const { message } of read.error.issues)
          context.addIssue({ code: 'custom', message, path: ['amount'] })
        return z.NEVER
      }
      return { ...rest, told, each: told === 'counted' ? each : null, amount: read.data }
    })

/** An amount of a supply as it is typed: a number of pieces, or a length, which becomes mm. */
export const amountText = (told: (typeof TOLD_BY)[number], unit: LengthUnit, least: number) =>
  told === 'counted'
    ? countText({ name: 'how many', min: least, max: 1_000_000 })
    : lengthText({ name: 'how much', unit, minMm: least, maxMm: MOST_MM })

/** A movement of a supply, as its form sends it; how its amount reads depends on the supply. */
export const supplyMoveFields = z.strictObject({
  supplyId: idText('a supply'),
  kind: choice('what happened', SUPPLY_MOVED),
  amount: z.string({ error: 'Enter how much.' }).max(40, 'Enter how much.'),
  note: noteText('the note', 200),
})
