import { CoreError, requireRange } from '../errors'
import { ROUNDING } from '../numeric'
import type { SharingMethod } from '../colour'
import { hangOf } from './hang'

/** How large one finished piece is, as it is drawn: across and high. */
export interface PieceSize {
  readonly acrossMm: number
  readonly highMm: number
}

/** Numbers asked for: counts, and lengths in mm. One that was left open is not there. */
export type MadeValues = Readonly<Record<string, number>>

/** What one can buy or cut that is not folded. */
export interface Supply {
  readonly what: 'string' | 'thread' | 'stem' | 'card' | 'wreath ring'
  readonly count: number
  /** Of one: its length, or how large it is across. */
  readonly eachMm: number
  /** A card's other side. */
  readonly highMm?: number
}

/** Lengths that follow, in the order in which they are told. */
export type MadeFact = 'dressed' | 'gap' | 'sag' | 'radius' | 'outside' | 'pitch' | 'hangs' | 'above'

export interface Made {
  readonly pieces: number
  readonly facts: readonly { readonly fact: MadeFact; readonly mm: number }[]
  readonly supplies: readonly Supply[]
}

export interface MadeInput {
  readonly key: string
  readonly is: 'count' | 'length'
  readonly min: number
  readonly max: number
  /** May stay open; then it follows, or is left out. */
  readonly open?: true
  /** Where it begins: the craft's common practice, no source. */
  readonly usual?: number
}

/** Nothing here is longer than a hundred metres: no longer length can be typed. */
const LONGEST_MM = 100_000

interface Rule {
  /** The number of like things its pieces make, into each of which other pieces may go too. */
  readonly sets?: string
  readonly inputs: readonly MadeInput[]
  readonly work: (values: MadeValues, piece: PieceSize) => Made
}

const count = (key: string, more: Partial<MadeInput> = {}): MadeInput => ({
  key,
  is: 'count',
  min: 1,
  max: 10_000,
  ...more,
})
const length = (key: string, more: Partial<MadeInput> = {}): MadeInput => ({
  key,
  is: 'length',
  min: 0,
  max: LONGEST_MM,
  ...more,
})

const given = (values: MadeValues, key: string): number => values[key] ?? 0

/** Of two numbers of which one follows from the other, exactly one is given. */
function requireOne(values: MadeValues, one: string, other: string): void {
  const both = values[one] !== undefined && values[other] !== undefined
  const none = values[one] === undefined && values[other] === undefined
  if (both || none) throw new CoreError('ONE_OF_TWO', { name: one, value: other, min: both ? 1 : 0 })
}

/** n w + (n - 1) gap, with the pitch w + gap: the first piece begins where the dressed length does. */
function garland(values: MadeValues, { acrossMm }: PieceSize): Made {
  requireOne(values, 'pieces', 'long')
  const everyMm = given(values, 'every')
  const { pieces: asked, long = 0, across } = values
  if (asked === undefined) requireRange('long', long, 'mm', acrossMm, LONGEST_MM)
  const pieces = asked ?? Math.floor((long - acrossMm) / everyMm + ROUNDING) + 1
  requireRange('pieces', pieces, '', 1, 1 + Math.floor((LONGEST_MM - acrossMm) / everyMm))
  const dressedMm = acrossMm + (pieces - 1) * everyMm
  const stringMm = dressedMm + 2 * given(values, 'tail') + pieces * given(values, 'knot')
  return {
    pieces,
    facts: [
      { fact: 'dressed', mm: dressedMm },
      { fact: 'gap', mm: everyMm - acrossMm },
      ...(across === undefined ? [] : [{ fact: 'sag', mm: hangOf(dressedMm, across).sagMm } as const]),
    ],
    supplies: [{ what: 'string', count: 1, eachMm: stringMm }],
  }
}

/** floor(2 pi r / pitch), the pitch measured along the ring. */
function wreath(values: MadeValues, { acrossMm, highMm }: PieceSize): Made {
  requireOne(values, 'pieces', 'radius')
  const overlapMm = given(values, 'overlap')
  requireRange('overlap', overlapMm, 'mm', 0, MOST_OVERLAP * acrossMm)
  const pitchMm = acrossMm - overlapMm
  const { pieces: asked, radius } = values
  if (asked === undefined)
    requireRange('radius', radius ?? 0, 'mm', (LEAST_IN_RING * pitchMm) / (2 * Math.PI), LONGEST_MM)
  const pieces = asked ?? Math.floor((2 * Math.PI * (radius ?? 0)) / pitchMm + ROUNDING)
  const radiusMm = radius ?? (pieces * pitchMm) / (2 * Math.PI)
  return {
    pieces,
    facts: [
      { fact: 'radius', mm: radiusMm },
      { fact: 'pitch', mm: (2 * Math.PI * radiusMm) / pieces },
      { fact: 'outside', mm: 2 * radiusMm + highMm },
    ],
    supplies: [{ what: 'wreath ring', count: 1, eachMm: 2 * radiusMm }],
  }
}

const LEAST_IN_RING = 3
/** Of a piece's own width: more of it would be hidden than seen. */
const MOST_OVERLAP = 0.9

function mobile(values: MadeValues, { highMm }: PieceSize): Made {
  const [threads, each] = [given(values, 'threads'), given(values, 'each')]
  const reachMm = given(values, 'drop') + (each - 1) * given(values, 'every')
  return {
    pieces: threads * each,
    facts: [
      { fact: 'gap', mm: given(values, 'every') - highMm },
      { fact: 'hangs', mm: reachMm + highMm },
    ],
    supplies: [{ what: 'thread', count: threads, eachMm: reachMm + (each + 1) * given(values, 'knot') }],
  }
}

