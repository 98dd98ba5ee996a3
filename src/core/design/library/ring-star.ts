import { fold } from '../../fold'
import type { DesignSource, VariantSource } from '../types'
import { asSteps, creaseDiagonals } from './steps'

const { at, onto, step, valley } = fold
const CENTRE = at(0.5, 0.5)

/** The tab's tip; the middle of the closed edge, where it stops; the star's point; the corner of the mouth. */
const [TAB, SEAT, POINT, MOUTH] = [at(0, 1), CENTRE, at(1, 0), at(1, 0.5)]
const NAMES = { 6: 'six', 7: 'seven', 8: 'eight', 9: 'nine', 10: 'ten', 12: 'twelve' } as const

/** A ring of so many units: the tip of each tab at the middle of the next pocket's closed edge. */
const ringOf = (units: keyof typeof NAMES): VariantSource => ({
  key: NAMES[units],
  name: `${NAMES[units]} units`,
  without: [],
  assembly: {
    units,
    join: { tab: TAB, seat: SEAT },
    turns: 'left',
    next: 'inside',
    mount: { designId: 'spinner-mount', axis: 'across-flats', overlapMm: 6 },
    says: {
      first:
        'Slip the tab of the second unit into the mouth of the first until it stops at the middle of its closed edge.',
      each: 'Tab in until it stops, turn it to the mark, hook the corner that stands out over the inner edge.',
      last: 'The last unit takes the first one’s tab as well: open both a little, slide them in together, then hook both corners.',
    },
    sight: {
      says: 'The closed edge of the next unit leaves the mouth so far from the point of the star',
      edge: [TAB, POINT],
      crosses: [POINT, MOUTH],
    },
  },
  sizes: [
    {
      axis: 'across',
      label: 'across the points',
      assembled: 'across',
      derivation: `Measured on the folded unit, turned by 360 / ${units} degrees about the one centre that brings tab to seat. On paper: with the half diagonal h = 0.7071 S, twice h times the root of 1.5 squared plus (1 / (2 tan ${180 / units} degrees)) squared.`,
    },
    {
      axis: 'hole',
      label: 'hole from flat to flat',
      assembled: 'hole',
      derivation: `Measured likewise. On paper: h / tan ${180 / units} degrees less h.`,
    },
  ],
})

export const ringStar: DesignSource = {
  format: 2,
  id: 'ring-star',
  name: 'Locked ring star',
  family: 'star',
  summary: 'Like units in a ring, each tab in the pocket of the next, each corner hooked over the edge.',
  origin: 'ours',
  guide: {
    skill: 'steady',
    tools: ['fingernail', 'bone folder'],
    supplies: [],
    adhesive: null,
    dryingMinutes: 0,
    test: 'Lift it by one point: the ring holds its shape.',
    cautions: ['Thin paper does not hold a ring: crisp, rather thick sheets.'],
    rescue: [
      {
        symptom: 'The ring does not close',
        remedy: 'Every join is a little short: push each tab until it stops at the closed edge.',
      },
      {
        symptom: 'It closes too soon',
        remedy: 'Turn each join a little less; the mark on the mouth tells how far.',
      },
      {
        symptom: 'A unit slips out',
        remedy: 'Its hook is missing: fold the corner that stands over the inner edge down over it.',
      },
    ],
  },
  usualMinutes: 3,
  gauges: [],
  parts: [
    {
      key: 'unit',
      name: 'unit',
      unitsPerPiece: 8,
      perSquare: 1,
      sideUp: 'colour down',
      sideUpReason: 'Both corners come in over the light side, and the fold closes over them.',
      sheet: { kind: 'square', turnedDegrees: 45 },
      stages: [
        {
          key: 'unit',
          name: 'Unit',
          steps: asSteps([
            creaseDiagonals,
            step(
              { key: 'corners', say: 'Top and bottom corner to the centre', each: 'corner' },
              valley(onto(at(1, 1), CENTRE)),
              valley(onto(at(0, 0), CENTRE)),
            ),
            step(
              {
                key: 'close',
                normal: 'The mouth gapes a little: it wants to be open for the next tab.',
                look: ['all four edges lie on one another', 'the middle crease runs to the closed edge'],
                say: 'Bottom half up: the corners go inside',
                each: 'fold',
                crease: 'burnished',
              },
              valley(onto(at(0.25, 0.25), at(0.75, 0.75))),
            ),
          ]),
        },
      ],
    },
  ],
  variants: ([6, 7, 8, 9, 10, 12] as const).map(ringOf),
}
