'use client'

import { useForm, useWatch } from 'react-hook-form'
import {
  defaultGauges,
  expectedSize,
  finishedSizes,
  formSizesMm,
  gaugeShares,
  highPerWide,
  mainPart,
  shareable,
  shapedRange,
  SHOWN_SHEET_MM,
  toolsFor,
  variantOf,
  type DesignDocument,
  type FinishedSize,
  type GaugeSettings,
  type Variant,
} from '@/core/design'
import type { ShapingTool } from '@/core/fold'
import { TOOL_RADIUS_MM } from '@/core/shape'
import type { FoldedEndView } from '@/flows/read/folds'
import type { Samples } from '@/flows/read/samples'
import type { DrawerPaper } from '@/flows/read/papers'
import { readGauges, typedSheet } from '@/schema/asked-size'
import { useHydrated } from '../forms/useHydrated'
import { SelectField, TextField } from '../forms/fields'
import type { FormOf } from '../forms/useDeedForm'
import { formatLength, formatPiece, lengthInput, type Preferences } from '../format'
import { ANY_PAPER, facesOf } from '../diagram/faces'
import { InTheHand } from '../piece/InTheHand'
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

interface DialTyped {
  readonly variantKey: string
  readonly paperId: string
  /** `sheet`, or the axis of a finished size. */
  readonly given: string
  readonly size: string
  readonly gauges: Readonly<Record<string, string>>
  /** What it is rolled over. */
  readonly tool: ShapingTool
}

/** Reads what is typed as the sheet, or as the finished size along an axis, and works out the other. */
function turnDial(
  { design, preferences }: Pick<SizeDialProps, 'design' | 'preferences'>,
  { variantKey, given, size, gauges }: DialTyped,
): Dial {
  const sizing = given === 'sheet' ? ('sheet' as const) : ('finished' as const)
  const { unit, ruler } = preferences
  // The dial tells the sheet as it comes out; a brief rounds it to the sheets there are.
  const asked = typedSheet(
    design,
    { variantKey, sizing, axis: given, size, gauges },
    { unit, ruler, sheets: [] },
  )
  if (!asked.ok) return { problem: asked.message, field: asked.field === 'axis' ? 'size' : asked.field }
  const settings = readGauges(gauges, unit)
  const sheetMm = asked.sheet.exactMm
  const variant = variantOf(design, variantKey)
  return { sheetMm, gauges: settings, sizes: finishedSizes(design, variant, sheetMm, settings) }
}

/** The dial as a form that is read as it is typed: nothing is sent. */
function useDial({ design, papers, preferences }: SizeDialProps) {
  const form = useForm<DialTyped>({
    defaultValues: {
      variantKey: design.variants[0]?.key ?? '',
      paperId: papers[0]?.id ?? '',
      given: 'sheet',
      size: lengthInput(SHOWN_SHEET_MM, preferences),
      tool: design.variants.flatMap(toolsFor).at(0) ?? 'skewer',
      gauges: Object.fromEntries(
        Object.entries(defaultGauges(design)).map(([key, mm]) => [key, lengthInput(mm, preferences)]),
      ),
    },
  })
  const typed = useWatch({ control: form.control, compute: (values: DialTyped) => values })
  const dial = turnDial({ design, preferences }, typed)
  const fields: FormOf<DialTyped> = {
    ...form,
    error: (path) => ('problem' in dial && dial.field === path ? dial.problem : undefined),
  }
  return { typed, dial, fields }
}

