import { fold, type LineSpec, type MoveSpec } from '../../fold'
import type { DesignSource } from '../types'
import { asSteps } from './steps'
import { extent } from './sizes'

const { foldAndUnfold, plane, step, through, valley, work } = fold

/** A strip as it is left over: four times as long as wide. It is rolled from its long edge in eighths. */
const WIDE = 1 / 4
const TURNS = 8
/** By how much each half turn lies further in than the one around it, so that it is not in the same place. */
const BETWEEN_TURNS = 0.0004
const level = (y: number): LineSpec => through(plane(0, y), plane(1, y))
const eighth = (n: number) => (n * WIDE) / TURNS

const creaseAt = (n: number, upper: boolean): MoveSpec =>
  foldAndUnfold(level(eighth(n)), { moves: plane(0.5, upper ? WIDE : 0) })

export const rolledStem: DesignSource = {
  format: 2,
  id: 'rolled-stem',
  name: 'Rolled stem',
  family: 'leaf',
  summary: 'A leftover strip folded over and over to a tube that a flower or a stick fits into.',
  origin: 'traditional; the eighths are our own',
  guide: {
    skill: 'easy',
    tools: ['fingernail', 'pen body or skewer'],
    supplies: [{ name: 'stick', perPiece: 1 }],
    adhesive: 'a line of paper glue along the last edge',
    dryingMinutes: 20,
    test: 'The stick it is for goes in and does not fall out.',
    cautions: ['Skewers: points away from the palm that holds.'],
    rescue: [
      {
        symptom: 'It runs askew',
        remedy: 'Unroll to the last straight turn and start it again along the crease.',
      },
      {
        symptom: 'Too tight for the stick',
        remedy: 'Round it over a thinner stick first, then push the thick one in turning.',
      },
      {
        symptom: 'It opens at the end',
        remedy: 'Hold the seam with a turn of thread until the glue has dried.',
      },
    ],
  },
  usualMinutes: 2,
  gauges: [],
  parts: [
    {
      key: 'stem',
      name: 'stem',
      unitsPerPiece: 1,
      perSquare: 1,
      sideUp: 'colour down',
      sideUpReason: 'The strip closes over its light side; only the outer turn is seen.',
      tube: { axis: 'thickness' },
      sheet: { kind: 'rectangle', height: WIDE },
      stages: [
        {
          key: 'creases',
          name: 'Eighths',
          steps: asSteps([
            step(
              {
                key: 'half',
                direct: 'leave out',
                say: 'Long edge to long edge, crease, open',
                each: 'crease',
                crease: 'light',
              },
              creaseAt(4, false),
            ),
            step(
              {
                key: 'quarters',
                direct: 'leave out',
                say: 'Long edge to the middle, crease, open',
                each: 'crease',
                crease: 'light',
              },
              creaseAt(2, false),
              creaseAt(6, true),
            ),
            step(
              {
                key: 'eighths',
                direct: 'leave out',
                say: 'Long edge to the quarter line, crease, open',
                each: 'crease',
                crease: 'light',
              },
              creaseAt(1, false),
              creaseAt(7, true),
            ),
          ]),
        },
        {
          key: 'roll',
          name: 'Roll',
          steps: asSteps([
            step(
              {
                key: 'roll',
                look: ['both ends are even', 'the crease lies along the edge'],
                say: 'Near edge over by an eighth',
                each: 'turn',
                note: 'The same way every time. Start exactly along the crease, or it runs askew.',
              },
              ...[1, 2, 3, 4, 5, 6].map((n) =>
                valley(level(eighth(n)), { moves: plane(0.5, eighth(n) - 0.001) }),
              ),
            ),
            step(
              { key: 'glue', say: 'A line of glue along the far edge', each: 'line', crease: 'none' },
              work('glue', plane(0.1, eighth(7.5)), plane(0.5, eighth(7.5)), plane(0.9, eighth(7.5))),
            ),
            step(
              { key: 'close', say: 'Last turn over, press until it holds', each: 'turn', crease: 'none' },
              valley(level(eighth(7)), { moves: plane(0.5, eighth(7) - 0.001) }),
            ),
            step(
              {
                key: 'round',
                say: 'Round it over a stick, turning',
                each: 'stem',
                crease: 'rolled',
                rigour: 'even',
              },
              {
                kind: 'shape',
                name: 'round',
                model:
                  'Every turn keeps its length, twice an eighth of the strip, so that its round is twice the eighth over pi.',
                before: 'roll',
                acts: [
                  {
                    act: 'bend',
                    line: level(WIDE),
                    moves: plane(0.5, 0),
                    curve: Array.from({ length: TURNS }, (_, turn) => {
                      const radius = eighth(1) / Math.PI - turn * BETWEEN_TURNS
                      return { roll: (eighth(1) / radius) * (180 / Math.PI), over: radius }
                    }),
                  },
                ],
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
        extent('length', 'long', 0, 'the length of the strip, S.'),
        extent('thickness', 'wide when pressed flat', 90, 'an eighth of the strip’s width, S / 32.'),
      ],
      shaping: 'Rounded, the tube is narrower than it was flat.',
    },
  ],
}
