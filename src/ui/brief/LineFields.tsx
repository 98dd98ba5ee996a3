'use client'

import { useState } from 'react'
import { useWatch } from 'react-hook-form'
import {
  highPerWide,
  mainPart,
  SHOWN_SHEET_MM,
  type DesignDocument,
  type Gauge,
  type Variant,
} from '@/core/design'
import { Silhouette } from '../design/Silhouette'
import { gaugeHint } from '../design/gauge-hint'
import { SelectField, TextField } from '../forms/fields'
import { pieceNoun } from '../format'
import { DesignPictures } from './DesignPictures'
import { gaugeInputs } from './form-values'
import { previewLine, type LinePreview } from './line-preview'
import type { LineFieldsProps } from './line-props'
import { LinePapers } from './LinePapers'

/** A piece whose paper is not chosen yet. */
const NO_PAPER_COLOUR = '#cfc8b6'

/** One line of a brief: a design, how many, how big, in which papers. */
export function LineFields(props: LineFieldsProps) {
  const { index, form, choices, designs, papers, preferences, remove } = props
  const at = `lines.${index}` as const
  const line = useWatch({ control: form.control, name: at })
  const { choose, failed } = useChosenDesign(props)
  const found = designs.find(({ document }) => document.id === line.designId)
  const design = found?.document
  const variant = design?.variants.find((candidate) => candidate.key === line.variantKey)
  const preview: LinePreview = found ? previewLine(line, found, papers, preferences) : { kind: 'nothing yet' }
  const colour = papers.find((paper) => paper.id === line.papers[0]?.paperId)?.frontColour
  const sheetMm = preview.kind === 'sheet' ? preview.sheetMm : null
  const pick = (id: string) => {
    form.setValue(`${at}.designId`, id)
    void choose(id)
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
              sheetMm={sheetMm ?? SHOWN_SHEET_MM}
              gauges={{}}
              colour={colour ?? NO_PAPER_COLOUR}
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
          <Wanted {...props} design={design} choose={choose} />
          <Size {...props} design={design} variant={variant} />
          <Gauges {...props} gauges={design?.gauges ?? []} sheetMm={sheetMm} />
          <Preview preview={preview} failed={failed} />
          <LinePapers {...props} />
        </div>
      </div>
    </fieldset>
  )
}

/** Chooses a design for a line: its first variant, its own gauges. */
function useChosenDesign({ index, form, load, preferences }: LineFieldsProps) {
  const at = `lines.${index}` as const
  const [failed, setFailed] = useState(false)
  const choose = async (id: string) => {
    const chosen = (await load(id))?.document
    setFailed(chosen === undefined)
    const [first] = chosen?.variants ?? []
    if (!chosen || !first) return
    form.setValue(`${at}.variantKey`, first.key)
    form.setValue(`${at}.axis`, first.sizes[0]?.axis ?? '')
    form.setValue(`${at}.gauges`, gaugeInputs(chosen, preferences))
  }
  return { choose, failed }
}

interface WantedProps extends LineFieldsProps {
  readonly design: DesignDocument | undefined
  readonly choose: (id: string) => Promise<void>
}

/** Which design, how many, and whether they go on another line. */
function Wanted({ index, form, choices, design, choose }: WantedProps) {
  const at = `lines.${index}` as const
  const lines = useWatch({ control: form.control, name: 'lines' })
  const own = lines[index]
  const carriesOthers = lines.some((line) => line.attachedTo === own?.id)
  const hosts = carriesOthers
    ? []
    : lines.flatMap((line, position) =>
        position === index || line.attachedTo !== '' ? [] : [{ line, position }],
      )
  const nameOf = (id: string) => choices.find((one) => one.id === id)?.name.toLowerCase() ?? ''
  const pinned = design && !choices.some(({ id }) => id === design.id) ? [design] : []
  return (
    <div className="grid gap-4 tablet:grid-cols-[2fr_1.2fr_1fr_1.6fr]">
      <SelectField
        form={form}
        name={`${at}.designId`}
        label="Design"
        choices={[...choices, ...pinned].map(({ id, name }) => [id, name])}
        onChange={(id) => void choose(id)}
      />
      <SelectField
        form={form}
        name={`${at}.variantKey`}
        label="Variant"
        choices={(design?.variants ?? []).map(({ key, name }) => [key, name])}
      />
      {own?.attachedTo === '' ? (
        <TextField form={form} name={`${at}.pieces`} label="How many" numeric />
      ) : (
        <TextField form={form} name={`${at}.perPiece`} label="How many on each" numeric />
      )}
      <SelectField
        form={form}
        name={`${at}.attachedTo`}
        label="Goes"
        disabled={hosts.length === 0}
        choices={[
          ['', 'on its own'],
          ...hosts.map(
            ({ line, position }) =>
              [line.id, `glued to line ${position + 1}, ${nameOf(line.designId)}`] as const,
          ),
        ]}
      />
    </div>
  )
}

interface SizeProps extends LineFieldsProps {
  readonly design: DesignDocument | undefined
  readonly variant: Variant | undefined
}

/** How big: finished, along one of its measures, or the sheet it is folded from. */
function Size({ index, form, preferences, design, variant }: SizeProps) {
  const at = `lines.${index}` as const
  const sizing = useWatch({ control: form.control, name: `${at}.sizing` })
  const part = design ? mainPart(design) : null
  return (
    <div className="grid gap-4 tablet:grid-cols-[1.4fr_1.2fr_1fr]">
      <SelectField
        form={form}
        name={`${at}.sizing`}
        label="I give the"
        choices={[
          ['finished', 'finished size'],
          ['sheet', 'sheet size'],
        ]}
      />
      {sizing === 'finished' ? (
        <SelectField
          form={form}
          name={`${at}.axis`}
          label="Measured"
          choices={(variant?.sizes ?? []).map(({ axis, label }) => [axis, label])}
        />
      ) : (
        <p className="second self-center text-sm">
          {part && highPerWide(part) !== 1 ? 'width' : 'side'} of the{' '}
          {part ? pieceNoun(part.perSquare, highPerWide(part)) : 'square'} that is folded
        </p>
      )}
      <TextField form={form} name={`${at}.size`} label={`Size (${preferences.unit})`} />
    </div>
  )
}

interface GaugesProps extends LineFieldsProps {
  readonly gauges: readonly Gauge[]
  readonly sheetMm: number | null
}

/** A design's gauges, full width: what each changes stands beside it. */
function Gauges({ index, form, preferences, gauges, sheetMm }: GaugesProps) {
  if (gauges.length === 0) return null
  return (
    <div className="grid gap-4 tablet:grid-cols-2">
      {gauges.map((gauge) => (
        <TextField
          key={gauge.key}
          form={form}
          name={`lines.${index}.gauges.${gauge.key}`}
          label={`${gauge.name} (${preferences.unit})`}
          hint={gaugeHint(gauge, sheetMm, preferences)}
          control="w-32"
        />
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
