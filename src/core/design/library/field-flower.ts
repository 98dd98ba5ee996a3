import { fold } from '../../fold'
import type { DesignSource } from '../types'
import { asSteps, stepsOfBase } from './steps'
import { extent } from './sizes'

const { at, off, rotateBy, step, through } = fold

const frog = stepsOfBase('frog')
const CLOSED = at(0.5, 0.5)
const OPEN = at(1, 1)
const axis = through(CLOSED, OPEN)
/** Along the axis, a half diagonal of the sheet long. */
const PER_SIDE = Math.SQRT2

/** Where the closed tip was before it was trimmed: half a diagonal below the open points. */
const CLOSED_NOW = off(OPEN, 0, -Math.SQRT1_2)

/** The frog base as far as its squashes, then its petal folds. */
const split = frog.findIndex(({ key }) => key === 'petal-1')

export const fieldFlower: DesignSource = {
  format: 2,
  id: 'field-flower',
  name: 'Field flower',
  family: 'flower',
  summary: 'From the frog base: four petals rolled outwards, the closed tip trimmed for a stem.',
  origin: 'traditional base; trimmed and rolled in our own way',
  guide: {
    skill: 'demanding',
    tools: ['fingernail', 'bone folder', 'pen body or skewer', 'scissors'],
    supplies: [{ name: 'stem', perPiece: 1 }],
    adhesive: 'a drop of glue where the stem goes in, if it is loose',
    dryingMinutes: 10,
    test: 'A stem pushed up from below holds when the flower is turned over.',
    cautions: ['Scissors through sixteen layers: small pieces fly, cut away from the face.'],
    rescue: [
      {
        symptom: 'A squash is askew',
        remedy:
          'Its ridge is not over the middle: lift the flap, open it fully, set the ridge on the line and press.',
      },
      {
        symptom: 'The trimmed hole is too large',
        remedy: 'Wind a strip of tape around the stem until it holds.',
      },
      {
        symptom: 'A petal cracks when rolled',
        remedy: 'Warm the paper in the hand first and roll in two goes.',
      },
    ],
  },
  usualMinutes: 7,
  gauges: [
    {
      match: ['lay over'],
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
      sideUpReason:
        'The base closes over the white side. Petals are two layers each: rolled, they show colour on both sides.',
      base: { id: 'frog', stages: 2 },
      sheet: { kind: 'square', turnedDegrees: 45 },
      stages: [
        {
          key: 'squashes',
          name: 'Square base and squashes',
          steps: asSteps(frog.slice(0, split), {
            'squash-4': { look: ['four squares, all of one size', 'every ridge runs to the closed tip'] },
          }),
        },
        {
          key: 'petal-folds',
          name: 'Petal folds',
          steps: asSteps(frog.slice(split), {
            'petal-1': {
              normal: 'The raw edge seems to be lifted the wrong way: it goes up, and its sides come in.',
            },
            'petal-4': { look: ['four narrow points on each side', 'nothing white outside'] },
          }),
        },
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
                  'The pages spread evenly around the stem; each petal flat across from just above the throat on, leaning outwards and rolled.',
                acts: [
                  {
                    act: 'petals',
                    foot: CLOSED_NOW,
                    tip: OPEN,
                    bendsAt: 0.4,
                    lean: { usual: 60, least: 56, most: 70 },
                    fan: [88, 130],
                    curve: [
                      { straight: 0.12 },
                      {
                        roll: { usual: 90, least: 40, most: 140 },
                        over: { tools: ['pen', 'pencil', 'skewer'] },
                      },
                    ],
                  },
                  { act: 'stand', degrees: 90 },
                ],
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
        extent(
          'height',
          'high',
          90,
          'the frog base is half a diagonal high, 0.7071 S, less the trimmed tip.',
        ),
        {
          ...extent('width', 'wide when closed', 0, 'the closed base is S - 0.7071 S wide.'),
          flatOnly: true,
        },
      ],
      formSizes: [{ axis: 'open', label: 'open, from petal to petal', measure: 'across' }],
      shaping: 'Rolling the petals brings the height down and opens the width.',
    },
  ],
}