/** Finished size to sheet and back, along any axis, with the gauges. */
export function SizeDial(props: SizeDialProps) {
  const { design, papers, ends, samples, preferences } = props
  const { typed, dial, fields } = useDial(props)
  const variant = design.variants.find((one) => one.key === typed.variantKey) ?? design.variants[0]
  const paper = papers.find((one) => one.id === typed.paperId)
  const end = variant && ends[variant.key]
  useTellChosenSize(typed.variantKey, 'problem' in dial ? null : dial.sheetMm)
  const ready = useHydrated()
  return (
    <div className="flex flex-col gap-5" inert={!ready} data-ready={ready}>
      {variant && !('problem' in dial) ? (
        end ? (
          <FinishedPiece
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
      <DialFields {...props} fields={fields} variant={variant} dial={dial} />
      {'problem' in dial ? null : (
        <Sizes
          design={design}
          variant={variant}
          dial={dial}
          tool={typed.tool}
          samples={samples[typed.variantKey] ?? {}}
          preferences={preferences}
        />
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

interface DialFieldsProps extends SizeDialProps {
  readonly fields: FormOf<DialTyped>
  readonly variant: Variant | undefined
  readonly dial: Dial
}

/** What is given: variant, paper, one size, the gauges. */
function DialFields({ design, papers, preferences, fields, variant, dial }: DialFieldsProps) {
  const side = highPerWide(mainPart(design)) === 1 ? 'side' : 'long side'
  const tools = variant ? toolsFor(variant) : []
  return (
    <div className="grid gap-4 tablet:grid-cols-2">
      <SelectField
        form={fields}
        name="variantKey"
        id="dial-variant"
        label="Variant"
        choices={design.variants.map(({ key, name }) => [key, name])}
      />
      <SelectField
        form={fields}
        name="paperId"
        id="dial-paper"
        label="Paper"
        choices={papers.map(({ id, name }) => [id, name])}
      />
      <SelectField
        form={fields}
        name="given"
        id="dial-given"
        label="I give the"
        choices={[
          ['sheet', `${side} of the sheet`],
          ...(variant?.sizes ?? []).map(({ axis, label }) => [axis, `finished size, ${label}`] as const),
        ]}
      />
      <TextField form={fields} name="size" id="dial-size" label={`Size (${preferences.unit})`} />
      {tools.length < 2 ? null : (
        <SelectField
          form={fields}
          name="tool"
          id="dial-tool"
          label="Rolled over a"
          choices={tools.map((tool) => [tool, `${tool}, ${TOOL_RADIUS_MM[tool] * 2} mm thick`])}
        />
      )}
      {design.gauges.map((gauge) => (
        <TextField
          key={gauge.key}
          form={fields}
          name={`gauges.${gauge.key}`}
          id={`dial-${gauge.key}`}
          label={`${gauge.name} (${preferences.unit})`}
          hint={gaugeHint(gauge, 'problem' in dial ? null : dial.sheetMm, preferences)}
        />
      ))}
    </div>
  )
}

interface SizesProps {
  readonly design: DesignDocument
  readonly variant: Variant | undefined
  readonly dial: Extract<Dial, { readonly sheetMm: number }>
  /** What it is rolled over; the usual tool where there is no such choice. */
  readonly tool: ShapingTool
  /** What came out before, by axis. */
  readonly samples: Samples
  readonly preferences: Preferences
}

/** The finished piece as it is in the hand, where it was painted, and flat. */
function FinishedPiece(props: Parameters<typeof FoldedEnd>[0]) {
  const { name, end, faces } = props
  if (!end.forms) return <FoldedEnd {...props} />
  return (
    <>
      <InTheHand name={name} forms={end.forms} faces={faces} />
      <details>
        <summary className="cursor-pointer">As it is folded, flat from both sides</summary>
        <FoldedEnd {...props} />
      </details>
    </>
  )
}

/** The sheet and every finished size that belong together. */
function Sizes({ design, variant, dial, tool, samples, preferences }: SizesProps) {
  const high = highPerWide(mainPart(design))
  return (
    <dl className="border-t hairline pt-4" aria-live="polite">
      <div className="grid grid-cols-[1fr_auto] gap-2 py-1">
        <dt>{high === 1 ? 'side of the sheet' : 'sheet'}</dt>
        <dd className="figure text-xl">
          {formatPiece(Math.round(dial.sheetMm * 100) / 100, high, preferences)}
        </dd>
      </div>
      {dial.sizes.map((size) => {
        const axis = variant?.sizes.find((one) => one.axis === size.axis)
        return (
          <SizeRow
            key={size.axis}
            size={size}
            derivation={axis?.derivation ?? ''}
            shaped={variant && axis && shapedRange(variant, axis, dial.sheetMm, tool)}
            samples={samples[size.axis] ?? []}
            preferences={preferences}
          />
        )
      })}
      {(variant ? formSizesMm(variant, dial.sheetMm, tool) : []).map(({ axis, label, ...size }) => (
        <div key={axis} className="grid grid-cols-[1fr_auto] gap-2 py-1">
          <dt>{label}</dt>
          <dd className="figure text-xl">{formatLength(size.usualMm, preferences)}</dd>
          <dd className="estimate col-span-2">
            {formatLength(size.lowMm, preferences)} to {formatLength(size.highMm, preferences)}, read off the
            estimated form
          </dd>
        </div>
      ))}
    </dl>
  )
}

function SizeRow({
  size,
  derivation,
  shaped,
  samples,
  preferences,
}: {
  readonly size: FinishedSize
  readonly derivation: string
  /** What shaping multiplies it by. */
  readonly shaped: readonly [lowest: number, highest: number] | undefined
  readonly samples: readonly number[]
  readonly preferences: Preferences
}) {
  const { range, says } = expectedWords(expectedSize(size.sizeMm, shaped, samples), preferences)
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
