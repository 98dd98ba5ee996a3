'use client'

import { SMALLEST_OFFCUT_UM, type CutTools } from '@/core/cut'
import type { LengthUnit } from '@/core/units'
import { mmFromUm } from '@/core/units'
import type { DeedResult } from '@/flows/deed'
import { cuttingFields, PARTED } from '@/schema/settings'
import { namedSo, SelectField, TextField } from '../forms/fields'
import { Form } from '../forms/Form'
import { More } from '../forms/More'
import { SaveButton } from '../forms/SaveButton'
import { useDeedForm } from '../forms/useDeedForm'

interface CuttingToolsProps {
  readonly tools: CutTools
  readonly tears: boolean
  readonly unit: LengthUnit
  readonly save: (input: {
    readonly stages: string
    readonly margin: string
    readonly trimmer: string
    readonly stackSheets: string
    readonly keep: string
    readonly parted: (typeof PARTED)[number]
  }) => Promise<DeedResult<unknown>>
}

/** A length as it stands in a field of the reader's unit, not rounded. */
const typedLength = (um: number, unit: LengthUnit): string =>
  String(Math.round((mmFromUm(um) / (unit === 'in' ? 25.4 : 10)) * 1e4) / 1e4)

/** What sheets are cut with, which says how they can be cut. */
export function CuttingTools({ tools, tears, unit, save }: CuttingToolsProps) {
  const form = useDeedForm({
    schema: cuttingFields(unit),
    initial: {
      stages: tools.stages === 2 ? '2' : '3',
      margin: typedLength(tools.marginUm, unit),
      trimmer: tools.trimmerUm === null ? '' : typedLength(tools.trimmerUm, unit),
      stackSheets: String(tools.stackSheets),
      keep: typedLength(tools.keepUm ?? SMALLEST_OFFCUT_UM, unit),
      parted: PARTED[tears ? 1 : 0],
    },
    act: save,
  })
  const wrong = (['stages', 'margin', 'trimmer', 'stackSheets', 'keep'] as const).some(
    (name) => form.error(name) !== undefined,
  )
  return (
    <More summary="What you cut with" wrong={wrong}>
      <Form form={form} className="flex flex-wrap items-start gap-3">
        <SelectField
          form={form}
          name="stages"
          id="cutting-stages"
          label="Cuts"
          choices={[
            ['3', 'strips, parts, pieces'],
            ['2', 'strips, then pieces: simpler'],
          ]}
          control="w-60"
        />
        <TextField
          form={form}
          name="margin"
          id="cutting-margin"
          label={`Edge taken off (${unit})`}
          control="w-32"
          numeric
        />
        <TextField
          form={form}
          name="trimmer"
          id="cutting-trimmer"
          label={`Longest cut (${unit})`}
          hint="Of your trimmer; empty for a knife and a ruler."
          control="w-32"
          numeric
        />
        <TextField
          form={form}
          name="stackSheets"
          id="cutting-stack"
          label="Sheets at once"
          control="w-24"
          numeric
        />
        <TextField
          form={form}
          name="keep"
          id="cutting-keep"
          label={`Offcuts kept from (${unit})`}
          hint="What is narrower goes into the bin."
          control="w-32"
          numeric
        />
        <SelectField
          form={form}
          name="parted"
          id="cutting-parted"
          label="Sheets are"
          choices={namedSo(PARTED)}
          control="w-48"
        />
        <div className="self-end">
          <SaveButton deed="Plan with these" form={form} />
        </div>
      </Form>
    </More>
  )
}
