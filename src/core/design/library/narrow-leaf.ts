import type { DesignSource } from '../types'

/** Kites from both ends of the diagonal: each end is half of 45 degrees to a side of it. */
const LENGTH = Math.SQRT2
const HALF_WIDTH = (Math.SQRT2 / 2) * Math.tan(Math.PI / 8)

export const narrowLeaf: DesignSource = {
  format: 2,
  id: 'narrow-leaf',
  name: 'Narrow leaf',
  family: 'leaf',
  summary: 'A quarter sheet kited from both ends, then halved along its rib.',
  origin: 'traditional',
  usualMinutes: 2,
  gauges: [],
  parts: [
    {
      key: 'leaf',
      name: 'leaf',
      unitsPerPiece: 1,
      perSquare: 4,
      sideUp: 'colour down',
      sideUpReason: 'The raw edges come in over the white side and leave a white rib only where they meet.',
      stages: [
        {
          key: 'kites',
          name: 'Kites',
          steps: [
            {
              key: 'rib',
              say: 'Corner to corner, crease the rib, open',
              each: 'rib',
              repeats: 1,
              crease: 'light',
              rigour: 'strict',
            },
            {
              key: 'first-end',
              say: 'Raw edge to the rib',
              each: 'edge',
              repeats: 2,
              crease: 'firm',
              rigour: 'strict',
              note: 'First end. The tip must be sharp.',
            },
            {
              key: 'second-end',
              say: 'Edge to the rib, from the other end',
              each: 'edge',
              repeats: 2,
              crease: 'firm',
              rigour: 'strict',
            },
          ],
        },
        {
          key: 'halve',
          name: 'Halve',
          steps: [
            {
              key: 'half',
              say: 'Fold in half along the rib',
              each: 'fold',
              repeats: 1,
              crease: 'burnished',
              rigour: 'strict',
              note: 'The folded edges go outside.',
            },
          ],
        },
      ],
    },
  ],
  variants: [
    {
      key: 'halved',
      name: 'halved',
      without: [],
      sizes: [
        {
          axis: 'tip-to-tip',
          label: 'tip to tip',
          size: { share: LENGTH },
          derivation: 'The rib is the diagonal of the quarter sheet: 1.414 of its side.',
        },
        {
          axis: 'width',
          label: 'wide',
          size: { share: HALF_WIDTH },
          derivation: 'Half the diagonal times tan 22.5 degrees: 0.293 of the side, after halving.',
        },
      ],
      outline: [
        { x: { share: -LENGTH / 2 }, y: { share: 0 } },
        { x: { share: LENGTH / 2 }, y: { share: 0 } },
        { x: { share: 0 }, y: { share: HALF_WIDTH } },
      ],
    },
    {
      key: 'open',
      name: 'left open',
      without: ['half'],
      sizes: [
        {
          axis: 'tip-to-tip',
          label: 'tip to tip',
          size: { share: LENGTH },
          derivation: 'The rib is the diagonal of the quarter sheet: 1.414 of its side.',
        },
        {
          axis: 'width',
          label: 'wide',
          size: { share: 2 * HALF_WIDTH },
          derivation: 'The diagonal times tan 22.5 degrees: 0.586 of the side.',
        },
      ],
      outline: [
        { x: { share: -LENGTH / 2 }, y: { share: 0 } },
        { x: { share: 0 }, y: { share: -HALF_WIDTH } },
        { x: { share: LENGTH / 2 }, y: { share: 0 } },
        { x: { share: 0 }, y: { share: HALF_WIDTH } },
      ],
    },
  ],
}
