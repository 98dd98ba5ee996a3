import {
  measureAlong,
  runProgram,
  SHAPING_TOOLS,
  type FoldProgram,
  type GaugeShares,
  type MeasureSpec,
  type ShapingTool,
} from '../fold'
import { largest, least } from '../numeric'
import {
  computedSteps,
  extentOf,
  measureForm,
  shapedForm,
  shapingSteps,
  type ShapedForm,
  type ShapingStep,
} from '../shape'
import type { FormReading, VariantSource } from './types'

/** Sheets on which forms over tools are read; between them sizes are interpolated. */
const SHEETS_MM = [60, 150, 300]
const STANDARD_MM = 150
const ANGLES = ['usual', 'least', 'most'] as const

/** The tools that a piece may be rolled over, the usual one first; none where there is no choice. */
function toolsOf(steps: readonly ShapingStep[]): readonly ShapingTool[] {
  const named = steps.flatMap(({ move }) =>
    (move.acts ?? []).flatMap((act) =>
      'curve' in act
        ? act.curve.flatMap((part) =>
            'over' in part && typeof part.over === 'object' && 'tools' in part.over ? part.over.tools : [],
          )
        : [],
    ),
  )
  const [usual] = named
  if (usual === undefined) return []
  return [usual, ...SHAPING_TOOLS.filter((tool) => tool !== usual && named.includes(tool))]
}

/** A size of a form along an axis that the flat piece has too. */
function alongAxis(form: ShapedForm, measure: MeasureSpec['measure']): number | null {
  if (!('extentDegrees' in measure)) return null
  const angle = (measure.extentDegrees * Math.PI) / 180
  return extentOf(form, form.turned({ x: Math.cos(angle), y: Math.sin(angle), z: 0 }))
}

function sizesOf(
  form: ShapedForm,
  variant: VariantSource,
): readonly { readonly axis: string; readonly share: number }[] {
  const known = variant.sizes.flatMap((size) => {
    const share = 'measure' in size && !size.flatOnly ? alongAxis(form, size.measure) : null
    return share === null ? [] : [{ axis: size.axis, share }]
  })
  const own = (variant.formSizes ?? []).map(({ axis, measure }) => ({
    axis,
    share: measureForm(form, measure),
  }))
  return [...known, ...own]
}

/**
 * Sizes of a variant's form on sheets of different sizes and over every tool; none where its shaping is not computed, or
 * where a form misses a gate. *Cost* a form for each tool, sheet and end of its angles: 10 to 50 ms each.
 */
export function formReadings(
  program: FoldProgram,
  variant: VariantSource,
  gauges: GaugeShares,
): readonly FormReading[] {
  const trace = runProgram(program, gauges)
  const { state } = trace.end
  const steps = computedSteps(shapingSteps(program, trace), state, { gauges, sheetMm: STANDARD_MM })
  if (steps.length === 0) return []
  const flat = new Map(
    program.measures.map(({ axis, measure }) => [axis, measureAlong(trace.end, measure, gauges)]),
  )
  const tools = toolsOf(steps)
  const asked = tools.length === 0 ? [null] : tools
  return asked.flatMap((tool) =>
    (tool === null ? [STANDARD_MM] : SHEETS_MM).map((sheetMm): FormReading => {
      const settings = { gauges, sheetMm, coarse: true, ...(tool ? { tool } : {}) } as const
      const ends = ANGLES.flatMap((angles) =>
        sizesOf(shapedForm(steps, state, { ...settings, angles }), variant),
      )
      const axes = [...new Set(ends.map(({ axis }) => axis))]
      return {
        tool,
        sheetMm,
        sizes: axes.map((axis) => {
          const [usual = 0, ...others] = ends.flatMap((one) => (one.axis === axis ? [one.share] : []))
          const all = [usual, ...others]
          return { axis, flat: flat.get(axis) ?? null, lowest: least(all), usual, highest: largest(all) }
        }),
      }
    }),
  )
}
