import { fold, type PointSpec } from '../../fold'
import type { DesignSource } from '../types'
import { asSteps, stepsOfBase } from './steps'

const { mountain, plane, step, through } = fold

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

export const hexagonFlake: DesignSource = {
  format: 2,
  id: 'hexagon-flake',
  name: 'Hexagon flake',
  family: 'ornament',
  summary: 'A hexagon twisted on a triangle grid: a six-armed flake, pointed or blunt.',
  origin: 'ours, on a traditional twist',
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
          key: 'grid-and-twist',
          name: 'Grid and twist',
          steps: asSteps(
            stepsOfBase('hexagon-twist').map((one, index) =>
              index === 0
                ? {
                    ...one,
                    note: 'Cut the hexagon first: corner to corner it is as wide as the square it comes from.',
                  }
                : one,
            ),
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
      without: ['tips'],
      sizes: [
        {
          axis: 'across',
          label: 'from one side to the other',
          measure: { extentDegrees: 0 },
          derivation:
            'Measured on the folds. On paper: five steps of the grid in eighths, 5/8 of the hexagon.',
        },
        {
          axis: 'height',
          label: 'tip row to tip row',
          measure: { extentDegrees: 90 },
          derivation: 'Measured on the folds. On paper: six rows of the grid, 6 x 0.1083 of the hexagon.',
        },
      ],
    },
    {
      key: 'blunt',
      name: 'blunt',
      without: [],
      sizes: [
        {
          axis: 'across',
          label: 'corner to corner',
          measure: { extentDegrees: 0 },
          derivation: 'Measured on the folds. On paper: four steps of the grid in eighths, half the hexagon.',
        },
        {
          axis: 'height',
          label: 'flat to flat',
          measure: { extentDegrees: 90 },
          derivation: 'Measured on the folds. On paper: four rows of the grid, 4 x 0.1083 of the hexagon.',
        },
      ],
    },
  ],
}
