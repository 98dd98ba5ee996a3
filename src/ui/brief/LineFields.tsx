'use client'

import { useEffect, useState } from 'react'
import { useWatch } from 'react-hook-form'
import {
  highPerWide,
  mainPart,
  SHOWN_SHEET_MM,
  type DesignDocument,
  type Gauge,
  type Variant,
} from '@/core/design'
import type { MadeKind } from '@/core/arrange'
import { Silhouette } from '../design/Silhouette'
import { gaugeHint } from '../design/gauge-hint'
import { madeInputs } from '@/schema/making'
import { SelectField, TextField } from '../forms/fields'
import { More } from '../forms/More'
import { pieceNoun } from '../format'
import { DesignPictures } from './DesignPictures'
import { ANY_PAPER, facesOf } from '../diagram/faces'
import { PaintedPiece } from '../piece/PaintedPiece'
import { Arranged } from './Arranged'
import { Cards } from './Cards'
import { CharacterOf } from './CharacterOf'
import { gaugeInputs, type LineValues } from './form-values'
import { FurtherDeeds } from './FurtherDeeds'
import { LineDial } from './LineDial'
import { NO_PAPER_COLOUR } from './no-paper'
import { ownStripWords } from './own-strip-words'
import { useFollowed } from './useFollowed'
import { previewLine, type LinePreview } from './line-preview'
import type { LineFieldsProps } from './line-props'
import { LinePapers } from './LinePapers'
import { ASIDE, Sentence } from './Sentence'
import { spoiledWords } from './spoiled-words'
import { wantedPieces } from './wanted-pieces'
import { whatFollows, type Follows } from './what-follows'

/** One line of a brief: a design, how many, how big, in which papers. */
export function LineFields(props: LineFieldsProps) {
  const { index, form, choices, designs, papers, preferences } = props
  const at = `lines.${index}` as const
  const line = useWatch({ control: form.control, name: at })
  const { choose, failed } = useChosenDesign(props)
  useFollowed(props)
  const found = designs.find(({ document }) => document.id === line.designId)
  const design = found?.document
  const painted = found?.looks[line.variantKey]?.best
  const variant = design?.variants.find((candidate) => candidate.key === line.variantKey)
  const preview: LinePreview = found ? previewLine(line, found, papers, preferences) : { kind: 'nothing yet' }
  const paper = papers.find(({ id }) => id === line.papers[0]?.paperId)
  const sheetMm = preview.kind === 'sheet' ? preview.sheetMm : null
  const follows =
    design && preview.kind === 'sheet' ? whatFollows(line, { design, preview, papers, preferences }) : null
  const pick = (id: string) => {
    form.setValue(`${at}.designId`, id)
    void choose(id)
  }
  return (
    <fieldset className="min-w-0 border-t hairline pt-5">
      <legend className="sr-only">Line {index + 1}</legend>
      <div className="grid gap-5 tablet:grid-cols-[9rem_1fr]">
        <div className="flex flex-wrap items-center justify-center gap-2 tablet:flex-col tablet:justify-start">
          {design && painted ? (
            <PaintedPiece
              view={painted}
              faces={facesOf(
                paper ?? { ...ANY_PAPER, frontColour: NO_PAPER_COLOUR },
                mainPart(design).sideUp,
              )}
              title={`${design.name}, finished`}
              className="h-28 w-full"
            />
          ) : design && variant ? (
            <Silhouette
              design={design}
              variantKey={line.variantKey}
              sheetMm={sheetMm ?? SHOWN_SHEET_MM}
              gauges={{}}
              colour={paper?.frontColour ?? NO_PAPER_COLOUR}
              className="h-28 w-full"
            />
          ) : null}
          <FurtherDeeds {...props} line={line} />
        </div>
        <div className="flex min-w-0 flex-col gap-3">
          <Sentence {...props} design={design} variant={variant} choose={choose} />
          <DesignPictures choices={choices} chosen={line.designId} line={index + 1} pick={pick} />
          <Preview preview={preview} failed={failed} />
          <Following {...props} follows={follows} />
          <OwnStrip {...props} line={line} />
          {found && follows?.worked ? (
            <Cards {...props} line={line} found={found} worked={follows.worked} />
          ) : null}
          <Arranged {...props} line={line} />
          <LinePapers {...props} design={design} />
          <Spoiled {...props} line={line} sheetMm={sheetMm} />
          {found && preview.kind === 'sheet' ? (
            <LineDial {...props} line={line} found={found} preview={preview} />
          ) : null}
          <More summary="Details" wrong={detailsWrong(props, line)}>
            <div className="flex flex-col gap-4">
              <Ways {...props} design={design} variant={variant} />
              <Aside {...props} made={line.made} />
              <Gauges {...props} gauges={design?.gauges ?? []} sheetMm={sheetMm} />
              {design && design.gauges.length > 0 ? (
                <CharacterOf {...props} line={line} design={design} sheetMm={sheetMm} />
              ) : null}
            </div>
          </More>
        </div>
      </div>
    </fieldset>
  )
}

