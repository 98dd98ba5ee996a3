import { z } from 'zod'
import {
  FEELS,
  GRAINS,
  PACK_FORMS,
  PATTERNS,
  TEXTURES,
  type Feel,
  type Grain,
  type PackForm,
  type Pattern,
  type Texture,
} from '@/core/paper'
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
const TEXTURE_KEYS = Object.keys(TEXTURES) as [Texture, ...Texture[]]
const GRAIN_KEYS = Object.keys(GRAINS) as [Grain, ...Grain[]]
const FORM_KEYS = Object.keys(PACK_FORMS) as [PackForm, ...PackForm[]]
/** Whether pieces may be turned on a sheet of it, as forms and files say it. */
export const TURNING = ['either way', 'one way'] as const

/** A paper as its form sends it. Caliper in mm as measured, or unknown. */
export const paperFields = z.strictObject({
  name: nameText('a name for the paper', 80),
  feel: choice('how it feels', FEEL_KEYS),
  pattern: choice('whether it has a pattern', PATTERN_KEYS),
  grammageGsm: optionalText(numberText({ name: 'the grammage in g/m2', min: 5, max: 1000 })),
  caliperMm: optionalText(numberText({ name: 'the thickness in mm', min: 0.01, max: 3 })),
  texture: choice('how its surface is', TEXTURE_KEYS),
  grain: choice('which way the grain runs', GRAIN_KEYS),
  turning: choice('whether pieces may be turned', TURNING),
  toleranceMm: optionalText(
    numberText({ name: 'how much smaller sheets may come out, in mm', min: 0, max: 20 }),
  ),
  frontColour: colourText('the front colour'),
  backColour: colourText('the back colour'),
  note: noteText('the note', 500),
})

/** A paper as its form sends it before anything is said of it. */
export const BLANK_PAPER: z.input<typeof paperFields> = {
  name: '',
  feel: 'copier',
  pattern: 'plain',
  texture: 'smooth',
  grain: 'unknown',
  turning: 'either way',
  toleranceMm: '',
  grammageGsm: '',
  caliperMm: '',
  frontColour: '#c9c3b5',
  backColour: '#fdfbf5',
  note: '',
}

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
    soldAs: noteText('the name it is sold under', 40),
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

/** A pack a paper is sold in. A roll: how wide, how long, and how long the sheets are that are cut off it. */
export const packFields = (unit: LengthUnit) =>
  z.strictObject({
    paperId: idText('a paper'),
    form: choice('what it is sold in', FORM_KEYS),
    width: side('the width', unit),
    height: side('the height', unit),
    sheets: countText({ name: 'how many sheets a pack has', min: 1, max: 100_000 }),
    price: numberText({ name: 'the price of a pack', min: 0, max: 100_000 }),
    leadDays: countText({ name: 'how many days it takes to come', min: 0, max: 365 }),
  })

/** A stack on a scale: its mass, and how finely the scale reads. */
export const weighFields = z.strictObject({
  stockItemId: idText('a size'),
  massG: numberText({ name: 'the mass in g', min: 0.1, max: 100_000 }),
  readsToG: numberText({ name: 'how finely the scale reads, in g', min: 0.01, max: 100 }),
})

/** Packs that have come: which, and how many of each. */
export const takeInFields = z.strictObject({
  packs: z
    .array(z.strictObject({ packId: idText('a pack'), count: z.int().min(1).max(1000) }))
    .min(1)
    .max(20),
  /** Sheets of their papers in the drawer when that was shown. */
  there: z.int().min(0),
})

/** Which spoiled piece of a run. */
export const keepRestFields = z.strictObject({ piece: z.int().min(1).max(1_000_000) })
