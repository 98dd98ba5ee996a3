import { CoreError } from '../errors'
import { amountOf, type AngleSpec, type GaugeShares, type RadiusSpec, type ShapingTool } from '../fold'

/** What paper is rolled over, as a radius. Common practice, no source: a toothpick to a thick pen. */
export const TOOL_RADIUS_MM: Readonly<Record<ShapingTool, number>> = {
  toothpick: 2,
  skewer: 3,
  pencil: 7,
  pen: 9,
}

/** What a form is made with. */
export interface ShapeSettings {
  /** Gauges as shares of the side. */
  readonly gauges: GaugeShares
  /** The sheet's side: tools are as thick on a large sheet as on a small one. */
  readonly sheetMm: number
  /** What it is rolled over, where there is a choice; by itself the first one named. */
  readonly tool?: ShapingTool
  /** Angles as they are usually set, or at the ends of what hands do. */
  readonly angles?: 'usual' | 'least' | 'most'
  /** In wide strips: for sizes, not to be looked at. Rolls are a fifth of a hundredth larger by it. */
  readonly coarse?: true
}

const RADIANS = Math.PI / 180

export function angleRad({ angles = 'usual' }: ShapeSettings, angle: AngleSpec): number {
  return (typeof angle === 'number' ? angle : angle[angles]) * RADIANS
}

/** A radius as a share of the side. *Throws* `OUT_OF_RANGE` unless it is above zero. */
export function radiusOf(settings: ShapeSettings, radius: RadiusSpec): number {
  const share =
    typeof radius === 'object' && 'tools' in radius
      ? TOOL_RADIUS_MM[radius.tools.find((one) => one === settings.tool) ?? radius.tools[0]] /
        settings.sheetMm
      : amountOf(settings, radius)
  if (!(share > 0)) throw new CoreError('OUT_OF_RANGE', { name: 'radius of a roll', value: share, min: 0 })
  return share
}
