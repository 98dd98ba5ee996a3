import {
  fold,
  type AngleSpec,
  type MoveSpec,
  type PointSpec,
  type ShapeAct,
  type SheetPoint,
  type TakeSpec,
} from '../../fold'
import type { DesignSource } from '../types'
import { asSteps, stepsOfBase } from './steps'
import { extent } from './sizes'

const {
  at,
  foldAndUnfold,
  middleOf,
  off,
  onto,
  plane,
  quarterTurned,
  step,
  through,
  turnOverUpright,
  valley,
} = fold

const waterbomb = stepsOfBase('waterbomb')
/** The closed point, and the raw middles of two sides that meet at the open end below it. */
const POINT = at(0.5, 0.5)
const OPEN = at(0.5, 0)
const AXIS = through(POINT, OPEN)

/** A front corner of the base up to the closed point; the pair on the front is one side of the sheet. */
const cornerUp = (corner: PointSpec, near: PointSpec): MoveSpec =>
  valley(onto(corner, POINT), { take: { at: near, layers: 1 } })

/** The front's right half, four layers, over to the left. */
const page = valley(AXIS, {
  moves: plane(0.6, 0.25),
  take: { at: plane(0.6, 0.25), layers: 4 },
})
/**
 * The lock, in shares of the side. A pinch where the right corner comes to the middle marks the lower edge at half its
 * length; the right fold runs from there to the closed point, so it leans by `atan(1 / 3)`, 18.4 degrees. The left one
 * stands upright: its corner comes to the middle itself. The pocket of the right corner is open along its upper slanting
 * edge and closed along the lower one, so the left tip has to pass the upper edge without covering the right tip.
 *
 * A place a from the middle comes over the leaning line by A = 2 (1/4 - 1/12) = 1/3 along the level, turned by the lean:
 * with c^2 = 9/10 and c s = 3/10 the left tip lies (u, v) = (A c^2 + 1/2 - 1/2 - 1/4, A c s) = (1/20, 1/10) from the right
 * one. The left flap's lower edge rises at 45 degrees from its tip, so it passes the right tip while v > u; the pocket's
 * mouth rises at 45 degrees and twice the lean, so the left tip lies within while u sin(45 + 2 lean) > v cos(45 + 2 lean):
 * it lies 0.035 of the side within the mouth, 5.3 mm on a square of 15 cm.
 */
const MIDDLE = plane(0.5, 0.25)
const corner = (side: 'right' | 'left'): PointSpec => plane(side === 'right' ? 0.75 : 0.25, 0.25)
/** Where the fold that brings the right corner to the middle meets the lower edge. */
const MARK = middleOf(corner('right'), OPEN)
const four: { readonly take: TakeSpec } = { take: { at: plane(0.74, 0.25), layers: 4 } }
const rightMark = foldAndUnfold(onto(corner('right'), MIDDLE), {
  ...four,
  between: [MARK, off(MARK, 0, 0.03)],
})
const rightSide = valley(through(MARK, POINT), { moves: corner('right'), ...four })

type Spot = readonly [number, number]
/** The four layers that lie at a corner of the diamond: two of the petal, two of the base below it. */
const around = ([x, y]: Spot) => {
  const out = (share: number): Spot => [x + (x > 0.5 ? share : -share), y]
  const up = (share: number): Spot => [x, y + (y > 0.5 ? share : -share)]
  return { petal: [out(0.02), up(0.02)], base: [out(-0.02), up(-0.02)] }
}
/** The left corner, at this place of the sheet, over to between the right corner's petal and its base. */
const tucked = (tipAt: Spot, pocket: Spot): MoveSpec => {
  const [tip, slot] = [around(tipAt), around(pocket)]
  const layers = [...tip.petal, ...tip.base]
  return {
    kind: 'tuck',
    name: 'tuck',
    line: onto(corner('left'), MIDDLE),
    take: layers,
    hints: layers.flatMap((layer) => [
      ...slot.petal.map((over) => [over, layer] as const),
      ...slot.base.map((under) => [layer, under] as const),
    ]),
  }
}

