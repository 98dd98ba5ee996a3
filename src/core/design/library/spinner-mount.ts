import { fold, type MoveSpec } from '../../fold'
import type { DesignSource } from '../types'
import { asSteps } from './steps'
import { extent } from './sizes'

const { at, foldAndUnfold, mountain, onto, quarterTurned, step, through, valley, work } = fold

const FOUR = [0, 1, 2, 3]
const CENTRE = at(0.5, 0.5)
/** A corner of the folded square goes behind: cut back by as much as makes all eight sides alike. */
const IN = (1 - Math.SQRT1_2) * 0.5
const cornerBehind = (quarters: number): MoveSpec => {
  const by = (x: number, y: number) => at(...quarterTurned([x, y], quarters))
  const [tip, left, right] = [by(0.5, 1), by(0.5 - IN, 1 - IN), by(0.5 + IN, 1 - IN)]
  return mountain(through(left, right), { moves: tip })
}

export const spinnerMount: DesignSource = {
  format: 2,
  id: 'spinner-mount',
  name: 'Spinner mount',
  family: 'star',
  summary: 'An eight-sided hub behind a ring star, with the hole for the pin it turns on.',
  origin: 'ours, on a traditional base',
  guide: {
    skill: 'easy',
    tools: ['fingernail', 'bone folder', 'pin', 'cork'],
    supplies: [
      { name: 'pin', perPiece: 1 },
      { name: 'bead as a washer', perPiece: 2 },
    ],
    adhesive: 'paper glue behind the star',
    dryingMinutes: 30,
    test: 'Blown on, the star turns and comes to rest without a wobble.',
    cautions: [
      'Pierce into cork, never towards the palm. Cap the point of the pin.',
      'Small parts: keep away from children under three.',
    ],
    rescue: [
      {
        symptom: 'It wobbles',
        remedy: 'The hole is not in the centre: cut a new hub, pierce where the diagonals cross.',
      },
      { symptom: 'It sticks', remedy: 'Widen the hole by half a millimetre; a bead as a washer.' },
    ],
  },
  usualMinutes: 3,
  gauges: [],
  parts: [
    {
      key: 'hub',
      name: 'hub',
      unitsPerPiece: 1,
      perSquare: 1,
      sideUp: 'colour down',
      sideUpReason: 'The smooth side goes to the star; the seams are behind.',
      sheet: { kind: 'square' },
      stages: [
        {
          key: 'hub',
          name: 'Hub',
          steps: asSteps([
            step(
              {
                key: 'diagonals',
                say: 'Corner to opposite corner, crease, open',
                each: 'diagonal',
                crease: 'light',
              },
              foldAndUnfold(onto(at(0, 0), at(1, 1))),
              foldAndUnfold(onto(at(0, 1), at(1, 0))),
            ),
            step(
              { key: 'corners', say: 'Corner to the centre', each: 'corner' },
              ...FOUR.map((quarters) => valley(onto(at(...quarterTurned([0, 0], quarters)), CENTRE))),
            ),
            step(
              {
                key: 'eight',
                look: ['all eight sides alike'],
                say: 'Corner behind until all eight sides are alike',
                each: 'corner',
                rigour: 'even',
              },
              ...FOUR.map(cornerBehind),
            ),
            step(
              {
                key: 'pierce',
                say: 'Pierce the centre, wider than the pin',
                each: 'hole',
                crease: 'none',
                note: 'Half a millimetre of clearance: it turns without wobbling. Pierce into cork, never towards the palm.',
              },
              work('pierce', CENTRE),
            ),
            step(
              {
                key: 'glue',
                say: 'Glue the hub behind the star, over its hole',
                each: 'hub',
                crease: 'none',
              },
              ...FOUR.map((quarters) => work('glue', at(...quarterTurned([0.5, 0.9], quarters)))).slice(0, 1),
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
          'across-flats',
          'across flats',
          45,
          'the side of a square with its corners at the centre, S / 1.414.',
        ),
      ],
    },
  ],
}
