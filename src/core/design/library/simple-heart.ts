import type { DesignSource, Linear } from '../types'

/** Half the diagonal of the sheet, the unit of this construction: every landmark is an eighth or a quarter of it. */
const HALF_DIAGONAL = Math.SQRT1_2
const h = (multiple: number): Linear => ({ share: multiple * HALF_DIAGONAL })

/** Right half from the bottom point up to the notch, in half diagonals; the left half mirrors it. */
const whole = (rightHalf: readonly (readonly [number, number])[]) => [
  { x: h(0), y: h(0) },
  ...rightHalf.map(([x, y]) => ({ x: h(x), y: h(y) })),
  { x: h(0), y: h(0.75) },
  ...[...rightHalf].reverse().map(([x, y]) => ({ x: h(-x), y: h(y) })),
]

export const simpleHeart: DesignSource = {
  format: 2,
  id: 'simple-heart',
  name: 'Simple heart',
  family: 'heart',
  summary: 'From a square stood on its corner; the sides come up along the middle.',
  origin: 'traditional; the rounding of the tips is our own proportion',
  usualMinutes: 4,
  gauges: [],
  parts: [
    {
      key: 'heart',
      name: 'heart',
      unitsPerPiece: 1,
      perSquare: 1,
      sideUp: 'colour down',
      sideUpReason: 'The front of the heart is the underside of the first fold.',
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
          key: 'body',
          name: 'Body',
          steps: [
            {
              key: 'top',
              say: 'Top corner down to the centre',
              each: 'corner',
              repeats: 1,
              crease: 'firm',
              rigour: 'strict',
            },
            {
              key: 'bottom',
              say: 'Bottom corner up to the top edge',
              each: 'corner',
              repeats: 1,
              crease: 'firm',
              rigour: 'strict',
            },
            {
              key: 'sides',
              say: 'Bottom edge up along the middle',
              each: 'side',
              repeats: 2,
              crease: 'burnished',
              rigour: 'strict',
              note: 'Both edges meet on the middle line. The point at the bottom must be sharp.',
            },
            { key: 'over', say: 'Turn over', each: 'turn', repeats: 1, crease: 'none', rigour: 'strict' },
          ],
        },
        {
          key: 'tips',
          name: 'Round off',
          steps: [
            {
              key: 'top-tips',
              say: 'Top tip down, level with the notch',
              each: 'tip',
              repeats: 2,
              crease: 'firm',
              rigour: 'even',
            },
            {
              key: 'side-tips',
              say: 'Side tip in, half as much',
              each: 'tip',
              repeats: 2,
              crease: 'firm',
              rigour: 'even',
            },
          ],
        },
      ],
    },
  ],
  variants: [
    {
      key: 'rounded',
      name: 'rounded',
      without: [],
      sizes: [
        {
          axis: 'width',
          label: 'wide',
          size: h(1.125),
          derivation: 'Each side tip at 5/8 of the half diagonal is folded in by 1/16: 9/8 of 0.7071 S.',
        },
        {
          axis: 'height',
          label: 'high',
          size: h(0.875),
          derivation: 'The top tips, 1/4 of the half diagonal above the notch, are halved: 7/8 of 0.7071 S.',
        },
      ],
      outline: whole([
        [0.5625, 0.5625],
        [0.5625, 0.6875],
        [0.375, 0.875],
        [0.125, 0.875],
      ]),
    },
    {
      key: 'pointed',
      name: 'pointed',
      without: ['top-tips', 'side-tips'],
      sizes: [
        {
          axis: 'width',
          label: 'wide',
          size: h(1.25),
          derivation:
            'The sides fold along 45 degrees from the bottom point out to 5/8 of the half diagonal.',
        },
        {
          axis: 'height',
          label: 'high',
          size: h(1),
          derivation: 'From the bottom point to the tips: the half diagonal, 0.7071 S.',
        },
      ],
      outline: whole([
        [0.625, 0.625],
        [0.25, 1],
      ]),
    },
  ],
}
