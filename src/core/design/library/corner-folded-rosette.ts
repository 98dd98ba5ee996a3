import {
  fold,
  type AngleSpec,
  type CurvePartSpec,
  type MoveSpec,
  type PointSpec,
  type ShapeAct,
} from '../../fold'
import type { DesignSource } from '../types'
import { asSteps } from './steps'

const { at, foldAndUnfold, middleOf, onto, partWay, quarterTurned, step, through, valley } = fold

type Spot = readonly [number, number]
const FOUR = [0, 1, 2, 3]
const CENTRE = at(0.5, 0.5)
const turned = (spot: Spot, quarters: number): PointSpec => at(...quarterTurned(spot, quarters))

/** The outline's corner that this point of the sheet has become, and its three turns, to the centre. */
const cornersToCentre = (spot: Spot): readonly MoveSpec[] =>
  FOUR.map((quarters) => valley(onto(turned(spot, quarters), CENTRE)))

/** From the centre of the finished square to its edge: three corner rounds leave a side of 1 / sqrt 8. */
const HALF = Math.SQRT2 / 8
const edge = (quarters: number) => through(turned([0.5, 0.25], quarters), turned([0.25, 0.5], quarters))
const middleOfEdge = (quarters: number) =>
  middleOf(turned([0.5, 0.25], quarters), turned([0.25, 0.5], quarters))
const cornerOfSquare = (quarters: number) => turned([0.5, 0.25], quarters)

/** A tip that is to stand out by p is folded on a line p / 2 nearer to the centre than half way. */
const tipOverEdge = (quarters: number): MoveSpec =>
  valley(
    { beside: edge(quarters), by: { share: HALF / 2, gauges: { overhang: -0.5 } }, towards: CENTRE },
    { moves: CENTRE, take: { at: partWay(CENTRE, middleOfEdge(quarters), 0.1), layers: 1 } },
  )

/** A tip of the rounds below, out until the petals above hold it. */
const tipUntilItStops = (towards: PointSpec): MoveSpec => {
  const across = (via: PointSpec) => ({ square: through(CENTRE, towards), via })
  return valley(across(towards), {
    moves: CENTRE,
    stopFrom: across(partWay(CENTRE, towards, 0.06)),
    take: { at: partWay(CENTRE, towards, 0.03), layers: 1 },
  })
}

/** The petals of the three rings, from the outermost, lifted by these angles and then rolled alike. */
const curled = (
  outer: AngleSpec,
  between: AngleSpec,
  innermost: AngleSpec,
  rolled: CurvePartSpec,
): readonly ShapeAct[] => [
  { act: 'lift', flap: 'ring-1', curve: [{ turn: innermost }, { straight: 0.03 }, rolled] },
  { act: 'lift', flap: 'ring-2', curve: [{ turn: between }, { straight: 0.03 }, rolled] },
  { act: 'lift', flap: 'ring-3', curve: [{ turn: outer }, { straight: 0.03 }, rolled] },
]

const FORM_SIZES: DesignSource['variants'][number]['formSizes'] = [
  { axis: 'standing', label: 'high, petals up', measure: 'height' },
]

const SIZES: DesignSource['variants'][number]['sizes'] = [
  {
    axis: 'edge-to-edge',
    label: 'edge to edge',
    measure: { extentDegrees: 0 },
    derivation:
      'Measured on the folded piece. On paper: each corner round divides the side by the square root of 2, S / 2.828; the petal tips add the overhang on both sides.',
  },
  {
    axis: 'corner-to-corner',
    label: 'corner to corner',
    measure: { extentDegrees: 45 },
    derivation:
      'Measured on the folded piece. On paper: the diagonal of the square of side S / 2.828, S / 2.',
  },
]