/**
 * The walls of the bud: a quarter of the sheet each, from the closed point to the open end, cut off at the folds of the
 * locked sides. Corners of the sheet by turns have the upright fold (a place on the half diagonal, a place below it) and
 * the leaning one (a place at the lower edge).
 */
const wall = (faces: number, quarters: number, upright: string, leaning: string, leaningFirst: boolean) => {
  const spot = (x: number, y: number): SheetPoint => quarterTurned([leaningFirst ? x : 1 - x, y], quarters)
  return {
    faces,
    corners: [
      { name: leaning, at: spot(0.625, 0.125) },
      { name: 'closed point', at: spot(0.5, 0.5) },
      { name: `${upright}, upper`, at: spot(0.375, 0.375) },
      { name: `${upright}, lower`, at: spot(0.375, 0.125) },
      { name: 'open end', at: spot(0.5, 0) },
    ],
  }
}
const bud: ShapeAct = {
  act: 'fill',
  foot: OPEN,
  tip: POINT,
  walls: [
    wall(180, 0, 'first fold', 'first lean', true),
    wall(270, 1, 'second fold', 'first lean', false),
    wall(0, 2, 'second fold', 'second lean', true),
    wall(90, 3, 'first fold', 'second lean', false),
  ],
}

/** How far petals are peeled from where their tips point. */
const PEELED: AngleSpec = { usual: 95, least: 70, most: 130 }
/** A petal that lies around the leaning fold, its two layers in two halves each; half of that fold stays. */
const peelLeaning = (quarters: number): ShapeAct => {
  const spot = (x: number, y: number): SheetPoint => quarterTurned([x, y], quarters)
  return {
    act: 'peel',
    layers: [spot(0.708, 0.042), spot(0.79, 0.125), spot(0.958, 0.29), spot(0.875, 0.21)],
    from: spot(0.8125, 0.0625),
    tip: spot(1, 0),
    degrees: PEELED,
  }
}
/** A petal beside the upright fold: free down to where that begins. */
const peelUpright = (quarters: number): ShapeAct => {
  const spot = (x: number, y: number): SheetPoint => quarterTurned([x, y], quarters)
  return {
    act: 'peel',
    layers: [spot(0.25, 0.06), spot(0.06, 0.25)],
    from: spot(0.125, 0.125),
    tip: spot(0, 0),
    degrees: PEELED,
  }
}