/** What the change would make useless of what is cut and folded, before it is saved. */
function Spoiled({
  form,
  line,
  sheetMm,
  begun,
  preferences,
}: LineFieldsProps & { readonly line: LineValues; readonly sheetMm: number | null }) {
  const lines = useWatch({ control: form.control, name: 'lines' })
  const counted = { ...line, pieces: String(wantedPieces(line, lines) ?? '') }
  const own = begun[line.id]
  return (
    <div aria-live="polite">
      {own
        ? spoiledWords(counted, own, sheetMm, preferences).map((words) => (
            <p key={words} className="note mb-2">
              {words}
            </p>
          ))
        : null}
    </div>
  )
}

/** Whether something among the details needs another look. */
const detailsWrong = ({ index, form }: LineFieldsProps, line: LineValues): boolean =>
  [
    'variantKey',
    'attachedTo',
    'sizing',
    ...ASIDE.map((key) => `measures.${key}`),
    ...Object.keys(line.gauges).map((key) => `gauges.${key}`),
  ].some((name) => form.error(`lines.${index}.${name}`) !== undefined)

/** Whether it comes out of what the line it follows leaves of its sheets. */
function OwnStrip({
  form,
  line,
  designs,
  papers,
  preferences,
}: LineFieldsProps & { readonly line: LineValues }) {
  const lines = useWatch({ control: form.control, name: 'lines' })
  const host = lines.find(({ id }) => id === (line.attachedTo || line.sizeOf))
  if (!host || host.id === line.id) return null
  return ownStripWords(line, host, { designs, papers, preferences }).map((words) => (
    <p key={words}>{words}</p>
  ))
}

/** What follows from the numbers; how many pieces goes where everything else reads it. */
function Following({ index, form, follows }: LineFieldsProps & { readonly follows: Follows | null }) {
  const pieces = follows?.worked?.made.pieces ?? null
  useEffect(() => {
    if (pieces !== null) form.setValue(`lines.${index}.pieces`, String(pieces))
  }, [form, index, pieces])
  return (
    <div aria-live="polite">
      {follows?.sentences.map((text) => (
        <p key={text}>{text}</p>
      ))}
    </div>
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

interface WaysProps extends LineFieldsProps {
  readonly design: DesignDocument | undefined
  readonly variant: Variant | undefined
}

/** Which variant, what its size is given by, and whether its pieces go on another line's. */
function Ways({ index, form, choices, design }: WaysProps) {
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
  const part = design ? mainPart(design) : null
  const piece = part ? pieceNoun(part.perSquare, highPerWide(part)) : 'square'
  return (
    <div className="grid gap-4 tablet:grid-cols-3">
      <SelectField
        form={form}
        name={`${at}.variantKey`}
        label="Variant"
        choices={(design?.variants ?? []).map(({ key, name }) => [key, name])}
      />
      <SelectField
        form={form}
        name={`${at}.sizing`}
        label="I give the"
        choices={[
          ['finished', 'finished size'],
          ['sheet', `${part && highPerWide(part) !== 1 ? 'width' : 'side'} of the ${piece} that is folded`],
        ]}
      />
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

/** Numbers of what is made that its sentence does not say. */
function Aside({ index, form, preferences, made }: LineFieldsProps & { readonly made: MadeKind }) {
  const inputs = madeInputs(made).filter(({ key }) => ASIDE.includes(key))
  if (inputs.length === 0) return null
  return (
    <div className="flex flex-wrap gap-4">
      {inputs.map(({ key, is, label }) => (
        <TextField
          key={`${made} ${key}`}
          form={form}
          name={`lines.${index}.measures.${key}`}
          label={is === 'length' ? `${label} (${preferences.unit})` : label}
          numeric={is === 'count'}
          control="w-40"
        />
      ))}
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
