import { fold, type Amount, type MoveSpec, type PointSpec, type ShapeAct } from '../../fold'
import type { DesignSource, Gauge, Stage, StepSource } from '../types'
import { extent } from './sizes'
import { asSteps } from './steps'

const { off, onto, rotateBy, step, through, valley } = fold

/** The gauge every butterfly's body has, as a share of the side. */
export const bodyGauge = (standard: number): Gauge => ({
  key: 'body',
  name: 'body',
  match: ['neighbour', 'lay over'],
  explains: 'How far the ridge of the body stands up at the tail. Both wings lose as much of their width.',
  unit: 'side',
  standard,
  least: 0.015,
  most: 0.06,
})

/** How far the line of the ridge leans to the wing at the head: both wings rise by as much. */
export const LEAN_DEGREES = 12
const LEAN_SLOPE = Math.tan((LEAN_DEGREES * Math.PI) / 180)

/**
 * The last stage of a flat butterfly: halved, its upper wings folded back beside the ridge, turned upright, the body
 * rolled. The ridge leans: it starts at the tail and is widest at the head, so that the wings rise at their tips.
 */
export function bodyStage(options: {
  /** A place of the left half and the one it lies on once halved. */
  readonly left: PointSpec
  readonly right: PointSpec
  /** Where the ridge starts, on the middle at the tail. */
  readonly tail: PointSpec
  /** A place on the upper wing once it lies on the right, beyond the ridge. */
  readonly wing: PointSpec
  /** Layers of the upper pair at that place. */
  readonly layers: number
  /** What is done to the halved piece before the ridge. */
  readonly halved?: readonly StepSource[]
}): Stage<StepSource> {
  const { left, right, tail, wing, layers, halved = [] } = options
  const leaning = through(tail, off(tail, LEAN_SLOPE / 2, 1 / 2))
  const body: Amount = { gauges: { body: 1 } }
  // What is done to the halved piece would be lost in a form that is told of the open one.
  const lifted: Pick<
    Extract<MoveSpec, { kind: 'shape' }>,
    'acts' | 'before' | 'factor' | 'axes'
  > = halved.length === 0
    ? { before: 'halve', acts: wingsLifted({ left, right, tail }) }
    : { factor: [0.9, 1], axes: ['span'] }
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
            say: 'Upper pair of wings back, the body stays up',
            each: 'fold',
            rigour: 'free',
            note: 'All layers of the upper pair together, on a line that leans: narrow at the tail, wide at the head. The ridge is the body.',
          },
          valley({ beside: leaning, by: body, towards: right }, { moves: wing, take: { at: wing, layers } }),
        ),
        step(
          {
            key: 'upright',
            say: 'Turn it until the body is upright',
            each: 'turn',
            crease: 'none',
          },
          rotateBy(LEAN_DEGREES),
        ),
        step(
          {
            key: 'roll',
            say: 'Roll the body between finger and thumb, lift the wings',
            each: 'body',
            crease: 'rolled',
            rigour: 'free',
          },
          {
            kind: 'shape',
            name: 'round',
            model: 'The body pinched together behind, the wings lifted on both sides of it.',
            ...lifted,
          },
        ),
      ]),
    ],
  }
}

/** Both wings up from the body, which stands together behind them; told of the piece before it is halved. */
function wingsLifted({
  left,
  right,
  tail,
}: Record<'left' | 'right' | 'tail', PointSpec>): readonly ShapeAct[] {
  const side = (wing: PointSpec, lean: number): ShapeAct => ({
    act: 'bend',
    line: {
      beside: through(tail, off(tail, lean / 2, 1 / 2)),
      by: { gauges: { body: 1 } },
      towards: wing,
    },
    moves: wing,
    curve: [{ turn: { usual: -64, least: -50, most: -78 } }, { straight: 0.1 }, { roll: -14, over: 0.5 }],
  })
  const half = (wing: PointSpec): ShapeAct => ({
    act: 'bend',
    line: onto(left, right),
    moves: wing,
    curve: [{ turn: 86 }],
  })
  return [side(right, LEAN_SLOPE), side(left, -LEAN_SLOPE), half(right), half(left)]
}

/** The one variant of a butterfly, with how its span and its length follow on paper. */
export const risenWings = (onPaper: {
  readonly span: string
  readonly length: string
  readonly longLabel?: string
}): DesignSource['variants'][number] => ({
  key: 'plain',
  name: 'plain',
  without: [],
  sizes: [
    extent('span', 'wing tip to wing tip', 0, onPaper.span),
    extent('length', onPaper.longLabel ?? 'long', 90, onPaper.length),
  ],
  formSizes: [{ axis: 'standing', label: 'high, wings lifted', measure: 'height' }],
  shaping: 'Lifting the wings draws the span in a little.',
})
