import { fold } from '../../fold'
import type { DesignSource } from '../types'
import { bottomUp, HEART_MIDDLE, heartOver, heartToFront, sidesUp, topTipsDown } from './heart-body'
import { asSteps, creaseDiagonals } from './steps'
import { extent } from './sizes'

const { at, onto, step, valley } = fold

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
            bottomUp({ normal: 'It looks like a boat: the sides come up in a moment.' }),
            sidesUp({
              look: ['the point at the bottom is sharp', 'both edges meet on the middle line'],
              note: 'Both edges meet on the middle line. The point at the bottom must be sharp.',
            }),
          ]),
        },
        {
          key: 'tips',
          name: 'Round off',
          steps: asSteps([
            heartOver,
            topTipsDown,
            step(
              { key: 'side-tips', say: 'Side tip in, half as much', each: 'tip', rigour: 'even' },
              ...[at(1, 0.375), at(0.375, 1)].map((tip) =>
                valley({ beside: HEART_MIDDLE, by: SIDE, towards: tip }, { moves: tip }),
              ),
            ),
            heartToFront,
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
