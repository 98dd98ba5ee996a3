import { fold, type LineSpec, type MoveSpec } from '../../fold'
import type { DesignSource } from '../types'
import { bodyGauge, bodyStage, risenWings } from './butterfly-body'
import { asSteps } from './steps'

const { mountain, plane, step, through, valley } = fold

const level = (y: number): LineSpec => through(plane(0.1, y), plane(0.9, y))
const FRONT = 1 / 4
const LAP = 0.43
const LAP_TOP = 0.48
const HEAD = 0.72
const SIDE = 1 / 8
/** From the middle of the upper edge down to the side: both shoulders leave a tongue between them. */
const shoulder = (right: boolean): MoveSpec => {
  const x = (value: number) => (right ? 1 - value : value)
  return mountain(through(plane(0.5, 1), plane(x(0.25), 0.75)), { moves: plane(x(0.01), 0.95) })
}
const lowerCorner = (right: boolean): MoveSpec => {
  const x = (value: number) => (right ? 1 - value : value)
  return mountain(through(plane(x(0.32), FRONT), plane(x(SIDE), FRONT + 0.15)), {
    moves: plane(x(SIDE + 0.001), FRONT + 0.001),
  })
}
const side = (right: boolean): MoveSpec => {
  const x = (value: number) => (right ? 1 - value : value)
  return mountain(through(plane(x(SIDE), 0.3), plane(x(SIDE), 0.5)), { moves: plane(x(0.01), 0.4) })
}

const TONGUE: readonly (readonly [number, number])[] = [
  [0.47, 0.9],
  [0.53, 0.9],
  [0.4, 0.97],
  [0.6, 0.97],
]
/** The tongue over the front layer, its tip under the lap. */
const lock: MoveSpec = {
  kind: 'tuck',
  name: 'tuck',
  line: level(HEAD),
  moves: plane(0.5, 0.9),
  take: TONGUE,
  hints: TONGUE.flatMap((layer) => [[[0.5, 0.1], layer] as const, [layer, [0.5, 0.04]] as const]),
}

export const lappedWingButterfly: DesignSource = {
  format: 2,
  id: 'lapped-wing-butterfly',
  name: 'Lapped-wing butterfly',
  family: 'butterfly',
  summary: 'The lower wings lap over the upper ones; a tongue from the head locks under the lap.',
  origin: 'ours',
  guide: {
    skill: 'demanding',
    tools: ['fingernail', 'bone folder'],
    supplies: [],
    adhesive: null,
    dryingMinutes: 0,
    test: 'Pull gently at the head: the tongue stays under the lap.',
    cautions: [],
    rescue: [
      {
        symptom: 'The tongue slips out',
        remedy: 'Push it further under and burnish its fold; a dot of glue for worn paper.',
      },
      { symptom: 'The lap gapes at the sides', remedy: 'Press the sides while the wings are still open.' },
    ],
  },
  usualMinutes: 7,
  gauges: [bodyGauge(0.03)],
  parts: [
    {
      key: 'butterfly',
      name: 'butterfly',
      unitsPerPiece: 1,
      perSquare: 1,
      sideUp: 'colour up',
      sideUpReason:
        'The front layer comes up over the light side, which the tongue and the shoulders then cover.',
      sheet: { kind: 'square' },
      stages: [
        {
          key: 'wings',
          name: 'Wings',
          steps: asSteps([
            step(
              { key: 'front', say: 'Lower edge up to the middle of the height', each: 'fold' },
              valley(level(FRONT), { moves: plane(0.5, 0) }),
            ),
            step(
              {
                key: 'shoulders',
                normal: 'It looks like a house: the roof becomes the tongue.',
                say: 'Upper corner behind, from the middle down',
                each: 'corner',
              },
              shoulder(false),
              shoulder(true),
            ),
            step(
              {
                key: 'sides',
                say: 'Side behind, an eighth of the width',
                each: 'side',
                rigour: 'even',
                tellsDepth: true,
              },
              side(false),
              side(true),
            ),
            step(
              { key: 'lower', say: 'Lower corner behind', each: 'corner', rigour: 'even' },
              lowerCorner(false),
              lowerCorner(true),
            ),
          ]),
        },
        {
          key: 'lap',
          name: 'Lap and lock',
          steps: asSteps([
            step(
              { key: 'up', say: 'Lower part up', each: 'fold', rigour: 'even' },
              valley(level(LAP), { moves: plane(0.5, FRONT + 0.01) }),
            ),
            step(
              {
                key: 'down',
                look: ['the lap runs level', 'both layers came down together'],
                say: 'Down again, so that it laps over the upper wings',
                each: 'fold',
                rigour: 'even',
              },
              valley(level(LAP_TOP), { moves: plane(0.5, 0.55), take: { at: plane(0.45, 0.5), layers: 2 } }),
            ),
            step(
              {
                key: 'lock',
                look: ['the tip is under the lap'],
                say: 'Tongue down over the front, its tip under the lap',
                each: 'lock',
                crease: 'burnished',
              },
              lock,
            ),
          ]),
        },
        bodyStage({
          left: plane(0.2, 0.5),
          right: plane(0.8, 0.5),
          tail: plane(0.5, 0.35),
          wing: plane(0.85, 0.49),
          layers: 1,
        }),
      ],
    },
  ],
  variants: [
    risenWings({
      span: 'both sides go behind by an eighth; twice the distance of the lower corner of a wing from the ridge, which leans by 12 degrees from the tail: 2 S (0.375 cos 12° - 0.08 sin 12°), less twice the body.',
      length:
        'along the ridge, which leans by 12 degrees: from the lower fold at 1/4 to the fold of the tongue at 0.72, less the lap of twice 0.05, 0.37 S cos 12°, and the rise of the shoulder, 0.28 S sin 12°.',
    }),
  ],
}
