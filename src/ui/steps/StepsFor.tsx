import { mainPart, waysOf, type DesignDocument } from '@/core/design'
import { gaugeField, type StepsQuery } from '@/schema/designs-query'
import type { FieldErrors } from '@/schema/field-errors'
import { Field } from '../forms/Field'
import { lengthInput, type Preferences } from '../format'

/** What steps through adds where it stands to this form, so that another size is shown at the same fold. */
export const STEPS_FORM = 'steps-for'

interface StepsForProps {
  readonly design: DesignDocument
  readonly value: StepsQuery
  /** What the address said, so that a slip stays to be mended. */
  readonly typed: Readonly<Record<string, string>>
  readonly fields: FieldErrors
  readonly preferences: Preferences
}

/** For which variant, sheet and gauges the steps are shown: a form that only changes the address. */
export function StepsFor({ design, value, typed, fields, preferences }: StepsForProps) {
  const variant = design.variants.find(({ key }) => key === value.variantKey)
  const ways = variant ? waysOf(mainPart(design), variant) : []
  return (
    <form id={STEPS_FORM} method="get" className="mb-4 flex flex-wrap items-start gap-3">
      {design.variants.length === 1 ? null : (
        <Field id="steps-variant" label="Variant" error={fields['variant']}>
          {(aria) => (
            <select
              {...aria}
              name="variant"
              className="select w-44 select-sm"
              defaultValue={value.variantKey}
            >
              {design.variants.map((one) => (
                <option key={one.key} value={one.key}>
                  {one.name}
                </option>
              ))}
            </select>
          )}
        </Field>
      )}
      <Field id="steps-sheet" label={`Sheet (${preferences.unit})`} error={fields['sheet']}>
        {(aria) => (
          <input
            {...aria}
            name="sheet"
            className="input w-24 input-sm"
            autoComplete="off"
            defaultValue={typed['sheet'] || lengthInput(value.sheetMm, preferences)}
          />
        )}
      </Field>
      {design.gauges.map((gauge) => {
        const name = gaugeField(gauge.key)
        return (
          <Field
            key={gauge.key}
            id={`steps-${gauge.key}`}
            label={`${gauge.name} (${preferences.unit})`}
            error={fields[name]}
          >
            {(aria) => (
              <input
                {...aria}
                name={name}
                className="input w-28 input-sm"
                autoComplete="off"
                placeholder="as usual"
                defaultValue={typed[name] ?? ''}
              />
            )}
          </Field>
        )
      })}
      {ways.includes('direct') ? (
        <Field id="steps-way" label="Way">
          {(aria) => (
            <select {...aria} name="way" className="select w-44 select-sm" defaultValue={value.way}>
              <option value="whole">every crease first</option>
              <option value="direct">directly, in the air</option>
            </select>
          )}
        </Field>
      ) : null}
      <button className="btn mt-6 btn-sm btn-outline">Show</button>
    </form>
  )
}
