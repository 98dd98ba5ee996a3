import { fold, type LineSpec } from '../../fold'
import type { DesignSource } from '../types'
import { asSteps, stepsOfBase } from './steps'

const { foldAndUnfold, plane, step, through, work } = fold

/** The pleated strip: an eighth wide, eight layers. */
const RIGHT = 7 / 8
/** Where the neck is nipped. */
const NECK = 5 / 8
const level = (y: number): LineSpec => through(plane(RIGHT, y), plane(1, y))

export const pleatedGourd: DesignSource = {
  format: 2,
  id: 'pleated-gourd',
  name: 'Pleated gourd',
  family: 'ornament',
  summary: 'Pleats in eighths, nipped at the neck, drawn together at both ends and opened round.',
  origin: 'ours, on traditional pleats',
  guide: {
    skill: 'steady',
    tools: ['fingernail', 'bone folder', 'needle'],
    supplies: [{ name: 'thread, twice the height', perPiece: 1 }],
    adhesive: 'a line of paper glue along the seam',
    dryingMinutes: 20,
    test: 'Hung by its thread it hangs upright and stays round.',
    cautions: ['Thread away from pets and small children; no cord at neck height.'],
    rescue: [
      {
        symptom: 'A pleat turns inside out',
        remedy: 'Run the nail along its ridge from end to end and close it again.',
      },
      {
        symptom: 'One end stays open',
        remedy: 'The thread runs beside a layer: thread anew through all of them.',
      },
    ],
  },
  usualMinutes: 10,
  gauges: [],
  parts: [
    {
      key: 'gourd',
      name: 'gourd',
      unitsPerPiece: 1,
      perSquare: 1,
      sideUp: 'colour down',
      sideUpReason: 'The ridges and the valleys are both seen outside: the side below is the outside.',
      base: { id: 'pleats', stages: 1 },
      sheet: { kind: 'square' },
      stages: [
        {
          key: 'pleats',
          name: 'Pleats',
          steps: asSteps(stepsOfBase('pleats'), {
            pleats: {
              look: ['edges of all pleats even', 'over and behind by turns'],
              normal: 'The stack springs open: press it under a book before the ends.',
            },
          }),
        },
        {
          key: 'ends',
          name: 'Ends and neck',
          steps: asSteps([
            step(
              {
                key: 'ends',
                look: ['the slants meet the side'],
                say: 'End edge onto the side, all layers, crease, open',
                each: 'end',
                crease: 'burnished',
                note: 'Both ends. The slant lets the pleats close to a point.',
              },
              foldAndUnfold(through(plane(RIGHT, 0), plane(1, 1 / 8)), { moves: plane(0.99, 0.01) }),
              foldAndUnfold(through(plane(RIGHT, 1), plane(1, 7 / 8)), { moves: plane(0.99, 0.99) }),
            ),
            step(
              {
                key: 'neck',
                say: 'Across the neck, all layers, crease, open',
                each: 'crease',
                crease: 'burnished',
                rigour: 'even',
                note: 'Three eighths from the upper end; above it is the neck.',
                tellsDepth: true,
              },
              foldAndUnfold(level(NECK), { moves: plane(0.95, 1) }),
            ),
            step(
              {
                key: 'holes',
                say: 'Pierce both ends, a thread’s width from the fold',
                each: 'end',
                crease: 'none',
              },
              work('pierce', plane(RIGHT + 0.02, 0.03)),
              work('pierce', plane(RIGHT + 0.02, 0.97)),
            ),
          ]),
        },
        {
          key: 'open',
          name: 'Close and open',
          steps: asSteps([
            step(
              {
                key: 'glue',
                say: 'Open the pleats and glue first edge on last',
                each: 'seam',
                crease: 'none',
              },
              work('glue', plane(0.98, 0.25), plane(0.98, 0.5), plane(0.98, 0.75)),
            ),
            step(
              {
                key: 'draw',
                say: 'Thread through each end, draw together, open round',
                each: 'gourd',
                crease: 'none',
                rigour: 'free',
              },
              {
                kind: 'shape',
                name: 'open',
                model:
                  'Each ridge can stand one pleat from the middle: at most twice the pleat across. Ends that close to points take from the height. Common practice, no source.',
                factor: [1.5, 2],
                axes: ['across'],
              },
              {
                kind: 'shape',
                name: 'bend',
                model:
                  'A belly bends the pleats: the height falls to between three fifths and three quarters. Common practice, no source.',
                factor: [0.6, 0.75],
                axes: ['height'],
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
          axis: 'height',
          label: 'high',
          measure: { extentDegrees: 90 },
          derivation: 'Measured on the folds, flat: the side of the sheet, S.',
        },
        {
          axis: 'across',
          label: 'across the flat pleats',
          measure: { extentDegrees: 0 },
          derivation: 'Measured on the folds, flat: one pleat, S / 8.',
        },
      ],
      shaping: 'Opened round it is up to twice a pleat across and lower than the sheet.',
    },
  ],
}
