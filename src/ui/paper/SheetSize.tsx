'use client'

import { useState } from 'react'
import { formatOf, SHEET_FORMATS } from '@/core/sheet'
import { Field } from '../forms/Field'
import { TextField } from '../forms/fields'
import type { FormOf } from '../forms/useDeedForm'
import { lengthInput, type Preferences } from '../format'

export interface SidesTyped {
  readonly width: string
  readonly height: string
}

interface SheetSizeProps {
  readonly form: FormOf<SidesTyped>
  readonly initial: string
  /** Before the ids of its fields, where a page has several of them. */
  readonly prefix?: string
  readonly preferences: Preferences
}

const OWN_SIZE = 'own'
/** What most drawers hold most of. */
const USUAL_FORMAT = 'A4'

/** The sides of a sheet that has a name, as a form holds them. */
function sidesOf(key: string, preferences: Preferences): SidesTyped | null {
  const format = SHEET_FORMATS.find((one) => one.key === key)
  return format
    ? { width: lengthInput(format.widthMm, preferences), height: lengthInput(format.heightMm, preferences) }
    : null
}

/** The size a form begins with: the one wanted, or the usual one. */
export function firstSize(
  wanted: { readonly widthMm: number; readonly heightMm: number } | null,
  preferences: Preferences,
): { readonly format: string; readonly sides: SidesTyped } {
  const own = (mm: number) => lengthInput(mm, preferences)
  const format = wanted === null ? USUAL_FORMAT : (formatOf(wanted.widthMm, wanted.heightMm)?.key ?? OWN_SIZE)
  const named = sidesOf(format, preferences)
  const sides = named ?? { width: own(wanted?.widthMm ?? 0), height: own(wanted?.heightMm ?? 0) }
  return { format, sides }
}

/** The size of a sheet: by its name, or by its sides. */
export function SheetSize({ form, initial, preferences, prefix = '' }: SheetSizeProps) {
  const [format, setFormat] = useState(initial)
  const choose = (key: string) => {
    setFormat(key)
    const sides = sidesOf(key, preferences) ?? { width: '', height: '' }
    form.setValue('width', sides.width)
    form.setValue('height', sides.height)
  }
  return (
    <>
      <Field id={`${prefix}format`} label="Size">
        {(aria) => (
          <select
            {...aria}
            className="select w-full"
            value={format}
            onChange={(event) => choose(event.target.value)}
          >
            {SHEET_FORMATS.map((one) => (
              <option key={one.key} value={one.key}>
                {one.label}
              </option>
            ))}
            <option value={OWN_SIZE}>another size</option>
          </select>
        )}
      </Field>
      {format === OWN_SIZE ? (
        <div className="col-span-full grid grid-cols-2 gap-3">
          <TextField form={form} name="width" id={`${prefix}width`} label={`Width (${preferences.unit})`} />
          <TextField
            form={form}
            name="height"
            id={`${prefix}height`}
            label={`Height (${preferences.unit})`}
          />
        </div>
      ) : null}
    </>
  )
}
