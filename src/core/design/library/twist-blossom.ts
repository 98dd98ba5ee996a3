import { fold, squareTwistSteps, type MoveSpec, type PointSpec } from '../../fold'
import type { DesignSource } from '../types'
import { asSteps } from './steps'
import { extent } from './sizes'

const { at, foldAndUnfold, mountain, onto, quarterTurned, step, through, valley } = fold

const FOUR = [0, 1, 2, 3]
const CENTRE = at(0.5, 0.5)
const by = (x: number, y: number, quarters: number): PointSpec => at(...quarterTurned([x, y], quarters))

/** Half the diagonal of the twisted square: three sixteenths, our own proportion. */
const PLEAT = 3 / 16
/** How far along the edge a ridge is turned back. */
const PETAL = 1 / 10

/** An edge onto a line that stands so far from the opposite edge. */
const edgeOnto = (target: number, quarters: number): MoveSpec =>
  foldAndUnfold(onto(by(1, 0.5, quarters), by(target, 0.5, quarters)))

/** The ridge of a pleat, from the twist's corner to the edge of the sheet, turned back to a petal. */
const petal = (quarters: number): MoveSpec =>
  valley(through(by(0.5, 0.5 + PLEAT, quarters), by(0.5 - PETAL, 1, quarters)), {
    moves: by(0.5, 1, quarters),
    take: { at: by(0.48, 0.98, quarters), layers: 2 },
  })

/** The corner of the piece goes behind to stand on; its tip is as far from the fold as the piece will stand high. */
const leg = (quarters: number): MoveSpec => {
  const corner = by(1, 1, quarters)
  return mountain(
    {
      beside: { square: through(CENTRE, corner), via: corner },
      by: { gauges: { depth: 1 } },
      towards: CENTRE,
    },
    { moves: corner },
  )
}
/** The place on the diagonal where the leg is folded. */
const heel: PointSpec = at(
  { share: 1, gauges: { depth: -Math.SQRT1_2 } },
  { share: 1, gauges: { depth: -Math.SQRT1_2 } },
)

export const twistBlossom: DesignSource = {
  format: 2,
  id: 'twist-blossom',
  name: 'Twist blossom',
  family: 'flower',
  summary: 'A square twist; its four pleats turn back to petals, its corners become legs.',
  origin: 'ours, on a traditional twist',
  guide: {
    skill: 'demanding',
    tools: ['fingernail', 'bone folder'],
    supplies: [],
    adhesive: null,
    dryingMinutes: 0,
    test: 'Stand it on a table: all four legs touch, and the twist does not open when it is tapped.',
    cautions: [],
    rescue: [
      {
        symptom: 'The middle will not turn flat',
        remedy:
          'One side of the tilted square is not creased, or runs too far: crease it again, from behind.',
      },
      { symptom: 'A pleat springs open', remedy: 'The leg does not run across it: make the depth larger.' },
      {
        symptom: 'It rocks',
        remedy: 'One leg is folded deeper: stand the piece on the sharpest crease and take up the others.',
      },
    ],
  },
  usualMinutes: 14,
  gauges: [
    {
      match: ['neighbour', 'lay over'],
      key: 'depth',
      name: 'depth',
      explains: 'How much of each corner goes behind. Deeper stands higher and comes out narrower.',
      unit: 'side',
      standard: 0.14,
      least: 0.1,
      most: 0.18,
    },
  ],
  parts: [
    {
      key: 'blossom',
      name: 'blossom',
      unitsPerPiece: 1,
      perSquare: 1,
      sideUp: 'colour up',
      sideUpReason: 'The pleats stand on the side that is up: it is the one that is seen, petals and all.',
      sheet: { kind: 'square' },
      stages: [
        {
          key: 'creases',
          name: 'Pleat lines',
          steps: asSteps([
            step(
              { key: 'halves', say: 'Edge to opposite edge, crease, open', each: 'crease', crease: 'light' },
              foldAndUnfold(onto(at(0, 0), at(1, 0))),
              foldAndUnfold(onto(at(0, 0), at(0, 1))),
            ),
            step(
              { key: 'quarters', say: 'Edge to the middle, crease, open', each: 'crease', crease: 'light' },
              ...FOUR.map((quarters) => edgeOnto(1 / 2, quarters)),
            ),
            step(
              {
                key: 'eighths',
                say: 'Edge past the middle to the far quarter line, crease, open',
                each: 'crease',
                crease: 'light',
              },
              ...FOUR.map((quarters) => edgeOnto(1 / 4, quarters)),
            ),
            step(
              {
                key: 'sixteenths',
                say: 'Edge to the far line beside the middle, crease, open',
                each: 'crease',
                crease: 'light',
                note: 'Of the two lines beside the middle the far one. It makes 11 of 16.',
              },
              ...FOUR.map((quarters) => edgeOnto(3 / 8, quarters)),
            ),
          ]),
        },
        {
          key: 'twist',
          name: 'Twist',
          steps: asSteps(squareTwistSteps(PLEAT), {
            twist: {
              look: [
                'all four pleats lie the same way round',
                'the tilted square lies flat in the middle',
                'the outer edges make a square',
              ],
              normal: 'Half way, the sheet stands up in four ridges and the middle is a bowl.',
            },
          }),
        },
        {
          key: 'petals',
          name: 'Petals and legs',
          steps: asSteps([
            step(
              {
                key: 'petals',
                say: 'Ridge of the pleat back, from the twist’s corner',
                each: 'petal',
                rigour: 'even',
              },
              ...FOUR.map(petal),
            ),
            step(
              {
                key: 'legs',
                say: 'Corner behind, to the gauge, all layers',
                each: 'leg',
                crease: 'burnished',
                rigour: 'free',
                note: 'The fold runs across the pleat and holds it: without it the twist opens again.',
              },
              ...FOUR.map(leg),
            ),
          ]),
        },
        {
          key: 'stand',
          name: 'Stand it up',
          steps: asSteps([
            step(
              {
                key: 'stand',
                say: 'Legs square down, petals up, press the middle in',
                each: 'blossom',
                crease: 'none',
                rigour: 'free',
              },
              {
                kind: 'shape',
                name: 'open',
                model: 'Legs spread a little and lose height by it. Common practice, no source.',
                factor: [0.85, 1],
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
        extent('across', 'edge to edge', 0, 'two pleats of 3/16 go from the side, 1 - 6/16 = 0.625 S.'),
        extent('corner-to-corner', 'leg to leg', 45, 'the diagonal of 0.625 S less twice the depth.'),
        {
          axis: 'height',
          label: 'high when standing',
          measure: { between: [at(1, 1), heel] },
          derivation: 'Measured on the folds: from the tip of a leg to its fold. On paper: the depth itself.',
        },
      ],
      shaping: 'Legs that spread lose height.',
    },
  ],
}
