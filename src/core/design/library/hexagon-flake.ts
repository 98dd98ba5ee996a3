import { fold, hexagonTwistMove, type LineSpec, type PointSpec } from '../../fold'
import type { DesignSource } from '../types'
import { asSteps, stepsOfBase } from './steps'
import { extent } from './sizes'

const { mountain, plane, step, through, valley } = fold

const SIX = [0, 1, 2, 3, 4, 5]
const GRID = 1 / 8
/** A place of the twisted piece, so many sixths of a turn on; it lies around the middle of the hexagon. */
function turned(x: number, y: number, sixths: number): PointSpec {
  const [cos, sin] = [Math.cos((sixths * Math.PI) / 3), Math.sin((sixths * Math.PI) / 3)]
  return plane(cos * x - sin * y, sin * x + cos * y)
}
/** The tip of an arm: half a grid step beside the middle, three rows up. */
const ROW = (GRID * Math.sqrt(3)) / 2
const tip = (sixths: number) => turned(-GRID / 2, 3 * ROW, sixths)
/** One row below the tip, where the arm meets its neighbours. */
const rowBelow = (sixths: number) => through(turned(-GRID, 2 * ROW, sixths), turned(0, 2 * ROW, sixths))

const CUT_FIRST =
  'Cut the hexagon first: corner to corner it is as wide as its piece of paper, between two flats as high.'
/** A corner of the sheet, and where the early fold takes it in: less than the pleats are wide. */
const corner = (sixths: number): PointSpec => turned(1 / 2, 0, sixths)
const EARLY = 0.045
const rim = (sixths: number): LineSpec =>
  through(turned(0.5 - EARLY, -0.1, sixths), turned(0.5 - EARLY, 0.1, sixths))

export const hexagonFlake: DesignSource = {
  format: 2,
  id: 'hexagon-flake',
  name: 'Hexagon flake',
  family: 'ornament',
  summary: 'A hexagon twisted on a triangle grid: a six-armed flake, pointed or blunt.',
  origin: 'ours, on a traditional twist',
  guide: {
    skill: 'demanding',
    tools: ['fingernail', 'bone folder', 'scissors'],
    supplies: [],
    adhesive: null,
    dryingMinutes: 0,
    test: 'All six arms lie flat and are of one length.',
    cautions: ['Scissors for the hexagon: cut towards the corner, not from it.'],
    rescue: [
      {
        symptom: 'The twist will not lie down',
        remedy:
          'A grid line is missing or runs beside its neighbour: find it on the back and crease it anew.',
      },
      {
        symptom: 'An arm stands up',
        remedy: 'Its pleat lies the other way round: open that arm only and turn the ridge over.',
      },
    ],
  },
  usualMinutes: 12,
  gauges: [],
  parts: [
    {
      key: 'flake',
      name: 'flake',
      unitsPerPiece: 1,
      perSquare: 1,
      sideUp: 'colour up',
      sideUpReason: 'The twist leaves the side that was up to be seen; the pleats hide the other.',
      sheet: { kind: 'hexagon' },
      stages: [
        {
          key: 'early',
          name: 'Corners in',
          steps: asSteps([
            step(
              {
                key: 'corners',
                say: 'Corner in, to the measure: less than a grid step',
                each: 'corner',
                rigour: 'even',
                note: 'Before the grid. The arms end broad, with the other side showing at their tips.',
              },
              ...SIX.map((sixths) => valley(rim(sixths), { moves: corner(sixths) })),
            ),
          ]),
        },
        {
          key: 'grid-and-twist',
          name: 'Grid and twist',
          steps: asSteps(
            [
              ...stepsOfBase('hexagon-twist').map((one, index) =>
                index === 0 ? { ...one, note: CUT_FIRST } : one,
              ),
              step(
                {
                  key: 'twist-over-rim',
                  normal: 'Half way it stands like a crown with six ridges.',
                  look: ['all pleats the same way round', 'the middle is flat'],
                  say: 'Gather the six pleats and twist, corners in',
                  each: 'twist',
                },
                hexagonTwistMove(EARLY),
              ),
            ],
            {
              eighths: { look: ['every third crossing holds six lines'] },
              twist: {
                look: ['all pleats the same way round', 'the middle is flat'],
                normal: 'Half way it stands like a crown with six ridges.',
              },
            },
          ),
        },
        {
          key: 'tips',
          name: 'Blunt the tips',
          steps: asSteps([
            step(
              {
                key: 'tips',
                say: 'Tip behind, along the grid line',
                each: 'tip',
                rigour: 'even',
                note: 'All layers of the tip. It holds the pleats of the arm together.',
              },
              ...SIX.map((sixths) => mountain(rowBelow(sixths), { moves: tip(sixths) })),
            ),
          ]),
        },
      ],
    },
  ],
  variants: [
    {
      key: 'pointed',
      name: 'pointed',
      without: ['corners', 'twist-over-rim', 'tips'],
      sizes: [
        extent(
          'across',
          'from one side to the other',
          0,
          'five steps of the grid in eighths, 5/8 of the hexagon.',
        ),
        extent('height', 'tip row to tip row', 90, 'six rows of the grid, 6 x 0.1083 of the hexagon.'),
      ],
    },
    {
      key: 'blunt',
      name: 'blunt',
      without: ['corners', 'twist-over-rim'],
      sizes: [
        extent('across', 'corner to corner', 0, 'four steps of the grid in eighths, half the hexagon.'),
        extent('height', 'flat to flat', 90, 'four rows of the grid, 4 x 0.1083 of the hexagon.'),
      ],
    },
    {
      key: 'rimmed',
      name: 'rimmed',
      without: ['twist', 'tips'],
      sizes: [
        extent(
          'across',
          'from one side to the other',
          0,
          '0.625 of the pointed flake; the corners taken in by 0.045 on both sides leave 0.535 of the hexagon.',
        ),
        extent(
          'height',
          'tip row to tip row',
          90,
          'six rows of the grid less twice 0.045 x cos 30 degrees, 0.6495 - 0.0779.',
        ),
      ],
    },
  ],
}
