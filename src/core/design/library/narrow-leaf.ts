import { fold, type LineSpec, type PointSpec } from '../../fold'
import type { DesignSource } from '../types'
import { asSteps } from './steps'
import { extent } from './sizes'

const { at, foldAndUnfold, lineOnto, onto, step, through, valley } = fold

/** The rib is the diagonal of the quarter sheet, from the first end up to the other. */
const rib = through(at(0, 0), at(1, 1))
/** The fold that brings the raw edge from one end of the rib onto it. */
const edgeToRib = (end: PointSpec, along: PointSpec, near: PointSpec): LineSpec =>
  lineOnto(through(end, along), rib, near)

export const narrowLeaf: DesignSource = {
  format: 2,
  id: 'narrow-leaf',
  name: 'Narrow leaf',
  family: 'leaf',
  summary: 'A quarter sheet kited from both ends, then halved along its rib.',
  origin: 'traditional',
  guide: {
    skill: 'easy',
    tools: ['fingernail'],
    supplies: [],
    adhesive: null,
    dryingMinutes: 0,
    test: 'Held by its end it points straight; both halves are alike.',
    cautions: [],
    rescue: [
      {
        symptom: 'The tip is blunt',
        remedy: 'An edge passed the rib: open that end and bring it just to the rib.',
      },
      { symptom: 'White shows along the rib', remedy: 'The edges do not meet: fold the second one again.' },
    ],
  },
  usualMinutes: 2,
  gauges: [],
  parts: [
    {
      key: 'leaf',
      name: 'leaf',
      unitsPerPiece: 1,
      perSquare: 4,
      sideUp: 'colour down',
      sideUpReason:
        'The raw edges come in over the white side: nothing of it is seen when they meet on the rib.',
      sheet: { kind: 'square', turnedDegrees: 45 },
      stages: [
        {
          key: 'kites',
          name: 'Kites',
          steps: asSteps([
            step(
              { key: 'rib', say: 'Corner to corner, crease the rib, open', each: 'rib', crease: 'light' },
              foldAndUnfold(onto(at(1, 0), at(0, 1))),
            ),
            step(
              {
                key: 'first-end',
                say: 'Raw edge to the rib',
                each: 'edge',
                note: 'First end. The tip must be sharp.',
              },
              valley(edgeToRib(at(0, 0), at(1, 0), at(0.7, 0.3)), { moves: at(1, 0) }),
              valley(edgeToRib(at(0, 0), at(0, 1), at(0.3, 0.7)), { moves: at(0, 1) }),
            ),
            step(
              {
                key: 'second-end',
                look: ['both tips are sharp', 'the raw edges meet on the rib'],
                say: 'Edge to the rib, from the other end',
                each: 'edge',
              },
              valley(edgeToRib(at(1, 1), at(1, 0.5), at(0.7, 0.3)), { moves: at(1, 0.6) }),
              valley(edgeToRib(at(1, 1), at(0.5, 1), at(0.3, 0.7)), { moves: at(0.6, 1) }),
            ),
          ]),
        },
        {
          key: 'halve',
          name: 'Halve',
          steps: asSteps([
            step(
              {
                key: 'half',
                say: 'Fold in half along the rib',
                each: 'fold',
                crease: 'burnished',
                note: 'The raw edges go inside.',
              },
              valley(rib, { moves: at(0.3, 0.7) }),
            ),
          ]),
        },
      ],
    },
  ],
  variants: [
    {
      key: 'halved',
      name: 'halved',
      without: [],
      sizes: [
        extent(
          'tip-to-tip',
          'tip to tip',
          90,
          'the rib is the diagonal of the quarter sheet, 1.414 of its side.',
        ),
        extent(
          'width',
          'wide',
          0,
          'half the diagonal times tan 22.5 degrees, 0.293 of the side, after halving.',
        ),
      ],
    },
    {
      key: 'open',
      name: 'left open',
      without: ['half'],
      sizes: [
        extent(
          'tip-to-tip',
          'tip to tip',
          90,
          'the rib is the diagonal of the quarter sheet, 1.414 of its side.',
        ),
        extent('width', 'wide', 0, 'the diagonal times tan 22.5 degrees, 0.586 of the side.'),
      ],
    },
  ],
}
