import { fold, PETAL, type Amount, type LineSpec, type MoveSpec, type PointSpec } from '../../fold'
import type { DesignSource } from '../types'
import { asSteps, stepsOfBase } from './steps'
import { extent } from './sizes'

const { at, lineOnto, middleOf, mountain, off, partWay, plane, step, through, turnOverUpright, valley } = fold

const CENTRE = at(0.5, 0.5)
/** The sheet's corners: the stem in front, the middle lobe behind it, the legs as side lobes. */
const [STEM, MIDDLE] = [at(0, 0), at(1, 1)]
const [RIGHT, LEFT] = [at(0, 1), at(1, 0)]
const spine = through(STEM, CENTRE)

/** An edge of the front wing to the middle; it takes the corner of the leg below along. */
const narrow = (side: PointSpec): MoveSpec =>
  valley(lineOnto(through(STEM, side), spine, middleOf(STEM, partWay(side, CENTRE, 0.3))), {
    moves: side,
    take: { at: partWay(middleOf(STEM, side), CENTRE, 0.05), layers: 1 },
  })

/** Half way down the base, where the legs part. Every point is half the sheet's side long from here. */
const FORK = partWay(MIDDLE, CENTRE, 0.5 / (1 - Math.SQRT1_2))
const POINT = 1 / 2
const acrossFork: LineSpec = { square: spine, via: FORK }

/** A leg behind and out to its side, 30 degrees above the level. */
const legOut = (leg: PointSpec, side: 1 | -1): MoveSpec =>
  mountain(
    { turned: acrossFork, about: FORK, degrees: -30 * side },
    { moves: leg, take: { at: off(leg, 0.004 * side, 0.05), layers: 4 } },
  )

/** A place on the stem's middle, by its distance from the fork before the stem is bent. */
const onStem = (share: number): PointSpec =>
  at((POINT - share) * Math.SQRT1_2, (POINT - share) * Math.SQRT1_2)
const asLongAsSet: Amount = { share: POINT * Math.SQRT1_2, gauges: { stem: -Math.SQRT1_2 } }
/** A pleat whose folds lean against one another turns what is below by twice the angle between them. */
const LEAN = 6
const BEND = 0.2
const leaning = (share: number, degrees: number): LineSpec => ({
  turned: { square: through(STEM, onStem(share)), via: onStem(share) },
  about: onStem(share),
  degrees,
})

export const lobedLeaf: DesignSource = {
  format: 2,
  id: 'lobed-leaf',
  name: 'Lobed leaf',
  family: 'leaf',
  summary: 'From the bird base: a middle lobe and two side lobes, the fourth point a narrow stem.',
  origin: 'ours, on a traditional base',
  guide: {
    skill: 'demanding',
    tools: ['fingernail', 'bone folder'],
    supplies: [],
    adhesive: null,
    dryingMinutes: 0,
    test: 'It keeps its bend when hung by the stem.',
    cautions: ['Up to 26 layers at the fork: pinching strains the hands, take breaks.'],
    rescue: [
      {
        symptom: 'The front point will not narrow',
        remedy: 'Two layers were taken: it is only the front point, with the corner that hangs on it.',
      },
      {
        symptom: 'The lobes stand unlike',
        remedy: 'Fold the piece in half along its middle and bring the lower one up to the other.',
      },
      {
        symptom: 'The stem cracks at the bend',
        remedy: 'Thinner paper, or a longer pleat: make the bend in two folds side by side.',
      },
    ],
  },
  usualMinutes: 9,
  gauges: [
    {
      match: ['neighbour', 'lay over'],
      key: 'stem',
      name: 'stem length',
      explains: 'How long the stem stays below the fork of the lobes; the rest of its tip goes behind.',
      unit: 'side',
      standard: 0.42,
      least: 0.38,
      most: 0.46,
    },
  ],
  parts: [
    {
      key: 'leaf',
      name: 'leaf',
      unitsPerPiece: 1,
      perSquare: 1,
      sideUp: 'colour down',
      sideUpReason: 'The base closes over the white side: lobes and stem show colour in front and behind.',
      base: { id: 'bird', stages: 1 },
      sheet: { kind: 'square', turnedDegrees: 45 },
      stages: [
        { key: 'base', name: 'Bird base', steps: asSteps(stepsOfBase('bird')) },
        {
          key: 'stem',
          name: 'Stem',
          steps: asSteps([
            step(
              {
                key: 'narrow',
                normal: 'The upper corner of each leg comes along and makes a small triangle.',
                look: ['the narrow point has its tip on the middle', 'the back point is still wide'],
                say: 'Upper edge of the front point to the middle',
                each: 'edge',
                note: 'Only the front point. The corner below it comes along by itself.',
              },
              narrow(at(0.5, PETAL)),
              narrow(at(PETAL, 0.5)),
            ),
          ]),
        },
        {
          key: 'lobes',
          name: 'Lobes',
          steps: asSteps([
            step(
              {
                key: 'legs',
                look: ['both lobes at one height'],
                say: 'Leg behind and out, a little above the level',
                each: 'lobe',
                rigour: 'even',
              },
              legOut(RIGHT, 1),
              legOut(LEFT, -1),
            ),
            step(
              { key: 'down', say: 'Narrow point down, at the fork', each: 'fold', crease: 'burnished' },
              valley(acrossFork, { moves: STEM, take: { at: off(STEM, 0.001, -0.01), layers: 1 } }),
            ),
            step(
              {
                key: 'length',
                say: 'Tip of the stem behind, to the gauge',
                each: 'fold',
                rigour: 'free',
              },
              mountain({ square: spine, via: at(asLongAsSet, asLongAsSet) }, { moves: STEM }),
            ),
            step({ key: 'over-4', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
            step(
              {
                key: 'bend',
                say: 'Pleat the stem on two leaning lines: it bends',
                each: 'fold',
                rigour: 'free',
                note: 'First up, then down again a little lower. The left ends of both folds lie close together.',
              },
              valley(leaning(BEND, LEAN), { moves: plane(0.5, -1) }),
              valley(leaning(BEND + 0.02, LEAN), {
                moves: onStem(0.3),
                take: { at: onStem(0.3), layers: 1 },
              }),
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
        {
          axis: 'height',
          label: 'high',
          measure: { extentDegrees: 90 },
          derivation:
            'Measured on the folds: from the middle lobe, S / 2 above the fork, to the lowest corner of the bent stem.',
        },
        extent(
          'span',
          'side lobe to side lobe',
          0,
          'legs of S / 2 on both sides, 30 degrees above the level: cos 30 degrees x S = 0.866 S.',
        ),
      ],
    },
  ],
}
