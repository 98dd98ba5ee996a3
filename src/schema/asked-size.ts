import type { DesignDocument } from '@/core/design'
import { CoreError } from '@/core/errors'
import { sheetFor, type AskedSize, type SheetFor } from '@/core/plan'
import type { SizeUm } from '@/core/sheet'
import { parseLength, type LengthUnit, type RulerKey } from '@/core/units'
import { lengthText, toldLength } from './fields'

/** Largest and smallest square anyone folds here. */
export const SHEET_RANGE_MM = { min: 20, max: 1500 } as const
/** Sizes that a form asks for, finished or of the sheet. */
const ASKED_RANGE_MM = { min: 5, max: SHEET_RANGE_MM.max } as const

export interface SizeWorld {
  readonly unit: LengthUnit
  readonly ruler: RulerKey
  /** Sizes of the sheets it may be cut from. */
  readonly sheets: readonly SizeUm[]
}

/** A size worked out, or which field stands in its way and what to do. */
export type AskedSheet =
  | { readonly ok: true; readonly sheet: SheetFor }
  | { readonly ok: false; readonly field: string; readonly message: string }

export const sizeField = (unit: LengthUnit) =>
  lengthText({ name: 'the size', unit, minMm: ASKED_RANGE_MM.min, maxMm: ASKED_RANGE_MM.max })

export const gaugeField = (unit: LengthUnit) =>
  lengthText({ name: 'the gauge', unit, minMm: 0, maxMm: SHEET_RANGE_MM.max })

/** The sheet for a size asked, or why there is none, in the words of every form that asks for one. */
export function askedSheet(design: DesignDocument, asked: AskedSize, world: SizeWorld): AskedSheet {
  const told = (mm: number) => toldLength(mm, world.unit)
  const refuse = (field: string, message: string): AskedSheet => ({ ok: false, field, message })
  try {
    const sheet = sheetFor(design, asked, world)
    const { exactMm } = sheet
    if (exactMm < SHEET_RANGE_MM.min || exactMm > SHEET_RANGE_MM.max)
      return refuse(
        'size',
        `This would need a sheet of ${told(exactMm)}; sheets from ${told(SHEET_RANGE_MM.min)} to ${told(SHEET_RANGE_MM.max)} can be planned.`,
      )
    return { ok: true, sheet }
  } catch (error) {
    if (!(error instanceof CoreError)) throw error
    const { name, min = 0, max = 0 } = error.detail
    const gauge = design.gauges.find((candidate) => candidate.name === name)
    if (gauge) return refuse(`gauges.${gauge.key}`, `Set the ${name} from ${told(min)} to ${told(max)}.`)
    if (error.code === 'UNKNOWN_AXIS') return refuse('axis', 'Choose which way the size is measured.')
    if (error.code === 'SIZE_NOT_REACHABLE')
      return refuse(
        'size',
        `The overhang alone makes ${told(min)}. Ask for more than that, or set the gauge lower.`,
      )
    return refuse('size', 'This size cannot be folded. Check it.')
  }
}

/** A size while it is typed: all text. */
export interface TypedSize {
  readonly variantKey: string
  readonly sizing: 'finished' | 'sheet'
  readonly axis: string
  readonly size: string
  readonly gauges: Readonly<Record<string, string>>
}

/** The same from what stands in a form. A gauge left empty stands as the design has it. */
export function typedSheet(design: DesignDocument, typed: TypedSize, world: SizeWorld): AskedSheet {
  const gauges: Record<string, number> = {}
  for (const [key, text] of Object.entries(typed.gauges)) {
    if (text.trim() === '') continue
    const parsed = gaugeField(world.unit).safeParse(text)
    if (!parsed.success)
      return { ok: false, field: `gauges.${key}`, message: parsed.error.issues[0]?.message ?? '' }
    gauges[key] = parsed.data
  }
  const size = sizeField(world.unit).safeParse(typed.size)
  if (!size.success) return { ok: false, field: 'size', message: size.error.issues[0]?.message ?? '' }
  return askedSheet(design, { ...typed, mm: size.data, gauges }, world)
}

/** The gauges of a form that can be read, mm. */
export const readGauges = (
  gauges: Readonly<Record<string, string>>,
  unit: LengthUnit,
): Readonly<Record<string, number>> =>
  Object.fromEntries(
    Object.entries(gauges).flatMap(([key, text]) => {
      const parsed = parseLength(text, unit)
      return parsed.ok ? [[key, parsed.mm]] : []
    }),
  )
