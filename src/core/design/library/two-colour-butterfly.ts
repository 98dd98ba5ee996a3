import { fold, type LineSpec, type MoveSpec, type PointSpec } from '../../fold'
import type { DesignSource } from '../types'
import { bodyGauge, bodyStage, risenWings } from './butterfly-body'
import { asSteps } from './steps'

const { at, foldAndUnfold, mountain, onto, plane, step, through, turnOverUpright, valley } = fold

const level = (y: number): LineSpec => through(plane(0.25, y), plane(0.75, y))
/** Half as high as wide. */
const HIGH = 1 / 2
/** A pinch at the lower edge, where one place of it comes onto another. */
const pinch = (from: number, to: number): MoveSpec => {
  const x = (from + to) / 2
  return foldAndUnfold(onto(at(from, 0), at(to, 0)), { between: [plane(x, 0), plane(x, 0.05)] })
}
/** Three thirty-seconds of the side: from a sixteenth onto an eighth. Our own fraction. */
const BAND = 3 / 32

/** Half the height at a side, once the band is over. */
const sidePinch = (right: boolean): MoveSpec => {
  const x = right ? 1 - BAND : BAND
  return foldAndUnfold(onto(plane(1 / 2, 0), plane(1 / 2, HIGH)), {
    between: [plane(x, WAIST), plane(right ? x - 0.04 : x + 0.04, WAIST)],
  })
}
/** On this side of the piece, so far from its edge. */
const on = (right: boolean, x: number, y: number): PointSpec => plane(right ? 1 - x : x, y)
const upperCorner = (right: boolean): MoveSpec =>
  mountain(onto(on(right, BAND, HIGH), on(right, 2 * BAND, HIGH - BAND)))
/** From the pinch in the middle of the lower edge to that in the middle of the side. */
const lowerCorner = (right: boolean): MoveSpec =>
  mountain(through(plane(1 / 2, 0), on(right, BAND, WAIST)), { moves: on(right, BAND + 0.001, 0.001) })
/** Half the height; the pleat of the waist stands up from there. */
const WAIST = HIGH / 2
const PLEAT = 0.05

export const twoColourButterfly: DesignSource = {
  format: 2,
  id: 'two-colour-butterfly',
  name: 'Two-colour butterfly',
  family: 'butterfly',
  summary: 'Bands of the other side at the wing tips, found by a chain of pinch marks.',
  origin: 'ours',
  guide: {
    skill: 'steady',
    tools: ['fingernail', 'bone folder'],
    supplies: [],
    adhesive: null,
    dryingMinutes: 0,
    test: 'The bands are of one width on both wings.',
    cautions: [],
    rescue: [
      {
        symptom: 'The bands differ',
        remedy: 'One chain of pinches started from the other side: pinch again from the same edge.',
      },
      {
        symptom: 'A pinch shows on the wing',
        remedy: 'Keep the pinches at the edge, no longer than a fingertip.',
      },
    ],
  },
  usualMinutes: 8,
  gauges: [bodyGauge(0.03)],
  parts: [
    {
      key: 'butterfly',
      name: 'butterfly',
      unitsPerPiece: 1,
      perSquare: 1,
      sideUp: 'colour up',
      sideUpReason: 'The middle of the wings shows the side that is up, the bands the other one.',
      sheet: { kind: 'rectangle', height: HIGH },
      stages: [
        {
          key: 'marks',
          name: 'Pinch marks',
          steps: asSteps([
            step(
              {
                key: 'half',
                say: 'Side to side, pinch the middle at the lower edge',
                each: 'pinch',
                crease: 'pinch',
              },
              pinch(0, 1),
            ),
            step(
              { key: 'quarters', say: 'Edge to the pinch, pinch a quarter', each: 'pinch', crease: 'pinch' },
              pinch(0, 1 / 2),
              pinch(1, 1 / 2),
            ),
            step(
              { key: 'eighths', say: 'Edge to the quarter, pinch an eighth', each: 'pinch', crease: 'pinch' },
              pinch(0, 1 / 4),
              pinch(1, 3 / 4),
            ),
            step(
              {
                key: 'sixteenths',
                normal: 'So many marks at the edge: only the last pair is used.',
                say: 'Edge to the eighth, pinch a sixteenth',
                each: 'pinch',
                crease: 'pinch',
              },
              pinch(0, 1 / 8),
              pinch(1, 7 / 8),
            ),
          ]),
        },
        {
          key: 'bands',
          name: 'Bands',
          steps: asSteps([
            step(
              {
                key: 'bands',
                look: ['both bands of one width', 'edges parallel'],
                say: 'Sixteenth onto the eighth: fold the band over',
                each: 'band',
                note: 'Half way from a sixteenth to an eighth: three thirty-seconds.',
              },
              valley(onto(at(1 / 16, 0), at(1 / 8, 0))),
              valley(onto(at(15 / 16, 0), at(7 / 8, 0))),
            ),
            step(
              {
                key: 'upper',
                say: 'Upper corner behind, from the inner end of the band’s top',
                each: 'corner',
                rigour: 'even',
                note: 'Squarely: as much of the side goes behind as of the top, and the tip comes to lie under the band’s inner edge.',
              },
              upperCorner(false),
              upperCorner(true),
            ),
            step(
              {
                key: 'half-height',
                say: 'Lower edge to the upper, pinch at the side',
                each: 'pinch',
                crease: 'pinch',
              },
              sidePinch(false),
              sidePinch(true),
            ),
            step(
              {
                key: 'lower',
                say: 'Lower corner behind, from the middle pinch to the side pinch',
                each: 'corner',
                rigour: 'even',
              },
              lowerCorner(false),
              lowerCorner(true),
            ),
          ]),
        },
        {
          key: 'waist',
          name: 'Waist',
          steps: asSteps([
            step({ key: 'over', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
            step(
              { key: 'up', say: 'Tip up to the middle of the upper edge', each: 'fold', rigour: 'even' },
              valley(onto(plane(0.5, 0), plane(0.5, HIGH))),
            ),
            step(
              {
                key: 'down',
                say: 'Tip down again, leaving a pleat as wide as told',
                each: 'fold',
                rigour: 'even',
              },
              valley(level(WAIST + PLEAT), {
                moves: plane(0.5, 0.4),
                take: { at: plane(0.45, 0.4), layers: 1 },
              }),
            ),
            step({ key: 'over-again', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
          ]),
        },
        bodyStage({
          left: plane(0.25, 0.35),
          right: plane(0.75, 0.35),
          tail: plane(0.5, 0.1),
          wing: plane(0.75, 0.4),
          layers: 1,
        }),
      ],
    },
  ],
  variants: [
    risenWings({
      span: 'both bands of 3/32 are folded in; twice the distance of the lower corner of a band from the ridge, which leans by 12 degrees from the tail: 2 S (13/32 cos 12° - 0.15 sin 12°), less twice the body.',
      length:
        'along the ridge, which leans by 12 degrees: the height of the sheet, S / 2, less the pleat of twice 0.05, 0.4 S cos 12°, and the rise of the upper corner, 5/16 S sin 12°.',
    }),
  ],
}
