import { fold, type Amount, type LineSpec, type MoveSpec } from '../../fold'
import type { DesignSource } from '../types'
import { lobesRounded } from './heart-body'
import { asSteps } from './steps'
import { extent } from './sizes'

const { foldAndUnfold, lineOnto, mountain, plane, step, through, turnOverUpright, valley } = fold

/** The piece is half as high as wide; the hidden hem takes three sixteenths of its width, our own proportion. */
const HIGH = 1 / 2
const HEM = 3 / 16
/** How far in the corners of the lobes are taken. */
const ROUND = 1 / 16

const upright = (x: Amount): LineSpec => through(plane(x, 0), plane(x, HIGH))
const level = (y: Amount): LineSpec => through(plane(0, y), plane(1, y))
const MIDDLE = upright(1 / 2)
const frame = (share: number, factor: number): Amount => ({ share, gauges: { frame: factor } })

/** Half of the lower edge up along the middle. */
const halfUp = (right: boolean): MoveSpec => {
  const x = right ? 0.8 : 0.2
  return valley(lineOnto(level(HEM), MIDDLE, plane(right ? 0.6 : 0.4, HEM + 0.1)), {
    moves: plane(x, HEM + 0.001),
  })
}

/** The top of the lobes: the half edge stood up on the lower one. */
const TOP = frame(HEM + 1 / 2, -1)
/** From the middle to the outer side of a lobe: as wide as the strip is high. */
const WIDE = HIGH - HEM
const cornerBehind = (right: boolean, inner: boolean): MoveSpec => {
  const side = right ? 1 : -1
  const x = (out: number, factor = 0): Amount =>
    inner ? 0.5 + side * out : { share: 0.5 + side * (WIDE - out), gauges: { frame: -side + factor } }
  const down = (by: number): Amount => frame(HEM + 1 / 2 - by, -1)
  return mountain(through(plane(x(ROUND), TOP), plane(x(0), down(ROUND))), {
    moves: plane(x(0.001), down(0.001)),
    take: { at: plane(x(0.01), down(0.01)), layers: 1 },
  })
}

export const framedHeart: DesignSource = {
  format: 2,
  id: 'framed-heart',
  name: 'Framed heart',
  family: 'heart',
  summary: 'From a 2:1 piece: a heart of one side of the paper, framed by the other.',
  origin: 'ours',
  guide: {
    skill: 'steady',
    tools: ['fingernail', 'bone folder', 'ruler'],
    supplies: [],
    adhesive: null,
    dryingMinutes: 0,
    test: 'The frame is of one width all round both lobes.',
    cautions: [],
    rescue: [
      {
        symptom: 'The frame is wider on one side',
        remedy: 'One end was folded by another amount: open it and lay it on the other.',
      },
      {
        symptom: 'White between the halves',
        remedy: 'The edges do not meet on the middle: fold the second half again.',
      },
    ],
  },
  usualMinutes: 6,
  gauges: [
    {
      match: ['neighbour', 'halve', 'lay over'],
      key: 'frame',
      name: 'frame',
      explains: 'How wide the frame is. It takes as much from the height and twice as much from the width.',
      unit: 'side',
      standard: 1 / 16,
      least: 0.03,
      most: 0.09,
    },
  ],
  parts: [
    {
      key: 'heart',
      name: 'heart',
      unitsPerPiece: 1,
      perSquare: 1,
      sideUp: 'colour up',
      sideUpReason: 'The heart shows the side that is up; the frame is the other one.',
      sheet: { kind: 'rectangle', height: HIGH },
      stages: [
        {
          key: 'frame',
          name: 'Frame',
          steps: asSteps([
            step(
              { key: 'ends', say: 'Short edge in, to the gauge', each: 'edge', rigour: 'free' },
              valley(upright(frame(0, 1)), { moves: plane(0, 0.25) }),
              valley(upright(frame(1, -1)), { moves: plane(1, 0.25) }),
            ),
            step(
              {
                key: 'top',
                look: ['frame of one width on three sides', 'corners square'],
                say: 'Upper edge down, as much',
                each: 'edge',
                rigour: 'even',
              },
              valley(level(frame(HIGH, -1)), { moves: plane(0.5, HIGH) }),
            ),
            step({ key: 'over', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
          ]),
        },
        {
          key: 'heart',
          name: 'Heart',
          steps: asSteps([
            step(
              {
                key: 'middle',
                say: 'Side to side, crease the middle, open',
                each: 'crease',
                crease: 'light',
              },
              foldAndUnfold(MIDDLE, { moves: plane(0.8, 0.2) }),
            ),
            step(
              {
                key: 'hem',
                normal: 'The hem shows the wrong side: it is covered when the halves come up.',
                say: 'Lower edge up, three sixteenths of the width',
                each: 'hem',
                note: 'An eighth onto a quarter gives three sixteenths.',
                tellsDepth: true,
              },
              valley(level(HEM), { moves: plane(0.5, 0) }),
            ),
            step(
              { key: 'sides', say: 'Lower edge up along the middle', each: 'side', crease: 'burnished' },
              halfUp(true),
              halfUp(false),
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
        extent(
          'width',
          'wide',
          0,
          'each lobe is as wide as the strip is high, twice S/2 - 3/16 S less the frame.',
        ),
        extent('height', 'high', 90, 'half the long edge less the frame, S/2 - frame.'),
      ],
    },
  ],
}
