import { z } from 'zod'
import { FEELS, GRAINS, PATTERNS, TEXTURES } from '@/core/paper'
import { NOMINAL_NAMES, parseLength, type LengthUnit } from '@/core/units'
import { colourText, countText, nameText, noteText, numberText, optionalText } from './fields'
import { TURNING } from './paper'

/** The columns of a drawer as a table, in the order they are written. */
export const DRAWER_COLUMNS = [
  'paper',
  'width',
  'height',
  'unit',
  'sheets',
  'offcut',
  'price',
  'sold_as',
  'feel',
  'grammage_gsm',
  'thickness_mm',
  'pattern',
  'texture',
  'grain',
  'turning',
  'smaller_by_mm',
  'colour_side',
  'other_side',
  'note',
] as const

export type DrawerColumn = (typeof DRAWER_COLUMNS)[number]

/** What one row says, as it is written. */
export type DrawerTexts = Readonly<Record<DrawerColumn, string>>

const UNITS = ['mm', 'cm', 'in'] as const
const YES = ['yes', 'true', '1', 'x']
const NO = ['no', 'false', '0', '']

/** One of some words, upper or lower case; empty is `null`. */
const oneOf = <const Keys extends readonly [string, ...string[]]>(name: string, keys: Keys) =>
  z.string().transform((text, context): Keys[number] | null => {
    const tidy = text.trim().toLowerCase()
    if (tidy === '') return null
    const found = keys.find((key) => key.toLowerCase() === tidy)
    if (found !== undefined) return found
    context.addIssue({ code: 'custom', message: `Write ${name} as one of: ${keys.join(', ')}.` })
    return z.NEVER
  })

const keysOf = <Key extends string>(of: Readonly<Record<Key, unknown>>) => Object.keys(of) as [Key, ...Key[]]

const yesOrNo = z.string().transform((text, context): boolean => {
  const tidy = text.trim().toLowerCase()
  if (YES.includes(tidy)) return true
  if (NO.includes(tidy)) return false
  context.addIssue({ code: 'custom', message: 'Write yes or no, or leave it empty.' })
  return z.NEVER
})

const [LEAST_MM, MOST_MM] = [10, 5000]

/** A side of a sheet in the row's unit; `null` where it is empty. */
function sideOf(text: string, unit: LengthUnit): number | null | 'wrong' {
  if (text.trim() === '') return null
  const parsed = parseLength(text, unit)
  return parsed.ok && parsed.mm >= LEAST_MM && parsed.mm <= MOST_MM ? parsed.mm : 'wrong'
}

/** A row of a drawer's table: a paper, and sheets of one size where the row names a size. */
export const drawerRow = z
  .object({
    paper: nameText('a name for the paper', 80),
    width: z.string(),
    height: z.string(),
    unit: oneOf('the unit', UNITS),
    sheets: optionalText(countText({ name: 'how many sheets', min: 0, max: 100_000 })),
    offcut: yesOrNo,
    price: optionalText(numberText({ name: 'the price of a sheet', min: 0, max: 100_000 })),
    sold_as: oneOf('the name it is sold under', NOMINAL_NAMES as [string, ...string[]]),
    feel: oneOf('how it feels', keysOf(FEELS)),
    grammage_gsm: optionalText(numberText({ name: 'the grammage in g/m2', min: 5, max: 1000 })),
    thickness_mm: optionalText(numberText({ name: 'the thickness in mm', min: 0.01, max: 3 })),
    pattern: oneOf('whether it has a pattern', keysOf(PATTERNS)),
    texture: oneOf('how its surface is', keysOf(TEXTURES)),
    grain: oneOf('which way the grain runs', keysOf(GRAINS)),
    turning: oneOf('whether pieces may be turned', TURNING),
    smaller_by_mm: optionalText(
      numberText({ name: 'how much smaller sheets may come out', min: 0, max: 20 }),
    ),
    colour_side: optionalText(colourText('the colour side')),
    other_side: optionalText(colourText('the other side')),
    note: noteText('the note', 500),
  })
  .transform(({ width, height, unit, sheets, ...rest }, context) => {
    const [widthMm, heightMm] = [sideOf(width, unit ?? 'cm'), sideOf(height, unit ?? 'cm')]
    const refuse = (column: DrawerColumn, message: string) => {
      context.addIssue({ code: 'custom', message, path: [column] })
      return z.NEVER
    }
    for (const [column, side] of [
      ['width', widthMm],
      ['height', heightMm],
    ] as const)
      if (side === 'wrong')
        return refuse(
          column,
          `Write the ${column} as a length from ${LEAST_MM / 10} to ${MOST_MM / 10} cm, like 21 or 210 mm.`,
        )
    if (widthMm === 'wrong' || heightMm === 'wrong') return z.NEVER
    if (widthMm === null && heightMm === null && sheets === null) return { ...rest, sheets: null }
    if (widthMm === null)
      return refuse('width', 'Say how wide the sheets are, or leave width, height and sheets empty.')
    if (heightMm === null)
      return refuse('height', 'Say how high the sheets are, or leave width, height and sheets empty.')
    if (sheets === null) return refuse('sheets', 'Say how many sheets there are; 0 is a number too.')
    return { ...rest, sheets: { widthMm, heightMm, amount: sheets } }
  })

export type DrawerRow = z.output<typeof drawerRow>
