import { fold } from '../../fold'
import type { DesignSource, VariantSource } from '../types'
import { asSteps, creaseDiagonals } from './steps'

const { at, onto, step, valley } = fold
const CENTRE = at(0.5, 0.5)

/** The tab's tip; the middle of the closed edge, where it stops; the star's point; the corner of the mouth. */
const [TAB, SEAT, POINT, MOUTH] = [at(0, 1), CENTRE, at(1, 0), at(1, 0.5)]
/**
 * With eight units or fewer the corner that stands out cannot be hooked: the fold across it would have to be steeper
 * than the turn from unit to unit. Those rings are left out until they have another lock.
 */
const NAMES = { 9: 'nine', 10: 'ten', 12: 'twelve' } as const
const oddly = (units: number, even: string, odd: string): string => (units % 2 === 0 ? even : odd)

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
      label: oddly(units, 'across the points', 'point to farthest point'),
      assembled: 'across',
      derivation: `Measured on the folded unit, turned by 360 / ${units} degrees about the one centre that brings tab to seat, as a caliper reads it. On paper: with the half diagonal h = 0.7071 S, twice h times the root of 1.5 squared plus (1 / (2 tan ${180 / units} degrees)) squared${oddly(units, '', `, times cos ${90 / units} degrees, since no point faces another`)}.`,
    },
    {
      axis: 'hole-widest',
      label: 'hole at its widest',
      assembled: 'hole-widest',
      derivation: `Measured likewise, from corner to ${oddly(units, 'opposite', 'farthest')} corner of the hole.`,
    },
    {
      axis: 'hole-circle',
      label: 'circle around the hole',
      assembled: 'hole-circle',
      derivation: `Measured likewise: the circle that the corners of the hole lie on, which a mount has to cover. On paper: with r = (h / tan ${180 / units} degrees less h) / 2, and c and s the cosine and sine of ${360 / units} degrees, twice r times the root of 1 plus ((1 - c + s) / (c + s)) squared.`,
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
      unitsPerPiece: 9,
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
  variants: ([9, 10, 12] as const).map(ringOf),
}
