'use client'

import { useState } from 'react'
import { formatOf, SHEET_FORMATS } from '@/core/sheet'
import type { DeedResult } from '@/flows/deed'
import { Field } from '../forms/Field'
import { FormMessage } from '../forms/FormMessage'
import { useSubmit } from '../forms/useSubmit'
import { lengthInput, type Preferences } from '../format'

interface SheetsValues {
  readonly paperId: string
  readonly width: string
  readonly height: string
  readonly offcut: boolean
  readonly amount: string
  readonly price: string
}

interface AddSheetsProps {
  readonly paperId: string
  readonly preferences: Preferences
  readonly add: (values: SheetsValues, press: string) => Promise<DeedResult<null>>
  /** What a project is short of: how many, of what size. */
  readonly wanted?: {
    readonly sheets: number | null
    readonly size: { readonly widthMm: number; readonly heightMm: number } | null
  }
}

const OWN_SIZE = 'own'

/** Puts sheets into the drawer: a size by name or by its sides, and how many. */
export function AddSheets({ paperId, preferences, add, wanted }: AddSheetsProps) {
  const sides = (key: string) => {
    const format = SHEET_FORMATS.find((one) => one.key === key)
    return format
      ? { width: lengthInput(format.widthMm, preferences), height: lengthInput(format.heightMm, preferences) }
      : {}
  }
  const size = wanted?.size ?? null
  const first = size === null ? 'A4' : (formatOf(size.widthMm, size.heightMm)?.key ?? OWN_SIZE)
  const own = (mm: number | undefined) => (mm === undefined ? '' : lengthInput(mm, preferences))
  const [format, setFormat] = useState(first)
  const [values, setValues] = useState<SheetsValues>({
    paperId,
    width: own(size?.widthMm),
    height: own(size?.heightMm),
    offcut: false,
    amount: wanted?.sheets == null ? '' : String(wanted.sheets),
    price: '',
    ...sides(first),
  })
  const { fields, message, pending, submit } = useSubmit(add, () =>
    setValues((now) => ({ ...now, amount: '' })),
  )
  const set = (key: keyof SheetsValues) => (event: { target: { value: string } }) => {
    setValues({ ...values, [key]: event.target.value })
    if (key === 'width' || key === 'height') setFormat(OWN_SIZE)
  }
  return (
    <form
      noValidate
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        submit(values)
      }}
    >
      <FormMessage message={message} />
      <div className="grid grid-cols-2 gap-3">
        <Field id="format" label="Size">
          {(aria) => (
            <select
              {...aria}
              className="select w-full"
              value={format}
              onChange={(event) => {
                setFormat(event.target.value)
                setValues({ ...values, ...sides(event.target.value) })
              }}
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
        <Field id="amount" label="How many sheets" error={fields['amount']}>
          {(aria) => (
            <input
              {...aria}
              className="input w-full"
              inputMode="numeric"
              autoComplete="off"
              value={values.amount}
              onChange={set('amount')}
            />
          )}
        </Field>
        <Field id="width" label={`Width (${preferences.unit})`} error={fields['width']}>
          {(aria) => (
            <input
              {...aria}
              className="input w-full"
              autoComplete="off"
              value={values.width}
              onChange={set('width')}
            />
          )}
        </Field>
        <Field id="height" label={`Height (${preferences.unit})`} error={fields['height']}>
          {(aria) => (
            <input
              {...aria}
              className="input w-full"
              autoComplete="off"
              value={values.height}
              onChange={set('height')}
            />
          )}
        </Field>
        <Field id="price" label={`Price a sheet (${preferences.currency})`} error={fields['price']}>
          {(aria) => (
            <input
              {...aria}
              className="input w-full"
              autoComplete="off"
              value={values.price}
              onChange={set('price')}
            />
          )}
        </Field>
        <label className="mt-7 flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={values.offcut}
            onChange={(event) => setValues({ ...values, offcut: event.target.checked })}
          />
          offcuts
        </label>
      </div>
      <div>
        <button className="btn btn-primary" disabled={pending}>
          Put them in
        </button>
      </div>
    </form>
  )
}
