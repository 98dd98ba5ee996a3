import { fold, type MoveSpec, type PointSpec, type ShapeAct } from '../../fold'
import type { DesignSource } from '../types'
import { asSteps, stepsOfBase } from './steps'
import { extent } from './sizes'

const { at, onto, plane, quarterTurned, step, through, valley } = fold

type Spot = readonly [number, number]
const FOUR = [0, 1, 2, 3]

/** A blade of the windmill stood up, opened and pressed to a square; its corner comes to the centre. */
function squash(quarters: number): MoveSpec {
  const by = (spot: Spot): Spot => quarterTurned(spot, quarters)
  const corner = by([0.25, 0.75])
  return {
    kind: 'refold',
    name: 'squash',
    open: [[corner, by([0, 1])]],
    add: [
      [corner, by([0.5, 1]), 'M'],
      [corner, by([0, 0.75]), 'V'],
      [corner, by([0.25, 1]), 'V'],
    ],
    stays: [0.5, 0.5],
    shows: by([0, 1]),
  }
}

/** Where the narrowing creases of a petal meet the sides of its square: tan 22.5 degrees of a quarter. */
const IN = (Math.SQRT2 - 1) / 4
/** The corner lifted from the centre, the sides of its square coming in behind it. */
function petal(quarters: number): MoveSpec {
  const by = (x: number, y: number): Spot => quarterTurned([x, y], quarters)
  const [low, high] = [by(IN, 0.75), by(0.25, 1 - IN)]
  return {
    kind: 'refold',
    name: 'petal fold',
    open: [
      [low, by(0, 0.75)],
      [high, by(0.25, 1)],
    ],
    add: [
      [by(0, 1), low, 'V'],
      [by(0, 1), high, 'V'],
      [by(0, 0.5), low, 'V'],
      [by(0.5, 1), high, 'V'],
      [low, high, 'M'],
    ],
    stays: [0.5, 0.5],
    shows: by(0, 1),
  }
}

/** An outer petal up about its foot, then curling outwards. */
const petalUp = (quarters: number): ShapeAct => {
  const by = (x: number, y: number): PointSpec => at(...quarterTurned([x, y], quarters))
  return {
    act: 'bend',
    line: through(by(IN, 0.75), by(0.25, 1 - IN)),
    moves: by(0, 1),
    curve: [{ turn: { usual: 62, least: 50, most: 80 } }, { straight: 0.1 }, { roll: -55, over: 0.2 }],
  }
}
/** An inner one, half way up and a little round. */
const innerUp = (quarters: number): ShapeAct => {
  const by = (x: number, y: number): Spot => quarterTurned([x, y], quarters)
  return {
    act: 'bend',
    line: through(plane(...by(3 / 8, 0.25)), plane(...by(3 / 8, 0.75))),
    moves: at(...by(0, 0.5)),
    layers: [by(0.03, 0.5)],
    curve: [{ turn: { usual: 35, least: 20, most: 50 } }, { roll: 50, over: 0.2 }],
  }
}

/** The middle of an edge of the sheet, from the centre out to the side of the square below. */
const inner = (quarters: number): MoveSpec => {
  const by = (x: number, y: number): PointSpec => at(...quarterTurned([x, y], quarters))
  return valley(onto(by(0, 0.5), by(0.25, 0.5)), { take: { at: by(0.03, 0.5), layers: 1 } })
}

export const crocus: DesignSource = {
  format: 2,
  id: 'crocus',
  name: 'Crocus',
  family: 'flower',
  summary: 'From the windmill base: four inner petals within four outer ones.',
  origin: 'ours, on a traditional base',
  guide: {
    skill: 'demanding',
    tools: ['fingernail', 'bone folder'],
    supplies: [],
    adhesive: null,
    dryingMinutes: 0,
    test: 'Four inner petals stay within the outer ones when it is turned upside down.',
    cautions: [],
    rescue: [
      {
        symptom: 'A blade will not open to a square',
        remedy: 'Run the nail along both its edges, open it with a pencil, press from the middle.',
      },
      {
        symptom: 'An outer petal is crooked',
        remedy: 'The fold across its foot is not square: open the petal fold and set it again.',
      },
      { symptom: 'The centre gapes', remedy: 'The edges did not meet in the base: go back to the collapse.' },
    ],
  },
  usualMinutes: 8,
  gauges: [],
  parts: [
    {
      key: 'flower',
      name: 'flower',
      unitsPerPiece: 1,
      perSquare: 1,
      sideUp: 'colour down',
      sideUpReason:
        'The base closes over the white side. The inner petals turn it out: a light heart in a coloured cup.',
      base: { id: 'windmill', stages: 1 },
      sheet: { kind: 'square' },
      stages: [
        { key: 'base', name: 'Windmill base', steps: asSteps(stepsOfBase('windmill')) },
        {
          key: 'outer',
          name: 'Outer petals',
          steps: asSteps([
            step(
              {
                key: 'squash',
                look: ['four squares that meet in the middle', 'no white at the edges'],
                say: 'Blade up, open it, press it to a square',
                each: 'squash',
              },
              ...FOUR.map(squash),
            ),
            step(
              {
                key: 'outer',
                normal: 'The points reach far out over the square: they are the outer petals.',
                look: ['four points on the diagonals, alike'],
                say: 'Lift the corner from the centre, sides to the middle',
                each: 'petal',
                note: 'A petal fold, small: run a nail along both sides of the square first.',
              },
              ...FOUR.map(petal),
            ),
          ]),
        },
        {
          key: 'inner',
          name: 'Inner petals',
          steps: asSteps([
            step(
              { key: 'inner', say: 'Point from the centre out to the edge', each: 'petal' },
              ...FOUR.map(inner),
            ),
            step(
              {
                key: 'cup',
                say: 'Cup the flower: outer petals up, inner ones half way',
                each: 'flower',
                crease: 'rolled',
                rigour: 'free',
              },
              {
                kind: 'shape',
                name: 'open',
                model: 'Outer petals lifted to between half way and upright; inner ones a little.',
                acts: [...FOUR.map(innerUp), ...FOUR.map(petalUp)],
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
          'tip-to-tip',
          'petal tip to opposite tip',
          45,
          'the petals reach as far out along the diagonals as the edges of the sheet did, S.',
        ),
        extent('width', 'wide over neighbouring tips', 0, 'four tips on a circle of S, S / 1.414.'),
      ],
      formSizes: [{ axis: 'standing', label: 'high, cupped', measure: 'height' }],
      shaping: 'Cupping draws the tips together.',
    },
  ],
}
