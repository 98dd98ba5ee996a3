'use client'

import { useWatch } from 'react-hook-form'
import { highPerWide, mainPart } from '@/core/design'
import { Silhouette } from '../design/Silhouette'
import { gaugeHint } from '../design/gauge-hint'
import { Field } from '../forms/Field'
import { pieceNoun } from '../format'
import { gaugeInputs } from './form-values'
import type { LineFieldsProps } from './line-props'
import { LinePapers } from './LinePapers'
import { previewLine } from './line-preview'

/** One line of a brief: a design, how many, how big, in which papers. */
export function LineFields(props: LineFieldsProps) {
  const { index, control, register, setValue, designs, papers, preferences, errors, remove } = props
  const at = `lines.${index}` as const
  const line = useWatch({ control, name: at })
  const design = designs.find((candidate) => candidate.id === line.designId)
  const variant = design?.variants.find((candidate) => candidate.key === line.variantKey)
  const preview = design ? previewLine(line, design, papers, preferences) : null
  const colour = papers.find((paper) => paper.id === line.papers[0]?.paperId)?.frontColour ?? '#cfc8b6'
  const error = (field: string) => errors[`${at}.${field}`]
  const unitHint = preferences.unit === 'cm' ? 'cm' : 'in'
  const chooseDesign = (id: string) => {
    const chosen = designs.find((candidate) => candidate.id === id)
    const [first] = chosen?.variants ?? []
    if (!chosen || !first) return
    setValue(`${at}.variantKey`, first.key)
    setValue(`${at}.axis`, first.sizes[0]?.axis ?? '')
    setValue(`${at}.gauges`, gaugeInputs(chosen, preferences))
  }
  return (
    <fieldset className="border-t hairline pt-5">
      <legend className="sr-only">Line {index + 1}</legend>
      <div className="grid gap-5 tablet:grid-cols-[9rem_1fr]">
        <div className="flex flex-col items-center gap-2">
          {design && variant ? (
            <Silhouette
              design={design}
              variantKey={line.variantKey}
              sheetMm={preview?.sheetMm ?? 150}
              gauges={{}}
              colour={colour}
              className="h-28 w-full"
            />
          ) : null}
          <button
            type="button"
            className="btn btn-ghost btn-sm"
            onClick={remove}
            aria-label={`Remove line ${index + 1}`}
          >
            Remove
          </button>
        </div>
        <div className="flex flex-col gap-4">
          <div className="grid gap-4 tablet:grid-cols-[2fr_1.2fr_1fr_1.6fr]">
            <Field id={`${at}.designId`} label="Design" error={error('designId')}>
              {(aria) => (
                <select
                  {...aria}
                  {...register(`${at}.designId`, {
                    onChange: (event: { target: { value: string } }) => chooseDesign(event.target.value),
                  })}
                  className="select w-full"
                >
                  {designs.map((one) => (
                    <option key={one.id} value={one.id}>
                      {one.name}
                    </option>
                  ))}
                </select>
              )}
            </Field>
            <Field id={`${at}.variantKey`} label="Variant" error={error('variantKey')}>
              {(aria) => (
                <select {...aria} {...register(`${at}.variantKey`)} className="select w-full">
                  {design?.variants.map((one) => (
                    <option key={one.key} value={one.key}>
                      {one.name}
                    </option>
                  ))}
                </select>
              )}
            </Field>
            <HowMany {...props} />
            <AttachedTo {...props} />
          </div>
          <div className="grid gap-4 tablet:grid-cols-[1.4fr_1.2fr_1fr_1.6fr]">
            <Field id={`${at}.sizing`} label="I give the" error={error('sizing')}>
              {(aria) => (
                <select {...aria} {...register(`${at}.sizing`)} className="select w-full">
                  <option value="finished">finished size</option>
                  <option value="sheet">sheet size</option>
                </select>
              )}
            </Field>
            {line.sizing === 'finished' ? (
              <Field id={`${at}.axis`} label="Measured" error={error('axis')}>
                {(aria) => (
                  <select {...aria} {...register(`${at}.axis`)} className="select w-full">
                    {variant?.sizes.map((one) => (
                      <option key={one.axis} value={one.axis}>
                        {one.label}
                      </option>
                    ))}
                  </select>
                )}
              </Field>
            ) : (
              <p className="second self-center text-sm">
                {design && highPerWide(mainPart(design)) !== 1 ? 'width' : 'side'} of the{' '}
                {design ? pieceNoun(mainPart(design).perSquare, highPerWide(mainPart(design))) : 'square'}{' '}
                that is folded
              </p>
            )}
            <Field id={`${at}.size`} label={`Size (${unitHint})`} error={error('size')}>
              {(aria) => (
                <input
                  {...aria}
                  {...register(`${at}.size`)}
                  inputMode="text"
                  autoComplete="off"
                  className="input w-full"
                />
              )}
            </Field>
            <div className="flex gap-4">
              {design?.gauges.map((gauge) => (
                <Field
                  key={gauge.key}
                  id={`${at}.gauges.${gauge.key}`}
                  label={`${gauge.name} (${unitHint})`}
                  {...(gauge.unit === 'side' ? { hint: gaugeHint(gauge) } : {})}
                  error={error(`gauges.${gauge.key}`)}
                >
                  {(aria) => (
                    <input
                      {...aria}
                      {...register(`${at}.gauges.${gauge.key}`)}
                      autoComplete="off"
                      className="input w-full"
                    />
                  )}
                </Field>
              ))}
            </div>
          </div>
          <p className="min-h-6" aria-live="polite">
            {preview === null ? (
              <span className="second">The other size follows from the one you give.</span>
            ) : (
              preview.text
            )}
            {preview?.rounding ? <span className="second"> {preview.rounding}</span> : null}
          </p>
          <LinePapers {...props} />
        </div>
      </div>
    </fieldset>
  )
}

