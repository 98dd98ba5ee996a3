import { fold, type LineSpec, type MoveSpec, type PointSpec } from '../../fold'
import type { DesignSource } from '../types'
import { lobesRounded } from './heart-body'
import { asSteps } from './steps'
import { extent } from './sizes'

const { foldAndUnfold, lineOnto, mountain, plane, step, through, valley, workOn } = fold

/** Our own proportion: four times as long as high, the ends in by a sixteenth of the length. */
const HIGH = 1 / 4
const END = 1 / 16
const ROUND = 1 / 20
const NOTCH = 1 / 12

const upright = (x: number): LineSpec => through(plane(x, 0), plane(x, HIGH))
const LOWER = through(plane(0, 0), plane(1, 0))
const MIDDLE = upright(1 / 2)
const halfUp = (right: boolean): { readonly line: LineSpec; readonly moves: PointSpec } => ({
  line: lineOnto(LOWER, MIDDLE, plane(right ? 0.6 : 0.4, 0.1)),
  moves: plane(right ? 0.7 : 0.3, 0.001),
})

/** The top of the lobes once the halves stand. */
const TOP = 1 / 2 - END
const cornerBehind = (right: boolean, inner: boolean): MoveSpec => {
  const side = right ? 1 : -1
  const x = (out: number) => 0.5 + side * (inner ? out : HIGH - out)
  const by = inner ? NOTCH : ROUND
  return mountain(through(plane(x(by), TOP), plane(x(0), TOP - by)), {
    moves: plane(x(0.001), TOP - 0.001),
    take: { at: plane(x(0.01), TOP - 0.01), layers: 1 },
  })
}

export const messageHeart: DesignSource = {
  format: 2,
  id: 'message-heart',
  name: 'Message heart',
  family: 'heart',
  summary: 'From a strip four times as long as high, with a message inside.',
  origin: 'ours',
  guide: {
    skill: 'easy',
    tools: ['fingernail', 'ruler', 'pen'],
    supplies: [],
    adhesive: null,
    dryingMinutes: 0,
    test: 'It opens by its lobes and closes again on the same creases.',
    cautions: ['Let the ink dry before the halves come up over it.'],
    rescue: [
      {
        symptom: 'A crease runs through the message field',
        remedy: 'Write smaller, beside it, or start anew: it will not smooth out.',
      },
      {
        symptom: 'The lobes are of unlike height',
        remedy: 'The pinch is not in the middle: fold short edge on short edge again.',
      },
    ],
  },
  usualMinutes: 5,
  gauges: [],
  parts: [
    {
      key: 'heart',
      name: 'heart',
      unitsPerPiece: 1,
      perSquare: 1,
      sideUp: 'colour down',
      sideUpReason: 'The message is written on the light side, which the lobes cover.',
      keepClear: [
        {
          name: 'message',
          corners: [
            [0.39, 0.13],
            [0.61, 0.13],
            [0.61, 0.24],
            [0.39, 0.24],
          ],
        },
      ],
      marks: {
        along: 'along the long edge, from one end',
        at: [
          { name: 'end', share: END },
          { name: 'crease at the upper edge', share: 1 / 4 },
          { name: 'middle', share: 1 / 2 },
          { name: 'crease at the upper edge', share: 3 / 4 },
          { name: 'end', share: 1 - END },
        ],
        sums: [
          {
            says: 'end and the way to the crease make the height',
            terms: [
              { times: 1, share: END },
              { times: 1, share: 3 / 16 },
            ],
            equals: HIGH,
          },
          {
            says: 'four times the height is the strip',
            terms: [{ times: 4, share: HIGH }],
            equals: 1,
          },
          {
            says: 'both ends and what is between them make the strip',
            terms: [
              { times: 2, share: END },
              { times: 1, share: 7 / 8 },
            ],
            equals: 1,
          },
        ],
      },
      sheet: { kind: 'rectangle', height: HIGH },
      stages: [
        {
          key: 'marks',
          name: 'Marks',
          steps: asSteps([
            step(
              {
                key: 'middle',
                say: 'Short edges together, pinch the middle below',
                each: 'pinch',
                crease: 'pinch',
                note: 'Only at the lower edge: no crease through the message.',
              },
              foldAndUnfold(MIDDLE, { moves: plane(0.9, 0.1), between: [plane(0.5, 0), plane(0.5, 0.05)] }),
            ),
            step(
              {
                key: 'sides',
                normal: 'The strip opens again: both creases wait until the message is written.',
                say: 'Lower edge up square to itself, crease, open',
                each: 'crease',
                note: 'Both creases start at the pinch and end a quarter of the strip from its ends.',
              },
              ...[true, false].map((right) => {
                const { line, moves } = halfUp(right)
                return foldAndUnfold(line, { moves })
              }),
            ),
            step(
              {
                key: 'write',
                look: ['the ink is dry', 'nothing is written across a crease'],
                say: 'Write in the field between the two creases',
                each: 'message',
                crease: 'none',
              },
              workOn('write', [0.22, 0.11], plane(0.5, 0.185)),
            ),
          ]),
        },
        {
          key: 'heart',
          name: 'Heart',
          steps: asSteps([
            step(
              { key: 'ends', say: 'Short edge in, a sixteenth of the strip', each: 'edge', tellsDepth: true },
              valley(upright(END), { moves: plane(0, 0.1) }),
              valley(upright(1 - END), { moves: plane(1, 0.1) }),
            ),
            step(
              { key: 'close', say: 'Half of the strip up, on its crease', each: 'side', crease: 'burnished' },
              ...[true, false].map((right) => {
                const { line, moves } = halfUp(right)
                return valley(line, { moves })
              }),
            ),
            ...lobesRounded(cornerBehind),
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
        extent('width', 'wide', 0, 'each lobe is as wide as the strip is high, S / 2 together.'),
        extent('height', 'high', 90, 'half the strip less the end, S/2 - S/16.'),
      ],
    },
  ],
}
