import { fold, type LineSpec, type PointSpec } from '../../fold'
import type { Assembly, DesignSource, VariantSource } from '../types'
import { asSteps } from './steps'
import { extent } from './sizes'

const { at, foldAndUnfold, lineOnto, onto, step, through, valley, work } = fold

const AXIS = through(at(0, 0), at(1, 1))
const edgeIn = (end: PointSpec, along: PointSpec, near: PointSpec): LineSpec =>
  lineOnto(through(end, along), AXIS, near)

/** Feet together in the middle, each kite with one edge on the middle crease of the one before. */
const around = (units: number): Assembly => ({
  units,
  join: { centre: at(0, 0) },
  turns: 'right',
  next: 'over',
  says: {
    first: 'Lay the first two kites foot on foot, the second’s edge on the first’s middle crease.',
    each: 'Edge on the middle crease of the kite before, feet together in one point.',
    last: 'The last one goes over its neighbour and under the first: lift the first to slip it in.',
  },
})
const sizes = (onPaper: string): VariantSource['sizes'] => [
  {
    axis: 'across',
    label: 'across from tip to tip',
    assembled: 'across',
    derivation: `Measured on the folded units, laid around. ${onPaper}`,
  },
  extent('kite', 'one kite from tip to foot', 90, 'the diagonal of the sheet, 1.414 S.'),
]

export const windowStar: DesignSource = {
  format: 2,
  id: 'window-star',
  name: 'Window star',
  family: 'star',
  summary: 'Kites of thin paper laid round a point, each edge on the middle of the next.',
  origin: 'traditional',
  guide: {
    skill: 'easy',
    tools: ['fingernail', 'bone folder'],
    supplies: [],
    adhesive: 'a trace of glue stick; none may show against the light',
    dryingMinutes: 15,
    test: 'Held to the light the rays are alike and no gap shows in the middle.',
    cautions: ['Glue: ventilate, keep it off plates and food.'],
    rescue: [
      {
        symptom: 'A gap at the last unit',
        remedy:
          'The edges were laid short of the middle creases: loosen the last three and set them on the line.',
      },
      { symptom: 'It bows', remedy: 'Glue drew the paper: press it between books while it dries.' },
    ],
  },
  usualMinutes: 1.5,
  gauges: [],
  parts: [
    {
      key: 'kite',
      name: 'kite',
      unitsPerPiece: 8,
      perSquare: 1,
      sideUp: 'colour down',
      sideUpReason: 'The smooth side in full colour goes to the room, the flaps to the pane.',
      sheet: { kind: 'square', turnedDegrees: 45 },
      stages: [
        {
          key: 'kite',
          name: 'Kite',
          steps: asSteps([
            step(
              {
                key: 'middle',
                say: 'Corner to opposite corner, crease, open',
                each: 'crease',
                crease: 'light',
              },
              foldAndUnfold(onto(at(1, 0), at(0, 1))),
            ),
            step(
              {
                key: 'edges',
                look: ['the point is sharp', 'both edges meet on the middle crease'],
                say: 'Upper edge to the middle crease',
                each: 'edge',
                crease: 'burnished',
              },
              valley(edgeIn(at(1, 1), at(1, 0), at(0.7, 0.3)), { moves: at(1, 0) }),
              valley(edgeIn(at(1, 1), at(0, 1), at(0.3, 0.7)), { moves: at(0, 1) }),
            ),
          ]),
        },
        {
          key: 'narrow',
          name: 'Narrow the foot',
          steps: asSteps([
            step(
              {
                key: 'foot',
                look: ['the foot is as sharp as the point'],
                say: 'Lower edge to the middle crease',
                each: 'edge',
                crease: 'burnished',
              },
              valley(edgeIn(at(0, 0), at(0.5, 0), at(0.7, 0.3)), { moves: at(0.6, 0) }),
              valley(edgeIn(at(0, 0), at(0, 0.5), at(0.3, 0.7)), { moves: at(0, 0.6) }),
            ),
          ]),
        },
        {
          key: 'glue',
          name: 'Fasten',
          steps: asSteps([
            step(
              { key: 'glue', say: 'A trace of glue under both loose corners', each: 'kite', crease: 'none' },
              work('glue', at(1, 0), at(0, 1)),
            ),
          ]),
        },
      ],
    },
  ],
  variants: [
    {
      key: 'eight',
      name: 'eight points',
      without: ['foot'],
      assembly: around(8),
      sizes: sizes('On paper: two kites, each as long as the diagonal of its sheet, 2 x 1.414 S.'),
    },
    {
      key: 'sixteen',
      name: 'sixteen points',
      without: [],
      assembly: around(16),
      sizes: sizes('On paper: narrowing the foot leaves the length, 2 x 1.414 S.'),
    },
  ],
}
