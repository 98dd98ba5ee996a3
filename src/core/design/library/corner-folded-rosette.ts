import type { DesignDocument, Linear } from '../types'

/** Three corner rounds leave a square of side S / 2^(3/2). */
const SQUARE = 1 / Math.sqrt(8)

const along = (share: number, overhangs = 0): Linear =>
  overhangs === 0 ? { share } : { share, gauges: { overhang: overhangs } }

/**
 * One side of the outline: from a corner along the bottom edge to the small tip that stands out by the overhang.
 * The petal's tip is a right angle, so its foot is one overhang to each side. Turned for the other three sides.
 */
const side: readonly { readonly x: Linear; readonly y: Linear }[] = [
  { x: along(-SQUARE / 2), y: along(-SQUARE / 2) },
  { x: along(0, -1), y: along(-SQUARE / 2) },
  { x: along(0), y: along(-SQUARE / 2, -1) },
  { x: along(0, 1), y: along(-SQUARE / 2) },
]

const negate = (form: Linear): Linear => along(-form.share || 0, -(form.gauges?.['overhang'] ?? 0))
const quarterTurn = (points: typeof side): typeof side => points.map(({ x, y }) => ({ x: negate(y), y: x }))
const second = quarterTurn(side)
const third = quarterTurn(second)

export const cornerFoldedRosette: DesignDocument = {
  format: 1,
  id: 'corner-folded-rosette',
  name: 'Corner-folded rosette',
  family: 'flower',
  summary: 'Three rounds of corners to the centre, then three rings of petals turned out.',
  origin: 'traditional',
  usualMinutes: 8,
  gauges: [
    {
      key: 'overhang',
      name: 'petal overhang',
      explains: 'How far the outer petal tips stand out over the edge. The fold line moves by half of it.',
      defaultMm: 3,
      minMm: 0,
      maxMm: 8,
    },
  ],
  parts: [
    {
      key: 'flower',
      name: 'flower',
      unitsPerPiece: 1,
      perSquare: 1,
      sideUp: 'colour down',
      sideUpReason: 'The corners come in over the white side, so every petal shows colour.',
      stages: [
        {
          key: 'creases',
          name: 'Diagonals',
          steps: [
            {
              key: 'diagonal',
              say: 'Corner to opposite corner, crease, open',
              each: 'diagonal',
              repeats: 2,
              crease: 'light',
              rigour: 'strict',
            },
          ],
        },
        {
          key: 'rounds',
          name: 'Corner rounds',
          steps: [
            {
              key: 'round-1',
              say: 'Corner to the centre',
              each: 'corner',
              repeats: 4,
              crease: 'firm',
              rigour: 'strict',
              note: 'Round 1 of 3. Leave a hair of space at the centre: the next rounds need it.',
            },
            {
              key: 'round-2',
              say: 'Corner to the centre, all layers',
              each: 'corner',
              repeats: 4,
              crease: 'firm',
              rigour: 'strict',
              note: 'Round 2 of 3. Same side up as before.',
            },
            {
              key: 'round-3',
              say: 'Corner to the centre, all layers',
              each: 'corner',
              repeats: 4,
              crease: 'burnished',
              rigour: 'strict',
              note: 'Round 3 of 3. Crease with the bone folder.',
            },
          ],
        },
        {
          key: 'petals',
          name: 'Petals out',
          steps: [
            {
              key: 'ring-3',
              say: 'Top tip out over the edge, to the gauge',
              each: 'petal',
              repeats: 4,
              crease: 'firm',
              rigour: 'free',
              note: 'The first petal sets the gauge for the other three: lay them side by side.',
            },
            {
              key: 'ring-2',
              say: 'Next tip out to its corner',
              each: 'petal',
              repeats: 4,
              crease: 'firm',
              rigour: 'even',
            },
            {
              key: 'ring-1',
              say: 'Last tip out to the middle of the petal below',
              each: 'petal',
              repeats: 4,
              crease: 'light',
              rigour: 'even',
            },
          ],
        },
        {
          key: 'shape',
          name: 'Curl',
          steps: [
            {
              key: 'curl',
              say: 'Curl the petals over a pen body',
              each: 'curl',
              repeats: 1,
              crease: 'rolled',
              rigour: 'free',
            },
          ],
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
          axis: 'edge-to-edge',
          label: 'edge to edge',
          size: along(SQUARE, 2),
          derivation:
            'Each corner round divides the side by the square root of 2: S / 2.828. The petal tips add the overhang on both sides.',
        },
        {
          axis: 'corner-to-corner',
          label: 'corner to corner',
          size: along(1 / 2),
          derivation: 'The diagonal of the square of side S / 2.828 is S / 2.',
        },
      ],
      outline: [...side, ...second, ...third, ...quarterTurn(third)],
      shaping: 'Curling lifts the petals and draws the outline in a little.',
    },
  ],
}
