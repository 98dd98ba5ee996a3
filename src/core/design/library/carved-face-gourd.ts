import { fold, type Amount, type LineSpec, type MoveSpec, type PointSpec } from '../../fold'
import type { DesignSource } from '../types'
import { asSteps } from './steps'
import { extent } from './sizes'

const { at, foldAndUnfold, mountain, onto, plane, step, through, valley } = fold

/** A square on its corner: its half diagonal in shares of the side, and its level middle. */
const H = Math.SQRT1_2
const [TOP, BOTTOM, RIGHT, LEFT] = [at(1, 1), at(0, 0), at(1, 0), at(0, 1)]
/** So far below the middle, or above it where the amount is less than nothing. */
const level = (share: number, gauges: Readonly<Record<string, number>> = {}): LineSpec => {
  const y: Amount = {
    share: 0.5 - share,
    gauges: Object.fromEntries(Object.entries(gauges).map(([k, v]) => [k, -v])),
  }
  return through(plane(0, y), plane(1, y))
}
/** Where the chin is folded, below the middle. */
const CHIN = 0.34
/** How wide the face is, to each side. */
const CHEEK = 0.405

const BOTTOM_FOLD = plane(0.5, 0.2)
const TOP_FOLD = plane(0.5, 0.8)

const cheek = (corner: PointSpec): MoveSpec =>
  valley({ beside: through(BOTTOM_FOLD, TOP_FOLD), by: CHEEK, towards: corner }, { moves: corner })
/** A top corner behind, from the stem outwards. */
const shoulder = (side: 1 | -1): MoveSpec => {
  const x = (share: number): Amount => 0.5 + side * share
  const besideStem: Amount = { share: 0.5, gauges: { stem: side / 2 } }
  const y = (below: number): Amount => ({ share: 0.5 + H / 2 - below, gauges: { nose: -0.5 } })
  return mountain(through(plane(besideStem, y(0)), plane(x(CHEEK), y(0.16))), {
    moves: plane(x(CHEEK - 0.001), y(0.001)),
  })
}
const jaw = (side: 1 | -1): MoveSpec => {
  const x = (share: number) => 0.5 + side * share
  return mountain(through(plane(x(CHEEK - 0.12), 0.5 - CHIN), plane(x(CHEEK), 0.5 - CHIN + 0.14)), {
    moves: plane(x(CHEEK - 0.001), 0.5 - CHIN + 0.001),
  })
}

export const carvedFaceGourd: DesignSource = {
  format: 2,
  id: 'carved-face-gourd',
  name: 'Carved-face gourd',
  family: 'ornament',
  summary: 'A face that shows the light side: nose, mouth and stem each by a gauge of its own.',
  origin: 'ours',
  guide: {
    skill: 'steady',
    tools: ['fingernail', 'bone folder'],
    supplies: [],
    adhesive: null,
    dryingMinutes: 0,
    test: 'Stand the pieces in a row: eyes and mouths at one height.',
    cautions: [],
    rescue: [
      {
        symptom: 'The nose is off the middle',
        remedy: 'The top corner came off the crease: open it and bring it back onto it.',
      },
      {
        symptom: 'The mouth is crooked',
        remedy: 'The lip is not level: fold the piece in half and compare.',
      },
    ],
  },
  usualMinutes: 7,
  gauges: [
    {
      match: ['neighbour', 'lay over'],
      key: 'mouth',
      name: 'mouth',
      explains: 'How wide the mouth opens between the nose and the lip.',
      unit: 'side',
      standard: 0.07,
      least: 0.03,
      most: 0.11,
    },
    {
      match: ['neighbour', 'lay over'],
      key: 'nose',
      name: 'nose',
      explains: 'How far the tip of the nose comes below the middle. A longer nose makes the gourd lower.',
      unit: 'side',
      standard: 0.06,
      least: 0.02,
      most: 0.1,
    },
    {
      match: ['neighbour', 'halve'],
      key: 'stem',
      name: 'stem',
      explains: 'How wide the stem stays between the shoulders.',
      unit: 'side',
      standard: 0.16,
      least: 0.1,
      most: 0.24,
    },
  ],
  parts: [
    {
      key: 'gourd',
      name: 'gourd',
      unitsPerPiece: 1,
      perSquare: 1,
      sideUp: 'colour down',
      sideUpReason: 'Brow and chin come over in colour; the light side stays to be seen as eyes and mouth.',
      sheet: { kind: 'square', turnedDegrees: 45 },
      stages: [
        {
          key: 'face',
          name: 'Face',
          steps: asSteps([
            step(
              {
                key: 'diagonals',
                say: 'Corner to opposite corner, crease, open',
                each: 'diagonal',
                crease: 'light',
              },
              foldAndUnfold(onto(RIGHT, LEFT)),
              foldAndUnfold(onto(BOTTOM, TOP)),
            ),
            step(
              {
                key: 'lip',
                normal: 'A small corner, and it vanishes: only its fold is seen, as the lip.',
                say: 'Bottom corner up: the fold will be the lip',
                each: 'corner',
                rigour: 'free',
              },
              // Folded up again at the chin, this fold comes to lie as far below the middle as nose and mouth together.
              valley(level(2 * CHIN, { nose: -1, mouth: -1 }), { moves: BOTTOM }),
            ),
            step(
              { key: 'chin', say: 'Bottom up: the lip below the middle by nose and mouth', each: 'fold' },
              valley(level(CHIN), { moves: plane(0.5, 0.05) }),
            ),
            step(
              {
                key: 'nose',
                look: ['nose on the middle', 'the lip level'],
                say: 'Top corner down past the middle, to the gauge: the nose',
                each: 'corner',
                rigour: 'free',
              },
              valley(level(-H / 2, { nose: 0.5 }), { moves: TOP }),
            ),
          ]),
        },
        {
          key: 'outline',
          name: 'Outline',
          steps: asSteps([
            step(
              {
                key: 'cheeks',
                look: ['both cheeks alike'],
                say: 'Side corner in: the cheek',
                each: 'cheek',
                rigour: 'even',
              },
              cheek(RIGHT),
              cheek(LEFT),
            ),
            step(
              {
                key: 'shoulders',
                say: 'Top corner behind, from the stem outwards',
                each: 'shoulder',
                rigour: 'even',
              },
              shoulder(1),
              shoulder(-1),
            ),
            step({ key: 'jaw', say: 'Bottom corner behind', each: 'jaw', rigour: 'even' }, jaw(1), jaw(-1)),
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
        extent('width', 'wide', 0, 'both cheeks at 0.405 S from the middle, 0.81 S.'),
        extent(
          'height',
          'high',
          90,
          'from the chin, 0.34 S below the middle, to the brow, 0.3536 S above it less half the nose.',
        ),
      ],
    },
  ],
}