export const cornerFoldedRosette: DesignSource = {
  format: 2,
  id: 'corner-folded-rosette',
  name: 'Corner-folded rosette',
  family: 'flower',
  summary: 'Three rounds of corners to the centre, then three rings of petals turned out.',
  origin: 'traditional',
  guide: {
    skill: 'steady',
    tools: ['fingernail', 'bone folder', 'pen body or skewer'],
    supplies: [],
    adhesive: null,
    dryingMinutes: 0,
    test: 'Lay it down: it lies flat, and all four outer tips stand out alike.',
    cautions: ['Eight layers to crease: rest the hand, use the bone folder.'],
    rescue: [
      {
        symptom: 'The centre bulges in the third round',
        remedy:
          'The corners of an earlier round overlap there: open it and leave the room that its step tells.',
      },
      {
        symptom: 'A petal tears at its foot',
        remedy: 'Fold it back, a dot of glue under it, and let the next ring cover it.',
      },
      {
        symptom: 'One tip stands out further',
        remedy: 'Turn it back in and lay the piece against its neighbour before the crease.',
      },
    ],
  },
  usualMinutes: 8,
  gauges: [
    {
      match: ['neighbour', 'halve', 'lay over'],
      key: 'overhang',
      name: 'petal overhang',
      explains: 'How far the outer petal tips stand out over the edge. The fold line moves by half of it.',
      unit: 'mm',
      standard: 3,
      least: 0,
      most: 8,
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
        'The corners come in over the white side: the outer petals show colour, the heart opens to white.',
      sheet: { kind: 'square', turnedDegrees: 45 },
      stages: [
        {
          key: 'creases',
          name: 'Diagonals',
          steps: asSteps([
            step(
              {
                key: 'diagonal',
                say: 'Corner to opposite corner, crease, open',
                each: 'diagonal',
                crease: 'light',
              },
              foldAndUnfold(onto(at(0, 0), at(1, 1))),
              foldAndUnfold(onto(at(0, 1), at(1, 0))),
            ),
          ]),
        },
        {
          key: 'rounds',
          name: 'Corner rounds',
          steps: asSteps([
            step(
              {
                key: 'round-1',
                say: 'Corner to the centre',
                each: 'corner',
                leavesRoomFor: ['round-2', 'round-3'],
                note: 'Round 1 of 3. The room is at the centre: later rounds push the corners together.',
              },
              ...cornersToCentre([0, 0]),
            ),
            step(
              {
                key: 'round-2',
                look: [
                  'all four corners meet at the centre, but for the room told',
                  'no corner lies over another',
                  'the same side is up as before',
                ],
                say: 'Corner to the centre, all layers',
                each: 'corner',
                leavesRoomFor: ['round-3'],
                note: 'Round 2 of 3. Same side up as before.',
              },
              ...cornersToCentre([0.5, 0]),
            ),
            step(
              {
                key: 'round-3',
                normal: 'The square no longer lies quite flat: eight layers spring.',
                say: 'Corner to the centre, all layers',
                each: 'corner',
                crease: 'burnished',
                note: 'Round 3 of 3. Crease with the bone folder.',
              },
              ...cornersToCentre([0.25, 0.25]),
            ),
          ]),
        },
        {
          key: 'petals',
          name: 'Petals out',
          steps: asSteps([
            step(
              {
                key: 'ring-3',
                look: ['all four tips stand out alike', 'no layer below came along'],
                say: 'Top tip out over the edge, to the gauge',
                each: 'petal',
                rigour: 'free',
                note: 'The first petal sets the gauge for the other three: lay them side by side.',
              },
              ...FOUR.map(tipOverEdge),
            ),
            step(
              {
                key: 'ring-2',
                say: 'Next tip out until it stops',
                each: 'petal',
                rigour: 'even',
                note: 'It stops where the petals above hold it. Do not pull them along.',
              },
              ...FOUR.map((quarters) => tipUntilItStops(cornerOfSquare(quarters))),
            ),
            step(
              {
                key: 'ring-1',
                say: 'Last tip out until it stops',
                each: 'petal',
                crease: 'light',
                rigour: 'even',
                note: 'A single layer: it tears easily. The white heart opens.',
              },
              ...FOUR.map((quarters) => tipUntilItStops(middleOfEdge(quarters))),
            ),
          ]),
        },
        {
          key: 'shape',
          name: 'Curl',
          steps: asSteps([
            step(
              {
                key: 'curl',
                say: 'Curl the petals over a pen body',
                each: 'curl',
                crease: 'rolled',
                rigour: 'free',
              },
              {
                kind: 'shape',
                name: 'curl',
                model:
                  'Each ring of petals lifted a little more than the one outside it, and curled upwards.',
                acts: curled(
                  { usual: 12, least: 4, most: 20 },
                  { usual: 26, least: 15, most: 38 },
                  { usual: 42, least: 25, most: 60 },
                  { roll: { usual: 30, least: 15, most: 50 }, over: { tools: ['pen', 'pencil', 'skewer'] } },
                ),
              },
            ),
            step(
              {
                key: 'curl-strongly',
                say: 'Roll each petal tightly, the inner rings first',
                each: 'curl',
                crease: 'rolled',
                rigour: 'even',
                note: 'Over a skewer. Four layers in the outer ring: thin paper only, or they crack.',
              },
              {
                kind: 'shape',
                name: 'curl',
                model: 'The petals stand up from the square and their tips are rolled outwards.',
                acts: curled(
                  { usual: 40, least: 30, most: 55 },
                  { usual: 52, least: 40, most: 65 },
                  { usual: 64, least: 50, most: 80 },
                  {
                    roll: { usual: -150, least: -100, most: -200 },
                    over: { tools: ['skewer', 'toothpick', 'pencil'] },
                  },
                ),
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
      name: 'calm',
      without: ['curl-strongly'],
      sizes: SIZES,
      formSizes: FORM_SIZES,
      shaping: 'Curling lifts the petals and draws the outline in a little.',
    },
    {
      key: 'curled',
      name: 'strongly curled',
      without: ['curl'],
      sizes: SIZES,
      formSizes: FORM_SIZES,
      shaping: 'Tight rolls stand up from the square and draw the outline in.',
    },
  ],
}
