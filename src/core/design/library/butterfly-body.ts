import { fold, type Amount, type LineSpec, type PointSpec } from '../../fold'
import type { Gauge, Stage, StepSource } from '../types'
import { asSteps } from './steps'

const { onto, step, valley } = fold

/** The gauge every butterfly's body has, as a share of the side. */
export const bodyGauge = (standard: number): Gauge => ({
  key: 'body',
  name: 'body',
  match: ['neighbour', 'lay over'],
  explains: 'How far the ridge of the body stands up. Both wings lose as much of their width.',
  unit: 'side',
  standard,
  least: 0.015,
  most: 0.06,
})

/** The last stage of a flat butterfly: halved, its upper wings folded back beside the ridge, the body rolled. */
export function bodyStage(options: {
  /** A place of the left half and the one it lies on once halved. */
  readonly left: PointSpec
  readonly right: PointSpec
  /** The middle, and a place on the upper wing once it lies on the right, beyond the ridge. */
  readonly middle: LineSpec
  readonly wing: PointSpec
  /** Layers of the upper pair at that place. */
  readonly layers: number
  /** What is done to the halved piece before the ridge. */
  readonly halved?: readonly StepSource[]
}): Stage<StepSource> {
  const { left, right, middle, wing, layers, halved = [] } = options
  const body: Amount = { gauges: { body: 1 } }
  return {
    key: 'body',
    name: 'Body',
    steps: [
      ...asSteps([
        step(
          { key: 'halve', say: 'In half, wing on wing', each: 'fold', crease: 'burnished' },
          valley(onto(left, right)),
        ),
      ]),
      ...halved,
      ...asSteps([
        step(
          {
            key: 'ridge',
            say: 'Upper pair of wings back, the body left standing',
            each: 'fold',
            rigour: 'free',
            note: 'All layers of the upper pair together. The ridge is the body.',
          },
          valley({ beside: middle, by: body, towards: right }, { moves: wing, take: { at: wing, layers } }),
        ),
        step(
          {
            key: 'roll',
            say: 'Roll the body between finger and thumb, wings a little up',
            each: 'body',
            crease: 'rolled',
            rigour: 'free',
          },
          {
            kind: 'shape',
            name: 'round',
            model: 'Lifting the wings draws the span in a little. Common practice, no source.',
            factor: [0.9, 1],
            axes: ['span'],
          },
        ),
      ]),
    ],
  }
}
