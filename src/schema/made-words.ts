import type { MADE, MadeKind } from '@/core/arrange'

/** A number asked for: its label, and as it reads in a sentence. */
interface InputWords {
  readonly label: string
  readonly name: string
}

interface MadeWords {
  /** As it is chosen: "a garland". */
  readonly name: string
  readonly inputs: Readonly<Record<string, InputWords>>
}

type KeysOf<Kind extends MadeKind> = (typeof MADE)[Kind]['inputs'][number]['key']

const each = (of: string): InputWords => ({ label: `To each ${of}`, name: `how many to each ${of}` })
const tail = { label: 'Tail at each end', name: 'the tail' }
const knot = { label: 'A knot or tape takes', name: 'what a knot takes' }

/** The words of everything that can be made. */
export const MADE_WORDS = {
  batch: { name: 'loose pieces', inputs: { pieces: { label: 'How many', name: 'how many' } } },
  bouquet: {
    name: 'bouquets or bottles',
    inputs: {
      bouquets: { label: 'Bouquets or bottles', name: 'how many bouquets' },
      each: each('one'),
      stem: { label: 'Stem', name: 'the stem' },
      vase: { label: 'Bottle or vase, high', name: 'the height of the vase' },
    },
  },
  garland: {
    name: 'a garland',
    inputs: {
      long: { label: 'Length', name: 'the length' },
      pieces: { label: 'or how many', name: 'how many' },
      every: { label: 'One every', name: 'how far from one to the next' },
      tail,
      knot,
      across: { label: 'Hooks apart', name: 'how far the hooks are apart' },
    },
  },
  wreath: {
    name: 'a wreath',
    inputs: {
      radius: { label: 'Radius of the ring', name: 'the radius' },
      pieces: { label: 'or how many', name: 'how many' },
      overlap: { label: 'Each over the next', name: 'the overlap' },
    },
  },
  mobile: {
    name: 'a mobile',
    inputs: {
      threads: { label: 'Threads', name: 'how many threads' },
      each: each('thread'),
      drop: { label: 'To the first', name: 'the first drop' },
      every: { label: 'One every', name: 'how far from one to the next' },
      knot,
    },
  },
  topper: {
    name: 'cards or gift toppers',
    inputs: {
      gifts: { label: 'Cards or gifts', name: 'how many gifts' },
      each: each('one'),
      margin: { label: 'Margin around it', name: 'the margin' },
      panels: { label: 'Panels (2: folded once)', name: 'how many panels' },
    },
  },
  table: {
    name: 'a laid table',
    inputs: { places: { label: 'Places', name: 'how many places' }, each: each('place') },
  },
} as const satisfies { readonly [Kind in MadeKind]: MadeWords & { inputs: Record<KeysOf<Kind>, InputWords> } }