function bouquet(values: MadeValues, { highMm }: PieceSize): Made {
  const pieces = given(values, 'bouquets') * given(values, 'each')
  const { stem = 0, vase } = values
  if (vase !== undefined) requireRange('stem', stem, 'mm', vase, LONGEST_MM)
  return {
    pieces,
    facts: vase === undefined ? [] : [{ fact: 'above', mm: stem - vase + highMm }],
    supplies: stem === 0 ? [] : [{ what: 'stem', count: pieces, eachMm: stem }],
  }
}

/** A card stands by itself, or is folded once: then the sheet is twice as high. */
const MOST_PANELS = 2

/** One card to each, its pieces side by side with the margin around and between them. */
function topper(values: MadeValues, { acrossMm, highMm }: PieceSize): Made {
  const [gifts, each, marginMm] = [given(values, 'gifts'), given(values, 'each'), given(values, 'margin')]
  return {
    pieces: gifts * each,
    facts: [],
    supplies: [
      {
        what: 'card',
        count: gifts,
        eachMm: each * acrossMm + (each + 1) * marginMm,
        highMm: (values['panels'] ?? 1) * (highMm + 2 * marginMm),
      },
    ],
  }
}

const nothingMore = (pieces: number): Made => ({ pieces, facts: [], supplies: [] })

/**
 * What pieces are made into: what is asked for each, and what follows from it. One place for a new kind: what misses
 * a part does not compile, and forms, briefs and the supplies list take it up by themselves.
 */
export const MADE = {
  batch: {
    inputs: [count('pieces')],
    work: (values) => nothingMore(given(values, 'pieces')),
  },
  bouquet: {
    sets: 'bouquets',
    inputs: [
      count('bouquets'),
      count('each', { max: 200 }),
      length('stem', { max: 2000, open: true }),
      length('vase', { max: 2000, open: true }),
    ],
    work: bouquet,
  },
  garland: {
    inputs: [
      length('long', { open: true }),
      count('pieces', { open: true }),
      length('every', { min: 1, max: 5000 }),
      length('tail', { max: 5000, usual: 300 }),
      length('knot', { max: 500, usual: 30 }),
      length('across', { min: 1, open: true }),
    ],
    work: garland,
  },
  wreath: {
    inputs: [
      length('radius', { max: 5000, open: true }),
      count('pieces', { min: LEAST_IN_RING, open: true }),
      length('overlap', { max: 1000, usual: 0 }),
    ],
    work: wreath,
  },
  mobile: {
    inputs: [
      count('threads', { max: 500 }),
      count('each', { max: 500 }),
      length('drop', { max: 20_000 }),
      length('every', { min: 1, max: 5000 }),
      length('knot', { max: 500, usual: 30 }),
    ],
    work: mobile,
  },
  topper: {
    inputs: [
      count('gifts'),
      count('each', { max: 200 }),
      length('margin', { max: 200, usual: 10 }),
      count('panels', { max: MOST_PANELS, open: true, usual: 1 }),
    ],
    work: topper,
  },
  table: {
    sets: 'places',
    inputs: [count('places'), count('each', { max: 200 })],
    work: (values) => nothingMore(given(values, 'places') * given(values, 'each')),
  },
} as const satisfies Readonly<Record<string, Rule>>

export type MadeKind = keyof typeof MADE
export const MADE_KINDS = Object.keys(MADE) as readonly MadeKind[]

/** The input that says how many like things a kind makes; `null` where it makes one. */
export const setsOf = (kind: MadeKind): string | null => (MADE[kind] as Rule).sets ?? null

/** How far pieces may differ from each other: not at all, or by more and more of what still folds well. */
export const CHARACTERS = ['alike', 'a little', 'some', 'lively'] as const
export type Character = (typeof CHARACTERS)[number]

/** What the pieces of a line are made into. */
export interface Making {
  readonly kind: MadeKind
  readonly values: MadeValues
  /** The units of each piece are in the line's papers by turns, instead of every piece whole in one of them. */
  readonly inTurn?: true
  /** How its pieces are shared over its papers, as it was written, and by which method; by hand where it is not there. */
  readonly shares?: { readonly text: string; readonly by: SharingMethod }
  /** How far its pieces may differ from each other; alike where it is not there. */
  readonly character?: Exclude<Character, 'alike'>
  /** What is written on each card. */
  readonly message?: string
}

/** The same for what was kept: `null` where its numbers do not fit the piece any more. */
export function workedOrNone(making: Making, piece: PieceSize): Made | null {
  try {
    return workOut(making, piece)
  } catch (error) {
    if (error instanceof CoreError) return null
    throw error
  }
}

/**
 * Pieces, lengths and supplies that follow from one number changed.
 * *Throws* `OUT_OF_RANGE` naming the input, `ONE_OF_TWO` where both or neither of two are given.
 */
export function workOut({ kind, values }: Making, piece: PieceSize): Made {
  const { inputs, work }: Rule = MADE[kind]
  for (const { key, min, max, open } of inputs)
    if (values[key] !== undefined || open === undefined) requireRange(key, values[key] ?? NaN, 'mm', min, max)
  return work(values, piece)
}
