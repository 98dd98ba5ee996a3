import { fold, type LineSpec, type MoveSpec, type PointSpec } from '../../fold'
import type { DesignSource } from '../types'
import { bodyGauge, bodyStage, risenWings } from './butterfly-body'
import { asSteps, stepsOfBase } from './steps'

const { at, foldAndUnfold, lineOnto, onto, rotateBy, step, through, valley } = fold

const waterbomb = stepsOfBase('waterbomb')

/** The middle of the long edge, and the closed point. */
const MIDDLE = at(0.5, 0)
const POINT = at(0.5, 0.5)
/** The front flap's upper edge to the line from the middle to the pinch half way down the slanting side. */
const wing = (corner: PointSpec, halfWay: PointSpec, near: PointSpec): LineSpec =>
  lineOnto(through(MIDDLE, corner), through(MIDDLE, halfWay), near)

/** A short crease half way down a slanting side, where the tip comes to the closed point. */
const halfWayDown = (tip: PointSpec, side: PointSpec, inwards: PointSpec): MoveSpec =>
  foldAndUnfold(onto(tip, POINT), { between: [side, inwards] })

export const quickButterfly: DesignSource = {
  format: 2,
  id: 'quick-butterfly',
  name: 'Quick butterfly',
  family: 'butterfly',
  summary: 'From the waterbomb base: lower wings turned down, the body a rolled ridge.',
  origin: 'ours, on a traditional base',
  guide: {
    skill: 'easy',
    tools: ['fingernail'],
    supplies: [],
    adhesive: null,
    dryingMinutes: 0,
    test: 'Set down it stands on its wing edges, body up.',
    cautions: [],
    rescue: [
      {
        symptom: 'One wing is lower',
        remedy: 'The ridge is not parallel to the middle: open it and take both wings by their tips.',
      },
      { symptom: 'The lower wings differ', remedy: 'Lay the piece in half and bring one onto the other.' },
    ],
  },
  usualMinutes: 3,
  gauges: [bodyGauge(0.03)],
  parts: [
    {
      key: 'butterfly',
      name: 'butterfly',
      unitsPerPiece: 1,
      perSquare: 1,
      sideUp: 'colour down',
      sideUpReason: 'The base closes over the white side: all four wings show colour on both faces.',
      base: { id: 'waterbomb', stages: 1 },
      sheet: { kind: 'square' },
      stages: [
        { key: 'base', name: 'Waterbomb base', steps: asSteps(waterbomb) },
        {
          key: 'wings',
          name: 'Wings',
          steps: asSteps([
            step(
              { key: 'half-turn', say: 'Half turn: the point towards you', each: 'turn', crease: 'none' },
              rotateBy(180),
            ),
            step(
              {
                key: 'half-way',
                say: 'Tip to the closed point, pinch the slanting side',
                each: 'pinch',
                crease: 'pinch',
              },
              halfWayDown(at(1, 0), at(0.75, 0.25), at(0.7, 0.2)),
              halfWayDown(at(0, 0), at(0.25, 0.25), at(0.3, 0.2)),
            ),
            step(
              {
                key: 'lower-wings',
                look: ['both lower wings come equally far out'],
                say: 'Front flap down, its upper edge to the pinch on the side',
                each: 'flap',
                rigour: 'even',
                note: 'Only the front flap: the back one is the upper wing.',
              },
              valley(wing(at(1, 0), at(0.75, 0.25), at(0.8, 0.1)), {
                moves: at(1, 1),
                take: { at: at(0.98, 0.99), layers: 1 },
              }),
              valley(wing(at(0, 0), at(0.25, 0.25), at(0.2, 0.1)), {
                moves: at(0, 1),
                take: { at: at(0.02, 0.99), layers: 1 },
              }),
            ),
          ]),
        },
        bodyStage({
          left: at(1, 0),
          right: at(0, 0),
          tail: POINT,
          wing: at(0.65, 0.3),
          layers: 4,
        }),
      ],
    },
  ],
  variants: [
    risenWings({
      span: 'twice the distance of a tip of the long edge from the ridge, which leans by 12 degrees from the closed point: S (cos 12° - sin 12°), less twice the body.',
      length: 'from a risen tip to the closed point: (cos 12° + sin 12°) S / 2.',
    }),
  ],
}
