import { runProgram } from '../fold'
import { computedSteps, shapedForm, shapingSteps, type ShapedForm, type ShapeSettings } from '../shape'
import { assemble, turnedAbout, type Assembled } from './assembly'
import { mainPart, variantOf } from './find'
import { programOf } from './program'
import type { Assembly, DesignSource } from './types'

/** A finished piece in space, and in how far hands have shaped it. */
export interface FinishedForm {
  readonly form: ShapedForm
  /** The shaping steps of the variant that are computed, by key, in their order; none where the form misses a gate. */
  readonly shapedBy: readonly string[]
}

/**
 * A finished piece as it is in the hand: shaped where its shaping is computed, flat where it is not or is not asked for.
 * `shapings` says how many of its shaping steps are done; all of them unless said. `null` where the design has no moves.
 * *Throws* what folding and shaping throw.
 */
export function finishedForm(
  source: DesignSource,
  variantKey: string,
  settings: ShapeSettings,
  shapings = Infinity,
): FinishedForm | null {
  const part = mainPart(source)
  const variant = variantOf(source, variantKey)
  const program = programOf(part, variant)
  if (!program) return null
  const trace = runProgram(program, settings.gauges)
  const { state } = trace.end
  const steps = computedSteps(shapingSteps(program, trace), state, settings)
  const form = shapedForm(steps.slice(0, shapings), state, settings)
  return {
    form: variant.assembly
      ? laidAround(form, assemble(variant.assembly, trace.end, settings.gauges), variant.assembly.next)
      : form,
    shapedBy: steps.map(({ step }) => program.steps[step]?.key ?? ''),
  }
}

/** Units of one form around their centre: the half of the ring on one side of a unit lies over it, the other under it. */
function laidAround(
  form: ShapedForm,
  { centre, stepRad, units }: Assembled,
  next: Assembly['next'],
): ShapedForm {
  const count = units.length
  const faces = form.flipped.length
  return {
    ...form,
    patches: units.flatMap((_, unit) =>
      form.patches.map((patch) => ({
        ...patch,
        face: unit * faces + patch.face,
        spots: patch.spots.map((spot) => ({ ...turnedAbout(centre, unit * stepRad, spot), z: spot.z })),
      })),
    ),
    flipped: units.flatMap(() => form.flipped),
    above: (one, other) => {
      const [unit, beside] = [Math.floor(one / faces), Math.floor(other / faces)]
      if (unit === beside) return form.above(one % faces, other % faces)
      const ahead = (unit - beside + count) % count
      return 2 * ahead < count === (next === 'over') ? 1 : -1
    },
  }
}
