import { z } from 'zod'
import { FEELS, PATTERNS, type Feel, type Pattern } from '@/core/paper'
import type { LengthUnit } from '@/core/units'
import {
  choice,
  colourText,
  countText,
  idText,
  lengthText,
  nameText,
  noteText,
  numberText,
  optionalText,
} from './fields'

const PATTERN_KEYS = Object.keys(PATTERNS) as [Pattern, ...Pattern[]]
const FEEL_KEYS = Object.keys(FEELS) as [Feel, ...Feel[]]

/** A paper as its form sends it. Caliper in mm as measured, or unknown. */
export const paperFields = z.strictObject({
  name: nameText('a name for the paper', 80),
  feel: choice('how it feels', FEEL_KEYS),
  pattern: choice('whether it has a pattern', PATTERN_KEYS),
  grammageGsm: optionalText(numberText({ name: 'the grammage in g/m2', min: 5, max: 1000 })),
  caliperMm: optionalText(numberText({ name: 'the thickness in mm', min: 0.01, max: 3 })),
  frontColour: colourText('the front colour'),
  backColour: colourText('the back colour'),
  note: noteText('the note', 500),
})

const side = (name: string, unit: LengthUnit) => lengthText({ name, unit, minMm: 10, maxMm: 5000 })

/** Sheets put into the drawer: so many of a size. The price of one sheet in minor units of the currency. */
export const sheetsFields = (unit: LengthUnit) =>
  z.strictObject({
    paperId: idText('a paper'),
    width: side('the width', unit),
    height: side('the height', unit),
    offcut: z.boolean(),
    amount: countText({ name: 'how many sheets', min: 1, max: 100_000 }),
    price: optionalText(numberText({ name: 'the price of a sheet', min: 0, max: 100_000 })),
  })

/** A paper with the sheets one has of it; none where how many is left empty. */
export const newPaperFields = (unit: LengthUnit) =>
  paperFields.extend({
    width: side('the width', unit),
    height: side('the height', unit),
    amount: optionalText(countText({ name: 'how many sheets', min: 1, max: 100_000 })),
  })

/** Why sheets go without being cut. */
export const TAKEN_BECAUSE = ['spoiled', 'given away'] as const

/** Sheets that go without being cut: how many of a size, and why. */
export const takeFields = z.strictObject({
  stockItemId: idText('a size'),
  amount: countText({ name: 'how many', min: 1, max: 100_000 }),
  kind: choice('why they go', TAKEN_BECAUSE),
  note: noteText('the note', 200),
})

/** A count: how many there really are. */
export const countFields = z.strictObject({
  stockItemId: idText('a size'),
  amount: countText({ name: 'how many there are', min: 0, max: 100_000 }),
})
