'use client'

import { useState } from 'react'
import {
  defaultGauges,
  expectedSize,
  finishedSizes,
  gaugeShares,
  highPerWide,
  mainPart,
  shareable,
  variantOf,
  type AxisSize,
  type DesignDocument,
  type FinishedSize,
  type GaugeSettings,
} from '@/core/design'
import type { FoldedEndView } from '@/flows/read/folds'
import type { Samples } from '@/flows/read/samples'
import type { DrawerPaper } from '@/flows/read/papers'
import { readGauges, typedSheet } from '@/schema/asked-size'
import { useHydrated } from '../forms/useHydrated'
import { Field } from '../forms/Field'
import { formatLength, formatPiece, lengthInput, type Preferences } from '../format'
import { ANY_PAPER, facesOf } from '../diagram/faces'
import { useTellChosenSize } from './chosen-size'
import { FoldedEnd } from './FoldedEnd'
import { expectedWords, SizeAdvice } from './SizeAdvice'
import { gaugeHint } from './gauge-hint'
import { Silhouette } from './Silhouette'

interface SizeDialProps {
  readonly design: DesignDocument
  readonly papers: readonly DrawerPaper[]
  /** What came out before, by variant and axis. */
  readonly samples: Readonly<Record<string, Samples>>
  /** How each variant ends, by its key; none where a design is told in words. */
  readonly ends: Readonly<Record<string, FoldedEndView>>
  readonly preferences: Preferences
}

type Dial =
  | {
      readonly sheetMm: number
      readonly gauges: GaugeSettings
      readonly sizes: readonly FinishedSize[]
    }
  | { readonly problem: string; readonly field: string }

/** Reads what is typed as the sheet, or as the finished size along an axis, and works out the other. */
function turnDial(
  { design, preferences }: Pick<SizeDialProps, 'design' | 'preferences'>,
  typed: {
    readonly variantKey: string
    readonly given: string
    readonly text: string
    readonly gauges: Readonly<Record<string, string>>
  },
): Dial {
  const { variantKey, given, text, gauges } = typed
  const sizing = given === 'sheet' ? ('sheet' as const) : ('finished' as const)
  const { unit, ruler } = preferences
  // The dial tells the sheet as it comes out; a brief rounds it to the sheets there are.
  const asked = typedSheet(
    design,
    { variantKey, sizing, axis: given, size: text, gauges },
    { unit, ruler, sheets: [] },
  )
  if (!asked.ok) return { problem: asked.message, field: asked.field }
  const settings = readGauges(gauges, unit)
  const sheetMm = asked.sheet.exactMm
  const variant = variantOf(design, variantKey)
  return { sheetMm, gauges: settings, sizes: finishedSizes(design, variant, sheetMm, settings) }
}