export const tulip: DesignSource = {
  format: 2,
  id: 'tulip',
  name: 'Tulip',
  family: 'flower',
  summary: 'From the waterbomb base: petals locked into one another, blown up, then peeled.',
  origin: 'traditional',
  guide: {
    skill: 'steady',
    tools: ['fingernail'],
    supplies: [{ name: 'stem', perPiece: 1 }],
    adhesive: null,
    dryingMinutes: 0,
    test: 'It stays closed when pressed between two fingers, and round when let go.',
    cautions: ['Blow without touching the paper with the lips where pieces are handed on.'],
    rescue: [
      {
        symptom: 'The lock springs open',
        remedy: 'The tip is above the pocket, not in it: open the slanting edge with a nail and push it in.',
      },
      {
        symptom: 'It does not fill with air',
        remedy: 'The open end is pressed shut: open it with a skewer, blow short and hard.',
      },
      {
        symptom: 'A petal tears while peeling',
        remedy: 'Peel its neighbour to the same height, so that it looks meant.',
      },
    ],
  },
  usualMinutes: 6,
  gauges: [],
  parts: [
    {
      key: 'flower',
      name: 'flower',
      unitsPerPiece: 1,
      perSquare: 1,
      sideUp: 'colour down',
      sideUpReason:
        'The base closes over the white side. Petals are two layers each: peeled, they show colour on both sides.',
      base: { id: 'waterbomb', stages: 1 },
      sheet: { kind: 'square' },
      stages: [
        { key: 'base', name: 'Waterbomb base', steps: asSteps(waterbomb) },
        {
          key: 'diamond',
          name: 'Corners up',
          steps: asSteps([
            step(
              { key: 'front', say: 'Front corner up to the closed point', each: 'corner' },
              cornerUp(at(1, 1), at(0.97, 0.99)),
              cornerUp(at(0, 1), at(0.03, 0.99)),
            ),
            step({ key: 'over-3', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
            step(
              { key: 'back', say: 'Front corner up to the closed point', each: 'corner' },
              cornerUp(at(1, 0), at(0.97, 0.01)),
              cornerUp(at(0, 0), at(0.03, 0.01)),
            ),
            step(
              {
                key: 'page-1',
                normal: 'Turning a page brings the smooth halves outside; the petals are inside now.',
                say: 'Right half of the front over to the left',
                each: 'page',
              },
              page,
            ),
            step({ key: 'over-4', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
            step(
              {
                key: 'page-2',
                look: [
                  'plain on both sides: no edges on the diamond',
                  'the same number of layers left and right',
                ],
                say: 'Right half of the front over to the left',
                each: 'page',
              },
              page,
            ),
          ]),
        },
        {
          key: 'lock',
          name: 'Lock the sides',
          steps: asSteps([
            step(
              {
                key: 'mark',
                say: 'Right corner to the middle, pinch at the lower edge, open',
                each: 'pinch',
                crease: 'pinch',
              },
              rightMark,
            ),
            step(
              {
                key: 'right',
                say: 'Right corner over, from the pinch to the closed point',
                each: 'side',
                rigour: 'even',
                note: 'The fold leans, so that the slanting edge above the tip opens to the left: the pocket.',
              },
              rightSide,
            ),
            step(
              {
                key: 'left',
                say: 'Left corner to the middle, into the pocket of the right',
                each: 'side',
                rigour: 'even',
                note: 'The pocket is under the petal of the right corner, open along its slanting edge.',
              },
              tucked([0.75, 0.75], [0.75, 0.25]),
            ),
            step({ key: 'over-5', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
            step(
              {
                key: 'mark-back',
                say: 'Right corner to the middle, pinch at the lower edge, open',
                each: 'pinch',
                crease: 'pinch',
              },
              rightMark,
            ),
            step(
              {
                key: 'right-back',
                say: 'Right corner over, from the pinch to the closed point',
                each: 'side',
                rigour: 'even',
                note: 'The fold leans, so that the slanting edge above the tip opens to the left: the pocket.',
              },
              rightSide,
            ),
            step(
              {
                key: 'left-back',
                look: ['both tips are in their pockets, front and back'],
                say: 'Left corner to the middle, into the pocket of the right',
                each: 'side',
                rigour: 'even',
              },
              tucked([0.25, 0.25], [0.25, 0.75]),
            ),
          ]),
        },
        {
          key: 'shape',
          name: 'Blow up and peel',
          steps: asSteps([
            step(
              {
                key: 'inflate',
                say: 'Blow in at the open end, press the bud round',
                each: 'flower',
                crease: 'none',
                rigour: 'free',
              },
              {
                kind: 'shape',
                name: 'inflate',
                model:
                  'The hollow filled until it is round: four walls, joined along the folds of the locked sides, closed below. Exact in every length; paper rounds its edges a little more.',
                acts: [bud, { act: 'stand', degrees: 90 }],
              },
            ),
            step(
              {
                key: 'peel',
                say: 'Peel the four petals half way down',
                each: 'flower',
                crease: 'rolled',
                rigour: 'even',
              },
              {
                kind: 'shape',
                name: 'curl',
                model:
                  'The tips of the petals bent outwards half way down: exact in every length. How far they are peeled is common practice, and hands round them a little.',
                acts: [0, 2].flatMap((quarters) => [peelLeaning(quarters), peelUpright(quarters)]),
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
        extent('height', 'high', 90, 'half the sheet, S / 2.'),
        {
          axis: 'width',
          label: 'wide',
          measure: { extentDegrees: 0 },
          derivation: 'Measured on the folds: between the slanting sides of the locked bud.',
        },
      ],
      formSizes: [{ axis: 'standing', label: 'high, standing', measure: 'height' }],
      shaping:
        'Blowing up makes it as deep as it is wide and takes from its height; peeled petals reach out over it.',
    },
  ],
}
