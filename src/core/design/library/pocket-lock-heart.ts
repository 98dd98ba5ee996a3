import { fold, type LineSpec, type MoveSpec } from '../../fold'
import type { DesignSource } from '../types'
import { asSteps, creaseDiagonals } from './steps'
import { extent } from './sizes'

const { at, lineOnto, mountain, onto, step, through, turnOverUpright, valley } = fold

/** From the bottom point up. */
const middle = through(at(0.375, 0.375), at(0.75, 0.75))
/** Half of the folded bottom edge, brought up along the middle. */
const sideUp = (right: boolean): LineSpec =>
  lineOnto(
    through(at(0.375, 0.375), right ? at(0.75, 0) : at(0, 0.75)),
    middle,
    right ? at(0.8, 0.3) : at(0.3, 0.8),
  )
/** Where the loose triangle begins, at the top edge. */
const topEdge = through(at(1, 0.5), at(0.5, 1))
/** From the corner of the pocket to the side tip: the raw edge that goes into its fold. */
const intoPocket = (right: boolean): MoveSpec => {
  const by = (x: number, y: number): readonly [number, number] => (right ? [x, y] : [y, x])
  const tip = at(...by(1, 0.375))
  const layers = [by(0.99, 0.39), by(0.99, 0.36)]
  return {
    kind: 'tuck',
    name: 'tuck',
    line: lineOnto(through(at(...by(1, 0.5)), tip), topEdge, at(...by(0.95, 0.44))),
    moves: tip,
    // With the two slivers of the bottom corner that lie between them.
    take: [...layers, by(0.36775, 0.01725), by(0.38225, 0.01725)],
    // Over the body, under the loose triangle.
    hints: layers.flatMap((layer) => [[by(0.93, 0.58), layer] as const, [layer, by(0.92, 0.57)] as const]),
  }
}
const notchLevel: LineSpec = { square: middle, via: at(0.75, 0) }
const topTip = (right: boolean): MoveSpec =>
  valley(
    { point: right ? at(1, 0) : at(0, 1), ontoLine: notchLevel, square: middle },
    { take: { at: right ? at(0.98, 0.04) : at(0.04, 0.98), layers: 1 } },
  )

export const pocketLockHeart: DesignSource = {
  format: 2,
  id: 'pocket-lock-heart',
  name: 'Pocket-lock heart',
  family: 'heart',
  summary: 'A heart that holds without glue: its side tips go into a pocket behind.',
  origin: 'ours',
  guide: {
    skill: 'steady',
    tools: ['fingernail', 'bone folder'],
    supplies: [],
    adhesive: null,
    dryingMinutes: 0,
    test: 'Shake it: nothing opens.',
    cautions: [],
    rescue: [
      {
        symptom: 'The side tip does not go in',
        remedy: 'The pocket is pressed flat: lift the loose triangle with a nail.',
      },
      {
        symptom: 'The side bulges',
        remedy: 'The edge is not in the fold inside: pull the tip out and push until it stops.',
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
      sideUpReason: 'The front is what comes up over the white side. The pocket behind shows white.',
      sheet: { kind: 'square', turnedDegrees: 45 },
      stages: [
        {
          key: 'creases',
          name: 'Diagonals',
          steps: asSteps([creaseDiagonals]),
        },
        {
          key: 'body',
          name: 'Body',
          steps: asSteps([
            step(
              {
                key: 'pocket',
                normal: 'The first corner goes behind, not in front: it is the pocket.',
                say: 'Top corner behind, to the centre',
                each: 'corner',
                note: 'Behind: it is the pocket.',
              },
              mountain(onto(at(1, 1), at(0.5, 0.5))),
            ),
            step(
              { key: 'bottom', say: 'Bottom corner up to the top edge', each: 'corner' },
              valley(onto(at(0, 0), at(0.75, 0.75))),
            ),
            step(
              {
                key: 'sides',
                look: ['the point at the bottom is sharp', 'the loose triangle behind is free'],
                say: 'Bottom edge up along the middle',
                each: 'side',
                crease: 'burnished',
              },
              valley(sideUp(true), { moves: at(0.75, 0) }),
              valley(sideUp(false), { moves: at(0, 0.75) }),
            ),
          ]),
        },
        {
          key: 'lock',
          name: 'Lock',
          steps: asSteps([
            step({ key: 'over', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
            step(
              {
                key: 'side-tips',
                look: ['both tips are under the triangle', 'the sides run straight'],
                say: 'Side tip into the pocket, its edge along the fold inside',
                each: 'tip',
                crease: 'burnished',
                note: 'It goes under the loose triangle until the raw edge stops in the fold.',
              },
              intoPocket(true),
              intoPocket(false),
            ),
            step(
              { key: 'top-tips', say: 'Top tip down, level with the notch', each: 'tip', rigour: 'even' },
              topTip(true),
              topTip(false),
            ),
            step(
              { key: 'front', say: 'Turn back to the front', each: 'turn', crease: 'none' },
              turnOverUpright,
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
          'width',
          'wide',
          0,
          'from corner to corner of the pocket, half the diagonal of the sheet, 0.7071 S.',
        ),
        extent(
          'height',
          'high',
          90,
          'the top tips, 1/4 of the half diagonal above the notch, are halved, 7/8 of 0.7071 S.',
        ),
      ],
    },
  ],
}
