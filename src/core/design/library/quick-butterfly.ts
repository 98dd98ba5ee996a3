import { fold, type LineSpec, type PointSpec } from '../../fold'
import type { DesignSource } from '../types'
import { asSteps, stepsOfBase } from './steps'

const { at, lineOnto, onto, rotateBy, step, through, valley } = fold

const waterbomb = stepsOfBase('waterbomb')

/** The middle of the long edge, and the closed point. */
const MIDDLE = at(0.5, 0)
const POINT = at(0.5, 0.5)
/** The front flap's upper edge to the line from the middle to half way down the slanting side. */
const wing = (corner: PointSpec, halfWay: PointSpec, near: PointSpec): LineSpec =>
  lineOnto(through(MIDDLE, corner), through(MIDDLE, halfWay), near)

export const quickButterfly: DesignSource = {
  format: 2,
  id: 'quick-butterfly',
  name: 'Quick butterfly',
  family: 'butterfly',
  summary: 'From the waterbomb base: lower wings turned down, the body a rolled ridge.',
  origin: 'ours, on a traditional base',
  usualMinutes: 3,
  gauges: [
    {
      key: 'body',
      name: 'body',
      explains: 'How far the ridge of the body stands up. Both wings lose as much of their width.',
      unit: 'side',
      standard: 0.03,
      least: 0.015,
      most: 0.06,
    },
  ],
  parts: [
    {
      key: 'butterfly',
      name: 'butterfly',
      unitsPerPiece: 1,
      perSquare: 1,
      sideUp: 'colour down',
      sideUpReason: 'The base closes over the white side: all four wings show colour on both faces.',
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
                key: 'lower-wings',
                say: 'Front flap down, its upper edge to half way down the side',
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
        {
          key: 'body',
          name: 'Body',
          steps: asSteps([
            step(
              { key: 'halve', say: 'In half, wing on wing', each: 'fold', crease: 'burnished' },
              valley(onto(at(0, 0), at(1, 0))),
            ),
            step(
              {
                key: 'ridge',
                say: 'Upper pair of wings back, the body left standing',
                each: 'fold',
                rigour: 'free',
                note: 'All layers of the upper pair together. The ridge is the body.',
              },
              valley(
                { beside: through(MIDDLE, POINT), by: { gauges: { body: 1 } }, towards: at(1, 0) },
                { moves: at(1, 0), take: { at: at(0.4, 0.2), layers: 4 } },
              ),
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
        },
      ],
    },
  ],
  variants: [
    {
      key: 'plain',
      name: 'plain',
      without: [],
      sizes: [
        {
          axis: 'span',
          label: 'wing tip to wing tip',
          measure: { extentDegrees: 0 },
          derivation:
            'Measured on the folds. On paper: the long edge of the base, S, less twice the body on one side.',
        },
        {
          axis: 'length',
          label: 'long',
          measure: { extentDegrees: 90 },
          derivation: 'Measured on the folds. On paper: the height of the base, S / 2.',
        },
      ],
      shaping: 'Lifting the wings draws the span in a little.',
    },
  ],
}
