'use client'

import type { DeedResult } from '@/flows/deed'
import { tickFields } from '@/schema/cut'
import { TextField } from '../forms/fields'
import { Form } from '../forms/Form'
import { onlyAtField, useDeedForm } from '../forms/useDeedForm'

interface Tick {
  readonly planId: string
  readonly layoutId: string
  readonly sheets: string
}

interface TickCutProps {
  readonly planId: string
  readonly layoutId: string
  readonly sheets: number
  /** What it is cut from: a sheet or an offcut. */
  readonly from: 'sheet' | 'offcut'
  readonly what: string
  readonly tick: (input: Tick, press: string) => Promise<DeedResult<unknown>>
}

/** Ticks a layout off: all its sheets, or as many as were cut. */
export function TickCut({ planId, layoutId, sheets, from, what, tick }: TickCutProps) {
  const form = useDeedForm({
    schema: tickFields,
    initial: { planId, layoutId, sheets: String(sheets) },
    act: tick,
  })
  return (
    <Form form={onlyAtField(form, 'sheets')} className="flex flex-wrap items-end gap-3">
      <TextField
        form={form}
        name="sheets"
        id={`tick-${layoutId}`}
        label={from === 'offcut' ? 'Offcuts cut' : 'Sheets cut'}
        control="w-24"
        numeric
      />
      <button className="btn btn-primary" disabled={form.pending} aria-label={`Tick off: ${what}`}>
        Tick off
      </button>
    </Form>
  )
}
