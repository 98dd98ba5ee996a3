import type { Feel } from '../src/core/paper'

/** A paper of the demo's drawer, with plain made-up names. */
export interface DemoPaper {
  readonly name: string
  readonly front: string
  readonly back: string
  readonly feel: Feel
  readonly grammage: string
  readonly sheets: readonly (readonly [width: string, height: string, amount: string, price: string])[]
}

const A4 = ['21', '29.7'] as const
const SQUARE_15 = ['15', '15'] as const

export const PAPERS: readonly DemoPaper[] = [
  {
    name: 'Reed Green',
    front: '#7f9563',
    back: '#f7f4ea',
    feel: 'thin',
    grammage: '60',
    sheets: [
      [...SQUARE_15, '40', '0.08'],
      [...A4, '12', '0.12'],
    ],
  },
  {
    name: 'Tidewater',
    front: '#2c6e7f',
    back: '#cfe3e6',
    feel: 'copier',
    grammage: '80',
    sheets: [[...A4, '25', '0.14']],
  },
  {
    name: 'Buoy Orange',
    front: '#c4491d',
    back: '#f7e3d3',
    feel: 'copier',
    grammage: '80',
    sheets: [[...A4, '18', '0.14']],
  },
  {
    name: 'Oyster',
    front: '#e2d8c3',
    back: '#fbf8f1',
    feel: 'soft',
    grammage: '70',
    sheets: [[...A4, '9', '0.18']],
  },
  {
    name: 'Dusk Plum',
    front: '#6a4a66',
    back: '#e8dbe6',
    feel: 'copier',
    grammage: '80',
    sheets: [[...A4, '14', '0.14']],
  },
  {
    name: 'Sea Holly',
    front: '#5c7fa3',
    back: '#e3ebf3',
    feel: 'heavy',
    grammage: '100',
    sheets: [[...SQUARE_15, '10', '0.20']],
  },
]

/** What is not folded: what it is called, how it is told, how long one is, how much there is. */
export const SUPPLIES: readonly (readonly [
  name: string,
  told: 'counted' | 'measured',
  each: string,
  amount: string,
])[] = [
  ['stem', 'counted', '30', '36'],
  ['string', 'measured', '', '2000'],
  ['card', 'counted', '', '24'],
  ['pin', 'counted', '', '50'],
]

/** What papers are sold in. */
export const PACKS: readonly (readonly [
  paper: string,
  form: 'sheets' | 'pad',
  width: string,
  height: string,
  sheets: string,
  price: string,
  leadDays: string,
])[] = [
  ['Oyster', 'sheets', ...A4, '10', '2.10', '2'],
  ['Oyster', 'sheets', ...A4, '50', '7.90', '4'],
  ['Sea Holly', 'pad', ...SQUARE_15, '25', '4.20', '3'],
  ['Sea Holly', 'sheets', ...A4, '20', '4.40', '5'],
]
