import { fold } from '../../fold'
import type { DesignSource } from '../types'
import { asSteps, stepsOfBase } from './steps'

const { at, rotateBy, step, through } = fold

const frog = stepsOfBase('frog')
const CLOSED = at(0.5, 0.5)
const OPEN = at(1, 1)
const axis = through(CLOSED, OPEN)
/** Along the axis, a half diagonal of the sheet long. */
const PER_SIDE = Math.SQRT2

/** The frog base as far as its squashes, then its petal folds. */
const split = frog.findIndex(({ key }) => key === 'petal-1')

export const fieldFlower: DesignSource = {
  format: 2,
  id: 'field-flower',
  name: 'Field flower',
  family: 'flower',
  summary: 'From the frog base: four petals rolled outwards, the closed tip trimmed for a stem.',
  origin: 'traditional base; trimmed and rolled in our own way',
  usualMinutes: 7,
  gauges: [
    {
      key: 'trim',
      name: 'trimmed tip',
      explains: 'How much of the closed tip comes off: as little as lets the stem through.',
      unit: 'mm',
      standard: 4,
      least: 1,
      most: 12,
    },
  ],
  parts: [
    {
      key: 'flower',
      name: 'flower',
      unitsPerPiece: 1,
      perSquare: 1,
      sideUp: 'colour down',
      sideUpReason: 'The base closes over the white side. Rolled outwards, each petal shows white within.',
      sheet: { kind: 'square', turnedDegrees: 45 },
      stages: [
        { key: 'squashes', name: 'Square base and squashes', steps: asSteps(frog.slice(0, split)) },
        { key: 'petal-folds', name: 'Petal folds', steps: asSteps(frog.slice(split)) },
        {
          key: 'flower',
          name: 'Flower',
          steps: asSteps([
            step(
              {
                key: 'half-turn',
                say: 'Half turn: the open points away from you',
                each: 'turn',
                crease: 'none',
              },
              rotateBy(180),
            ),
            step(
              {
                key: 'trim',
                say: 'Trim the closed tip, just enough for the stem',
                each: 'cut',
                crease: 'none',
                rigour: 'free',
                note: 'All layers at once, with sharp scissors. Too much cannot be put back.',
              },
              {
                kind: 'cut',
                line: {
                  square: axis,
                  via: { between: [CLOSED, OPEN], share: { gauges: { trim: PER_SIDE } } },
                },
                moves: CLOSED,
              },
            ),
            step(
              {
                key: 'petals',
                say: 'Roll the four petals outwards over a pen body',
                each: 'flower',
                crease: 'rolled',
                rigour: 'even',
              },
              {
                kind: 'shape',
                name: 'curl',
                model:
                  'Rolled petals come down to between two thirds and nine tenths of the flat height. Common practice, no source.',
                factor: [0.66, 0.9],
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
          derivation:
            'Measured on the folds. On paper: the frog base is half a diagonal high, 0.7071 S, less the trimmed tip.',
        },
        {
          axis: 'width',
          label: 'wide, closed',
          measure: { extentDegrees: 0 },
          derivation: 'Measured on the folds. On paper: the closed base is S - 0.7071 S wide.',
        },
      ],
      shaping: 'Rolling the petals brings the height down and opens the width.',
    },
  ],
}
