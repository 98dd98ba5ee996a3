import { CoreError, invariant } from '../errors'
import {
  looseLocks,
  measureAlong,
  runProgram,
  silhouetteOf,
  type FoldProgram,
  type GaugeShares,
} from '../fold'
import type { Point } from '../geometry'
import { assemble, assembledOutline, measureAssembled } from './assembly'
import { mainPart } from './find'
import { formReadings } from './formed'
import { programOf } from './program'
import { gaugeRangeMm } from './sizing'
import type {
  AxisSize,
  DesignDocument,
  DesignPart,
  DesignSource,
  Gauge,
  Linear,
  OutlineForm,
  Step,
  Variant,
  VariantSource,
} from './types'

/** The sheet at which gauges in mm are turned into shares while a design is measured. */
const MEASURED_AT_MM = 150

/** The smallest sheet that is planned with, mm: a gauge in mm is there the largest share of the side. */
const SMALLEST_SHEET_MM = 20
const BISECTIONS = 12

/** Forms are linear if they hold this well at the ends of every gauge, as shares of the side. */
const LINEAR = 1e-7

/** What one folding gives: every size of the variant in its order, and the outline of the finished piece. */
interface Measured {
  readonly looseLocks: readonly string[]
  readonly sizes: readonly number[]
  readonly outline: readonly Point[]
}

function measured(program: FoldProgram, variant: VariantSource, gauges: GaugeShares): Measured {
  const { end, frames } = runProgram(program, gauges)
  const assembled = variant.assembly && assemble(variant.assembly, end, gauges)
  return {
    sizes: variant.sizes.map((size) => {
      if ('measure' in size) return measureAlong(end, size.measure, gauges)
      return 'assembled' in size && assembled ? measureAssembled(assembled, size.assembled) : NaN
    }),
    outline: assembled ? assembledOutline(assembled) : silhouetteOf(end.state),
    looseLocks: looseLocks(frames).map(({ step }) => program.steps[step]?.key ?? ''),
  }
}

/** The corners of one outline in the order of another's: turned round to where they lie closest. */
function aligned(outline: readonly Point[], like: readonly Point[]): readonly Point[] | null {
  if (outline.length !== like.length) return null
  const away = (shift: number) =>
    like.reduce((sum, p, index) => {
      const q = outline[(index + shift) % outline.length] ?? p
      return sum + (p.x - q.x) ** 2 + (p.y - q.y) ** 2
    }, 0)
  const shifts = outline.map((_, shift) => shift)
  const best = shifts.reduce((least, shift) => (away(shift) < away(least) ? shift : least), 0)
  return outline.map((p, index) => outline[(index + best) % outline.length] ?? p)
}

interface GaugeEnds {
  readonly key: string
  readonly standard: number
  readonly least: number
  readonly most: number
}

/** A linear form through what was measured: standard settings, and each gauge at both its ends. */
function linearForm(
  standard: number,
  ends: readonly { readonly gauge: GaugeEnds; readonly atLeast: number; readonly atMost: number }[],
): Linear | null {
  let share = standard
  const gauges: Record<string, number> = {}
  for (const { gauge, atLeast, atMost } of ends) {
    const slope = (atMost - atLeast) / (gauge.most - gauge.least)
    if (Math.abs(atLeast + slope * (gauge.standard - gauge.least) - standard) > LINEAR) return null
    if (Math.abs(slope) < LINEAR) continue
    const factor = tidy(slope)
    gauges[gauge.key] = factor
    share -= factor * gauge.standard
  }
  return Object.keys(gauges).length === 0 ? { share: tidy(share) } : { share: tidy(share), gauges }
}

/** Without the noise of doubles behind the twelfth digit. */
const tidy = (value: number): number => Math.round(value * 1e12) / 1e12 || 0

const wordsOf = ({ key, name, without, shaping, formSizes, assembly }: VariantSource) => ({
  key,
  name,
  without,
  ...(shaping === undefined ? {} : { shaping }),
  ...(formSizes === undefined ? {} : { formSizes }),
  ...(assembly === undefined ? {} : { assembly }),
})

function measuredVariant(source: DesignSource, variant: VariantSource): Variant {
  const program = programOf(mainPart(source), variant)
  const words = wordsOf(variant)
  if (!program) {
    const sizes = variant.sizes.flatMap((size): AxisSize[] => ('size' in size ? [size] : []))
    invariant(
      sizes.length === variant.sizes.length && variant.outline,
      `${source.id} states what it cannot measure`,
    )
    return { ...words, sizes, outline: variant.outline }
  }
  const ends = source.gauges.map((gauge): GaugeEnds => {
    const { standardMm, leastMm, mostMm } = gaugeRangeMm(gauge, MEASURED_AT_MM)
    return {
      key: gauge.key,
      standard: standardMm / MEASURED_AT_MM,
      least: leastMm / MEASURED_AT_MM,
      most: mostMm / MEASURED_AT_MM,
    }
  })
  const settings: Record<string, number> = Object.fromEntries(ends.map((end) => [end.key, end.standard]))
  const standard = measured(program, variant, settings)
  const atEnds = ends.map((gauge) => ({
    gauge,
    low: measured(program, variant, { ...settings, [gauge.key]: gauge.least }),
    high: measured(program, variant, { ...settings, [gauge.key]: gauge.most }),
  }))
  const form = (read: (one: Measured) => number): Linear | null =>
    linearForm(
      read(standard),
      atEnds.map(({ gauge, low, high }) => ({ gauge, atLeast: read(low), atMost: read(high) })),
    )
  const sizes = variant.sizes.map((size, index): AxisSize => {
    const { axis, label, derivation } = size
    const shaped = shapingOf(program, axis)
    if ('size' in size) return { ...size, ...shaped }
    const found = form((one) => one.sizes[index] ?? NaN)
    invariant(found, `${source.id}, ${label} (${index}): not linear in its gauges`)
    return { axis, label, derivation, size: found, ...shaped }
  })
  const loose = [
    ...new Set(
      [standard, ...atEnds.flatMap(({ low, high }) => [low, high])].flatMap((one) => one.looseLocks),
    ),
  ]
  const readings = variant.assembly ? [] : formReadings(program, variant, settings)
  return {
    ...words,
    sizes,
    outline: outlineForm(standard.outline, atEnds),
    ...(readings.length === 0 ? {} : { readings }),
    ...(loose.length === 0 ? {} : { looseLocks: loose }),
  }
}

