import { fold, type LineSpec } from '../../fold'
import type { DesignSource } from '../types'
import { bodyGauge, bodyStage, risenWings } from './butterfly-body'
import { asSteps } from './steps'

const { at, foldAndUnfold, onto, rotateBy, step, through, turnOverUpright, valley } = fold

const AXIS = through(at(0.5, 0.5), at(1, 1))
/** Across the axis, at a place between the centre of the sheet and its top corner. */
const across = (share: number): LineSpec => ({ square: AXIS, via: at(share, share) })

/** How far from the axis the wing tips are folded in. */
const TIP = 0.56
const WING = at(0.25, 0.85)
export const offsetWingButterfly: DesignSource = {
  format: 2,
  id: 'offset-wing-butterfly',
  name: 'Offset-wing butterfly',
  family: 'butterfly',
  summary: 'For patterned paper: folded corner to corner with an offset, so that every wing has a rim.',
  origin: 'ours',
  guide: {
    skill: 'easy',
    tools: ['fingernail'],
    supplies: [],
    adhesive: null,
    dryingMinutes: 0,
    test: 'Both rims are of one width when it is held to the light.',
    cautions: [],
    rescue: [
      {
        symptom: 'The rim is wider on one side',
        remedy:
          'The corner is not on the middle crease: open and bring it back to it before the hard crease.',
      },
    ],
  },
  usualMinutes: 4,
  gauges: [
    {
      match: ['neighbour', 'halve', 'lay over'],
      key: 'offset',
      name: 'offset',
      explains: 'How far the rim of the plain side stands out beyond the patterned wing.',
      unit: 'side',
      standard: 0.1,
      least: 0.05,
      most: 0.16,
    },
    bodyGauge(0.03),
  ],
  parts: [
    {
      key: 'butterfly',
      name: 'butterfly',
      unitsPerPiece: 1,
      perSquare: 1,
      sideUp: 'colour down',
      sideUpReason: 'The pattern comes over in front; the other side stays as the rim.',
      sheet: { kind: 'square', turnedDegrees: 45 },
      stages: [
        {
          key: 'offset',
          name: 'Offset',
          steps: asSteps([
            step(
              {
                key: 'diagonal',
                say: 'Side corner to side corner, crease, open',
                each: 'diagonal',
                crease: 'light',
              },
              foldAndUnfold(onto(at(1, 0), at(0, 1))),
            ),
            step(
              {
                key: 'offset',
                look: ['both rims of one width', 'the corner on the middle crease'],
                say: 'Bottom corner up, short of the top by the gauge',
                each: 'fold',
                rigour: 'even',
                note: 'Compare both rims before the hard crease.',
              },
              valley(
                { beside: through(at(1, 0), at(0, 1)), by: { gauges: { offset: 0.5 } }, towards: at(0, 0) },
                { moves: at(0, 0) },
              ),
            ),
            step(
              {
                key: 'half-turn',
                normal: 'The rim points towards you now: it will edge the wings.',
                say: 'Half turn: folded edge away from you',
                each: 'turn',
                crease: 'none',
              },
              rotateBy(180),
            ),
          ]),
        },
        {
          key: 'waist',
          name: 'Waist',
          steps: asSteps([
            step({ key: 'over', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
            step(
              { key: 'tips', say: 'Wing tip in, square to the folded edge', each: 'tip', rigour: 'even' },
              ...[at(1, 0), at(0, 1)].map((corner) =>
                valley({ beside: AXIS, by: TIP, towards: corner }, { moves: corner }),
              ),
            ),
            step(
              { key: 'up', say: 'Lower part up, both layers', each: 'fold', rigour: 'even' },
              valley(across(0.72), { moves: at(1, 1) }),
            ),
            step(
              { key: 'down', say: 'Upper part down again, leaving a pleat', each: 'fold', rigour: 'even' },
              valley(across(0.79), { moves: at(1, 1), take: { at: at(0.85, 0.85), layers: 2 } }),
            ),
            step({ key: 'over-again', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
          ]),
        },
        bodyStage({ left: at(1, 0), right: at(0, 1), tail: at(1, 1), wing: WING, layers: 2 }),
      ],
    },
  ],
  variants: [
    risenWings({
      span: 'twice the distance of the lower corner of a wing, 0.56 S from the middle, from the ridge, which leans by 12 degrees from the tail: 2 S (0.56 cos 12° - 0.362 sin 12°), less twice the body.',
      length:
        'along the ridge, which leans by 12 degrees: the half diagonal and half the offset, less the pleat of twice 0.07 of the diagonal, times cos 12°, and the rise of the tip, 0.56 S sin 12°.',
    }),
  ],
}