/** Finished size to sheet and back, along any axis, with the gauges. */
export function SizeDial({ design, papers, ends, samples, preferences }: SizeDialProps) {
  const [first] = design.variants
  const [variantKey, setVariantKey] = useState(first?.key ?? '')
  const [given, setGiven] = useState('sheet')
  const [text, setText] = useState(lengthInput(150, preferences))
  const [gauges, setGauges] = useState<Record<string, string>>(
    Object.fromEntries(
      Object.entries(defaultGauges(design)).map(([key, mm]) => [key, lengthInput(mm, preferences)]),
    ),
  )
  const [paperId, setPaperId] = useState(papers[0]?.id ?? '')
  const variant = design.variants.find((one) => one.key === variantKey) ?? first
  const dial = turnDial({ design, preferences }, { variantKey, given, text, gauges })
  const paper = papers.find((one) => one.id === paperId)
  const end = variant && ends[variant.key]
  useTellChosenSize(variantKey, 'problem' in dial ? null : dial.sheetMm)
  const high = highPerWide(mainPart(design))
  const square = high === 1
  const problemAt = (field: string) => ('problem' in dial && dial.field === field ? dial.problem : undefined)
  const ready = useHydrated()
  return (
    <div className="flex flex-col gap-5" inert={!ready} data-ready={ready}>
      {variant && !('problem' in dial) ? (
        end ? (
          <FoldedEnd
            name={design.name}
            end={end}
            shares={shareable(gaugeShares(design, dial.gauges, dial.sheetMm))}
            faces={facesOf(paper ?? ANY_PAPER, end.sideUp)}
          />
        ) : (
          <Silhouette
            design={design}
            variantKey={variant.key}
            sheetMm={dial.sheetMm}
            gauges={dial.gauges}
            colour={paper?.frontColour ?? ANY_PAPER.frontColour}
            className="h-56 w-full"
          />
        )
      ) : (
        <div className="h-56" />
      )}
      <div className="grid gap-4 tablet:grid-cols-2">
        <Field id="dial-variant" label="Variant">
          {(aria) => (
            <select
              {...aria}
              className="select w-full"
              value={variantKey}
              onChange={(event) => setVariantKey(event.target.value)}
            >
              {design.variants.map((one) => (
                <option key={one.key} value={one.key}>
                  {one.name}
                </option>
              ))}
            </select>
          )}
        </Field>
        <Field id="dial-paper" label="Paper">
          {(aria) => (
            <select
              {...aria}
              className="select w-full"
              value={paperId}
              onChange={(event) => setPaperId(event.target.value)}
            >
              {papers.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </select>
          )}
        </Field>
        <Field id="dial-given" label="I give the">
          {(aria) => (
            <select
              {...aria}
              className="select w-full"
              value={given}
              onChange={(event) => setGiven(event.target.value)}
            >
              <option value="sheet">{square ? 'side' : 'long side'} of the sheet</option>
              {variant?.sizes.map((size) => (
                <option key={size.axis} value={size.axis}>
                  finished size, {size.label}
                </option>
              ))}
            </select>
          )}
        </Field>
        <Field
          id="dial-size"
          label={`Size (${preferences.unit})`}
          error={problemAt('size') ?? problemAt('axis')}
        >
          {(aria) => (
            <input
              {...aria}
              className="input w-full"
              autoComplete="off"
              value={text}
              onChange={(event) => setText(event.target.value)}
            />
          )}
        </Field>
        {design.gauges.map((gauge) => (
          <Field
            key={gauge.key}
            id={`dial-${gauge.key}`}
            label={`${gauge.name} (${preferences.unit})`}
            error={problemAt(`gauges.${gauge.key}`)}
            hint={gaugeHint(gauge, 'problem' in dial ? null : dial.sheetMm, preferences)}
          >
            {(aria) => (
              <input
                {...aria}
                className="input w-full"
                autoComplete="off"
                value={gauges[gauge.key] ?? ''}
                onChange={(event) => setGauges({ ...gauges, [gauge.key]: event.target.value })}
              />
            )}
          </Field>
        ))}
      </div>
      {'problem' in dial ? null : (
        <dl className="border-t hairline pt-4" aria-live="polite">
          <div className="grid grid-cols-[1fr_auto] gap-2 py-1">
            <dt>{square ? 'side of the sheet' : 'sheet'}</dt>
            <dd className="figure text-xl">
              {formatPiece(Math.round(dial.sheetMm * 100) / 100, high, preferences)}
            </dd>
          </div>
          {dial.sizes.map((size) => (
            <SizeRow
              key={size.axis}
              size={size}
              axis={variant?.sizes.find((one) => one.axis === size.axis)}
              samples={samples[variantKey]?.[size.axis] ?? []}
              preferences={preferences}
            />
          ))}
        </dl>
      )}
      {variant && !('problem' in dial) ? (
        <SizeAdvice
          design={design}
          variant={variant}
          sheetMm={dial.sheetMm}
          gauges={dial.gauges}
          end={end}
          paper={paper}
          preferences={preferences}
        />
      ) : null}
      {variant?.shaping === undefined ? null : (
        <p className="note text-sm">Estimated after shaping: {variant.shaping}</p>
      )}
    </div>
  )
}

function SizeRow({
  size,
  axis,
  samples,
  preferences,
}: {
  readonly size: FinishedSize
  readonly axis: AxisSize | undefined
  readonly samples: readonly number[]
  readonly preferences: Preferences
}) {
  const derivation = axis?.derivation ?? ''
  const { range, says } = expectedWords(expectedSize(size.sizeMm, axis?.shaped, samples), preferences)
  const ranged = size.highestMm - size.lowestMm > 0.01
  return (
    <div className="grid grid-cols-[1fr_auto] gap-2 py-1">
      <dt>{size.label}</dt>
      <dd className="figure text-xl">{formatLength(size.sizeMm, preferences)}</dd>
      {says === null ? null : (
        <dd className="estimate col-span-2">
          {range}, {says}
        </dd>
      )}
      <dd className="second col-span-2 text-sm">
        <details>
          <summary className="cursor-pointer">How this is worked out</summary>
          {derivation}
          {ranged
            ? ` Over the whole gauge: ${formatLength(size.lowestMm, preferences)} to ${formatLength(size.highestMm, preferences)}.`
            : ''}
        </details>
      </dd>
    </div>
  )
}