function HowMany({ index, control, register, errors }: LineFieldsProps) {
  const at = `lines.${index}` as const
  const attached = useWatch({ control, name: `${at}.attachedTo` }) !== ''
  return attached ? (
    <Field id={`${at}.perPiece`} label="How many on each" error={errors[`${at}.perPiece`]}>
      {(aria) => (
        <input
          {...aria}
          {...register(`${at}.perPiece`)}
          inputMode="numeric"
          autoComplete="off"
          className="input w-full"
        />
      )}
    </Field>
  ) : (
    <Field id={`${at}.pieces`} label="How many" error={errors[`${at}.pieces`]}>
      {(aria) => (
        <input
          {...aria}
          {...register(`${at}.pieces`)}
          inputMode="numeric"
          autoComplete="off"
          className="input w-full"
        />
      )}
    </Field>
  )
}

function AttachedTo({ index, control, register, designs, errors }: LineFieldsProps) {
  const at = `lines.${index}` as const
  const lines = useWatch({ control, name: 'lines' })
  const own = lines[index]
  const carriesOthers = lines.some((line) => line.attachedTo === own?.id)
  const hosts = carriesOthers
    ? []
    : lines.flatMap((line, position) =>
        position === index || line.attachedTo !== '' ? [] : [{ line, position }],
      )
  return (
    <Field id={`${at}.attachedTo`} label="Goes" error={errors[`${at}.attachedTo`]}>
      {(aria) => (
        <select
          {...aria}
          {...register(`${at}.attachedTo`)}
          className="select w-full"
          disabled={hosts.length === 0}
        >
          <option value="">on its own</option>
          {hosts.map(({ line, position }) => (
            <option key={line.id} value={line.id}>
              glued to line {position + 1},{' '}
              {designs.find((one) => one.id === line.designId)?.name.toLowerCase()}
            </option>
          ))}
        </select>
      )}
    </Field>
  )
}
