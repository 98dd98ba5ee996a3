'use client'

import { useState } from 'react'
import { useWatch } from 'react-hook-form'
import { highPerWide, mainPart, type Gauge } from '@/core/design'
import { Silhouette } from '../design/Silhouette'
import { gaugeHint } from '../design/gauge-hint'
import { Field } from '../forms/Field'
import { pieceNoun } from '../format'
import { gaugeInputs } from './form-values'
import type { LineFieldsProps } from './line-props'
import { LinePapers } from './LinePapers'
import { DesignPictures } from './DesignPictures'
import { previewLine, type LinePreview } from './line-preview'

/** One line of a brief: a design, how many, how big, in which papers. */
export function LineFields(props: LineFieldsProps) {
  const { index, control, register, setValue, choices, designs, load, papers, preferences, errors, remove } =
    props
  const at = `lines.${index}` as const
  const line = useWatch({ control, name: at })
  const [failed, setFailed] = useState(false)
  const found = designs.find(({ document }) => document.id === line.designId)
  const design = found?.document
  const variant = design?.variants.find((candidate) => candidate.key === line.variantKey)
  const preview: LinePreview = found ? previewLine(line, found, papers, preferences) : { kind: 'nothing yet' }
  const colour = papers.find((paper) => paper.id === line.papers[0]?.paperId)?.frontColour ?? '#cfc8b6'
  const error = (field: string) => errors[`${at}.${field}`]
  const unitHint = preferences.unit === 'cm' ? 'cm' : 'in'
  const chooseDesign = async (id: string) => {
    const chosen = (await load(id))?.document
    setFailed(chosen === undefined)
    const [first] = chosen?.variants ?? []
    if (!chosen || !first) return
    setValue(`${at}.variantKey`, first.key)
    setValue(`${at}.axis`, first.sizes[0]?.axis ?? '')
    setValue(`${at}.gauges`, gaugeInputs(chosen, preferences))
  }
  const pick = (id: string) => {
    setValue(`${at}.designId`, id)
    void chooseDesign(id)
  }
  return (
    <fieldset className="min-w-0 border-t hairline pt-5">
      <legend className="sr-only">Line {index + 1}</legend>
      <div className="grid gap-5 tablet:grid-cols-[9rem_1fr]">
        <div className="flex flex-col items-center gap-2">
          {design && variant ? (
            <Silhouette
              design={design}
              variantKey={line.variantKey}
              sheetMm={preview.kind === 'sheet' ? preview.sheetMm : 150}
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
        <div className="flex min-w-0 flex-col gap-4">
          <DesignPictures choices={choices} chosen={line.designId} line={index + 1} pick={pick} />
          <div className="grid gap-4 tablet:grid-cols-[2fr_1.2fr_1fr_1.6fr]">
            <Field id={`${at}.designId`} label="Design" error={error('designId')}>
              {(aria) => (
                <select
                  {...aria}
                  {...register(`${at}.designId`, {
                    onChange: (event: { target: { value: string } }) => void chooseDesign(event.target.value),
                  })}
                  className="select w-full"
                >
                  {choices.map((one) => (
                    <option key={one.id} value={one.id}>
                      {one.name}
                    </option>
                  ))}
                  {design && !choices.some(({ id }) => id === design.id) ? (
                    <option value={design.id}>{design.name}</option>
                  ) : null}
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
          <div className="grid gap-4 tablet:grid-cols-[1.4fr_1.2fr_1fr]">
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
          </div>
          <Gauges
            {...props}
            gauges={design?.gauges ?? []}
            sheetMm={preview.kind === 'sheet' ? preview.sheetMm : null}
          />
          <Preview preview={preview} failed={failed} />
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

function AttachedTo({ index, control, register, choices, errors }: LineFieldsProps) {
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
              {choices.find((one) => one.id === line.designId)?.name.toLowerCase()}
            </option>
          ))}
        </select>
      )}
    </Field>
  )
}

/** A design's gauges, full width: what each changes stands beside it. */
function Gauges({
  index,
  register,
  errors,
  preferences,
  gauges,
  sheetMm,
}: LineFieldsProps & { readonly gauges: readonly Gauge[]; readonly sheetMm: number | null }) {
  const at = `lines.${index}` as const
  if (gauges.length === 0) return null
  return (
    <div className="grid gap-4 tablet:grid-cols-2">
      {gauges.map((gauge) => (
        <Field
          key={gauge.key}
          id={`${at}.gauges.${gauge.key}`}
          label={`${gauge.name} (${preferences.unit})`}
          hint={gaugeHint(gauge, sheetMm, preferences)}
          error={errors[`${at}.gauges.${gauge.key}`]}
        >
          {(aria) => (
            <input
              {...aria}
              {...register(`${at}.gauges.${gauge.key}`)}
              autoComplete="off"
              className="input w-32"
            />
          )}
        </Field>
      ))}
    </div>
  )
}

/** The other size, as it is typed, and what stands in its way. */
function Preview({ preview, failed }: { readonly preview: LinePreview; readonly failed: boolean }) {
  return (
    <div className="min-h-6" aria-live="polite">
      {failed ? <p className="font-semibold">This design could not be loaded. Choose it again.</p> : null}
      {preview.kind === 'nothing yet' ? (
        <p className="second">The other size follows from the one you give.</p>
      ) : preview.kind === 'problem' ? (
        <p className="font-semibold">{preview.text}</p>
      ) : (
        <>
          <p>
            {preview.text}
            {preview.rounding === null ? null : <span className="second"> {preview.rounding}</span>}
          </p>
          {preview.advice.map((advice) => (
            <p key={advice} className="note mt-2">
              {advice}
            </p>
          ))}
        </>
      )}
    </div>
  )
}
