import { fold, type Amount, type LineSpec } from '../../fold'
import type { DesignSource } from '../types'
import { bodyGauge, bodyStage, risenWings } from './butterfly-body'
import { asSteps, creaseDiagonals } from './steps'

const { at, onto, off, plane, step, through, turnOverUpright, valley } = fold

/** A square on its corner: shares of the half diagonal from its centre, to the right and up. */
const H = Math.SQRT1_2
const spot = (right: number, up: number) => plane(0.5 + right * H, 0.5 + up * H)
const level = (up: Amount): LineSpec => {
  const y: Amount =
    typeof up === 'number' ? 0.5 + up * H : { share: 0.5 + (up.share ?? 0) * H, gauges: up.gauges }
  return through(plane(0, y), plane(1, y))
}
const MIDDLE = through(spot(0, -0.5), spot(0, 0.5))

export const raisedHeadButterfly: DesignSource = {
  format: 2,
  id: 'raised-head-butterfly',
  name: 'Raised-head butterfly',
  family: 'butterfly',
  summary: 'From a square on its corner: the top corner pleats to a head above the wings.',
  origin: 'ours',
  guide: {
    skill: 'steady',
    tools: ['fingernail', 'bone folder'],
    supplies: [],
    adhesive: null,
    dryingMinutes: 0,
    test: 'The head stands up by itself when the wings are level.',
    cautions: [],
    rescue: [
      {
        symptom: 'The head is askew',
        remedy: 'The tip is not on the middle crease: open the pleat and set it there.',
      },
      { symptom: 'The pleat slides open', remedy: 'Burnish it on both sides before the piece is halved.' },
    ],
  },
  usualMinutes: 5,
  gauges: [
    {
      match: ['neighbour', 'lay over'],
      key: 'head',
      name: 'head',
      explains: 'How far the tip stands up above the edge of the upper wings.',
      unit: 'side',
      standard: 0.1,
      least: 0.08,
      most: 0.14,
    },
    bodyGauge(0.03),
  ],
  parts: [
    {
      key: 'butterfly',
      name: 'butterfly',
      unitsPerPiece: 1,
      perSquare: 1,
      sideUp: 'colour up',
      sideUpReason: 'The wings show the side that is up.',
      sheet: { kind: 'square', turnedDegrees: 45 },
      stages: [
        {
          key: 'head',
          name: 'Head and tail',
          steps: asSteps([
            creaseDiagonals,
            step({ key: 'over', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
            step(
              { key: 'top', say: 'Top corner to the centre', each: 'corner' },
              valley(onto(at(1, 1), at(0.5, 0.5))),
            ),
            step(
              {
                key: 'head',
                normal: 'The tip goes back up over its own fold: that is the head.',
                look: ['the tip on the middle', 'it stands out over the edge by the gauge'],
                say: 'Its tip back up, out over the edge, to the gauge',
                each: 'tip',
                rigour: 'free',
                note: 'What stands out above the edge is the head.',
              },
              valley(level({ share: 0.25, gauges: { head: 0.5 } }), {
                moves: at(1, 1),
                take: { at: off(at(1, 1), 0, 0.01), layers: 1 },
              }),
            ),
            step(
              {
                key: 'tips',
                say: 'Side corner in, only its tip',
                each: 'corner',
                tellsDepth: true,
                rigour: 'even',
              },
              ...[at(1, 0), at(0, 1)].map((corner) =>
                valley({ beside: MIDDLE, by: 0.88 * H, towards: corner }, { moves: corner }),
              ),
            ),
            step(
              { key: 'tail', say: 'Bottom corner up, to the measure', each: 'corner', rigour: 'free' },
              valley(level(-0.85), { moves: at(0, 0) }),
            ),
          ]),
        },
        {
          key: 'waist',
          name: 'Waist',
          steps: asSteps([
            step(
              { key: 'up', say: 'Lower part up', each: 'fold', rigour: 'even' },
              valley(level(-0.12), { moves: spot(0, -0.5) }),
            ),
            step(
              {
                key: 'down',
                look: ['the pleat runs level'],
                say: 'Upper part down again, leaving a pleat',
                each: 'fold',
                rigour: 'even',
              },
              valley(level(0.03), { moves: spot(0, 0.2), take: { at: spot(0.1, 0.2), layers: 1 } }),
            ),
            step({ key: 'over-again', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
          ]),
        },
        bodyStage({
          left: spot(-0.5, 0.2),
          right: spot(0.5, 0.2),
          tail: spot(0, -0.55),
          wing: spot(0.4, 0.2),
          layers: 1,
        }),
      ],
    },
  ],
  variants: [
    risenWings({
      span: 'twice the distance of the lowest corner of a wing from the ridge, which leans by 12 degrees from the tail: 2 x 0.7071 S (0.88 cos 12° - 0.43 sin 12°), less twice the body.',
      length:
        'along the ridge, which leans by 12 degrees: from the head above the upper edge, at half of the half diagonal, to the tail at 0.85 of it, less the pleat of 0.30; 1.05 x 0.7071 S and the head, times cos 12°.',
      longLabel: 'long from head to tail',
    }),
  ],
}