/** Whether a variant folds with a gauge at that share, its sizes as the forms say. */
function foldsAt(source: DesignSource, variant: Variant, key: string, share: number): boolean {
  const written = source.variants.find((one) => one.key === variant.key)
  const program = written && programOf(mainPart(source), written)
  if (!program) return true
  const shares = Object.fromEntries(
    source.gauges.map((gauge) => [
      gauge.key,
      gaugeRangeMm(gauge, MEASURED_AT_MM).standardMm / MEASURED_AT_MM,
    ]),
  )
  const gauges = { ...shares, [key]: share }
  try {
    const found = measured(program, written, gauges)
    if (found.looseLocks.length > 0 && variant.looseLocks === undefined) return false
    return variant.sizes.every(({ size }, index) => {
      const said = Object.entries(size.gauges ?? {}).reduce(
        (sum, [name, factor]) => sum + factor * (gauges[name] ?? 0),
        size.share,
      )
      const got = found.sizes[index] ?? NaN
      return Number.isNaN(got) || Math.abs(got - said) < LINEAR
    })
  } catch (error) {
    if (error instanceof CoreError) return false
    throw error
  }
}

/** How large a share of the side a gauge in mm may be; none said where it folds on the smallest sheet still. */
function withLimit(source: DesignSource, variants: readonly Variant[], gauge: Gauge): Gauge {
  if (gauge.unit !== 'mm') return gauge
  const folds = (share: number) => variants.every((variant) => foldsAt(source, variant, gauge.key, share))
  let [good, bad] = [gauge.most / MEASURED_AT_MM, gauge.most / SMALLEST_SHEET_MM]
  if (folds(bad)) return gauge
  for (let step = 0; step < BISECTIONS; step++) {
    const middle = (good + bad) / 2
    if (folds(middle)) good = middle
    else bad = middle
  }
  return { ...gauge, foldsToShare: good }
}

/** The range of factors that the shaping steps of a program put on an axis; none where nothing shapes it. */
function shapingOf({ steps }: FoldProgram, axis: string): Pick<AxisSize, 'shaped'> {
  const factors = steps
    .flatMap(({ rounds }) => rounds.flatMap(({ moves }) => moves))
    .flatMap((move) =>
      move.kind === 'shape' && move.factor && (move.axes?.includes(axis) ?? true) ? [move.factor] : [],
    )
  return factors.length === 0
    ? {}
    : { shaped: factors.reduce(([low, high], [a, b]) => [low * a, high * b], [1, 1] as const) }
}

/** The outline's corners as linear forms; at a gauge whose end has other corners, as they stand by standard. */
function outlineForm(
  standard: readonly Point[],
  atEnds: readonly { readonly gauge: GaugeEnds; readonly low: Measured; readonly high: Measured }[],
): OutlineForm {
  const usable = atEnds.flatMap(({ gauge, low, high }) => {
    const [least, most] = [aligned(low.outline, standard), aligned(high.outline, standard)]
    // At an end where a tip just reaches an edge, corners fall together: the other end decides alone.
    if (most && least) return [{ gauge, least, most }]
    return most ? [{ gauge: { ...gauge, least: gauge.standard }, least: standard, most }] : []
  })
  const coordinate = (index: number, axis: 'x' | 'y'): Linear =>
    linearForm(
      standard[index]?.[axis] ?? 0,
      usable.map(({ gauge, least, most }) => ({
        gauge,
        atLeast: least[index]?.[axis] ?? 0,
        atMost: most[index]?.[axis] ?? 0,
      })),
    ) ?? { share: standard[index]?.[axis] ?? 0 }
  return standard.map((_, index) => ({ x: coordinate(index, 'x'), y: coordinate(index, 'y') }))
}

/**
 * Folds a design and measures it: sizes and outlines as linear forms of the sheet's side and the gauges, found at
 * the gauges' standards and ends and checked against one another.
 * *Cost* one folding for each variant and two for each of its gauges. *Throws* what the folding throws.
 */
export function measureDesign(source: DesignSource): DesignDocument {
  const parts = source.parts.map((part): DesignPart => ({
    ...part,
    stages: part.stages.map((stage) => ({
      ...stage,
      steps: stage.steps.map(({ rounds, ...step }): Step => {
        invariant(
          !rounds || rounds.length === step.repeats,
          `${source.id}, ${step.key}: ${step.repeats} repeats, other rounds`,
        )
        return step
      }),
    })),
  }))
  const { id, name, family, summary, origin, usualMinutes, guide } = source
  const variants = source.variants.map((variant) => measuredVariant(source, variant))
  const gauges = source.gauges.map((gauge) => withLimit(source, variants, gauge))
  return {
    id,
    name,
    family,
    summary,
    origin,
    usualMinutes,
    gauges,
    parts,
    variants,
    ...(guide ? { guide } : {}),
  }
}
