import { fold, type MoveSpec } from '../../fold'
import type { DesignSource } from '../types'
import { bottomUp, heartOver, heartToFront, sidesUp, topTipsDown } from './heart-body'
import { asSteps, creaseDiagonals } from './steps'
import { extent } from './sizes'

const { at, lineOnto, mountain, onto, step, through } = fold

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
            bottomUp(),
            sidesUp({ look: ['the point at the bottom is sharp', 'the loose triangle behind is free'] }),
          ]),
        },
        {
          key: 'lock',
          name: 'Lock',
          steps: asSteps([
            heartOver,
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
            topTipsDown,
            heartToFront,
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
