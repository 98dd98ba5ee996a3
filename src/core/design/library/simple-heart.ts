import { fold, type LineSpec } from '../../fold'
import type { DesignSource } from '../types'
import { asSteps, creaseDiagonals } from './steps'
import { extent } from './sizes'

const { at, lineOnto, onto, step, through, turnOverUpright, valley } = fold

/** From the bottom point up; where the folded bottom edge and the top edge cross it. */
const middle = through(at(0.375, 0.375), at(0.75, 0.75))
/** Half of the folded bottom edge, brought up along the middle. */
const sideUp = (right: boolean): LineSpec =>
  lineOnto(
    through(at(0.375, 0.375), right ? at(0.75, 0) : at(0, 0.75)),
    middle,
    right ? at(0.8, 0.3) : at(0.3, 0.8),
  )
/** Where the two raised edges end, beside one another on the middle. */
const notchLevel: LineSpec = { square: middle, via: at(0.75, 0) }
/** Side tips stand 5/8 of the half diagonal out and are folded in to 9/16: our own proportion. */
const SIDE = (9 / 16) * Math.SQRT1_2

export const simpleHeart: DesignSource = {
  format: 2,
  id: 'simple-heart',
  name: 'Simple heart',
  family: 'heart',
  summary: 'From a square stood on its corner; the sides come up along the middle.',
  origin: 'traditional; the rounding of the tips is our own proportion',
  guide: {
    skill: 'easy',
    tools: ['fingernail', 'bone folder'],
    supplies: [],
    adhesive: null,
    dryingMinutes: 0,
    test: 'It lies flat, the two halves meet on one line.',
    cautions: [],
    rescue: [
      {
        symptom: 'The bottom is blunt',
        remedy: 'The edges did not start at the same place: open both, set the first on the middle crease.',
      },
      { symptom: 'One lobe is higher', remedy: 'Turn it over and fold the higher tip by the difference.' },
    ],
  },
  usualMinutes: 4,
  gauges: [],
  parts: [
    {
      key: 'heart',
      name: 'heart',
      unitsPerPiece: 1,
      perSquare: 1,
      sideUp: 'colour down',
      sideUpReason:
        'The front is what comes up over the white side. The back shows white at the top, under the tips.',
      sheet: { kind: 'square', turnedDegrees: 45 },
      stages: [
        {
          key: 'creases',
          name: 'Diagonals',
          steps: asSteps([creaseDiagonals]),
        },
        {
          key: 'body',
          name: 'Body',
          steps: asSteps([
            step(
              { key: 'top', say: 'Top corner down to the centre', each: 'corner' },
              valley(onto(at(1, 1), at(0.5, 0.5))),
            ),
            step(
              {
                key: 'bottom',
                normal: 'It looks like a boat: the sides come up in a moment.',
                say: 'Bottom corner up to the top edge',
                each: 'corner',
              },
              valley(onto(at(0, 0), at(0.75, 0.75))),
            ),
            step(
              {
                key: 'sides',
                look: ['the point at the bottom is sharp', 'both edges meet on the middle line'],
                say: 'Bottom edge up along the middle',
                each: 'side',
                crease: 'burnished',
                note: 'Both edges meet on the middle line. The point at the bottom must be sharp.',
              },
              valley(sideUp(true), { moves: at(0.75, 0) }),
              valley(sideUp(false), { moves: at(0, 0.75) }),
            ),
          ]),
        },
        {
          key: 'tips',
          name: 'Round off',
          steps: asSteps([
            step({ key: 'over', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
            step(
              { key: 'top-tips', say: 'Top tip down, level with the notch', each: 'tip', rigour: 'even' },
              valley(
                { point: at(1, 0), ontoLine: notchLevel, square: middle },
                { take: { at: at(0.98, 0.04), layers: 1 } },
              ),
              valley(
                { point: at(0, 1), ontoLine: notchLevel, square: middle },
                { take: { at: at(0.04, 0.98), layers: 1 } },
              ),
            ),
            step(
              { key: 'side-tips', say: 'Side tip in, half as much', each: 'tip', rigour: 'even' },
              ...[at(1, 0.375), at(0.375, 1)].map((tip) =>
                valley({ beside: middle, by: SIDE, towards: tip }, { moves: tip }),
              ),
            ),
            step(
              { key: 'front', say: 'Turn back to the front', each: 'turn', crease: 'none' },
              turnOverUpright,
            ),
          ]),
        },
      ],
    },
  ],
  variants: [
    {
      key: 'rounded',
      name: 'rounded',
      without: [],
      sizes: [
        extent(
          'width',
          'wide',
          0,
          'each side tip at 5/8 of the half diagonal is folded in by 1/16, 9/8 of 0.7071 S.',
        ),
        extent(
          'height',
          'high',
          90,
          'the top tips, 1/4 of the half diagonal above the notch, are halved, 7/8 of 0.7071 S.',
        ),
      ],
    },
    {
      key: 'pointed',
      name: 'pointed',
      without: ['over', 'top-tips', 'side-tips', 'front'],
      sizes: [
        extent(
          'width',
          'wide',
          0,
          'the sides fold along 45 degrees from the bottom point out to 5/8 of the half diagonal.',
        ),
        extent('height', 'high', 90, 'from the bottom point to the tips, the half diagonal, 0.7071 S.'),
      ],
    },
  ],
}
