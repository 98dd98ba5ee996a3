import { MM_PER_INCH } from '../units'

export interface Envelope {
  readonly label: string
  readonly widthMm: number
  readonly heightMm: number
}

/** *Source* ISO 269, as ISO 216 cuts and folds; from memory. */
const ISO_269: readonly Envelope[] = [
  { label: 'C7', widthMm: 114, heightMm: 81 },
  { label: 'C6', widthMm: 162, heightMm: 114 },
  { label: 'B6', widthMm: 176, heightMm: 125 },
  { label: 'DL', widthMm: 220, heightMm: 110 },
  { label: 'C5', widthMm: 229, heightMm: 162 },
  { label: 'B5', widthMm: 250, heightMm: 176 },
  { label: 'C4', widthMm: 324, heightMm: 229 },
]

const inches = (label: string, width: number, height: number): Envelope => ({
  label,
  widthMm: width * MM_PER_INCH,
  heightMm: height * MM_PER_INCH,
})

/** Sizes of the American trade, inches; common practice, from memory. */
const AMERICAN: readonly Envelope[] = [
  inches('A2', 5.75, 4.375),
  inches('A6', 6.5, 4.75),
  inches('A7', 7.25, 5.25),
  inches('No. 10', 9.5, 4.125),
  inches('A9', 8.75, 5.75),
  inches('9 x 12 in', 12, 9),
]

/** Room that a card needs on every side to go in and come out, mm; common practice, no source. */
const EASE_MM = 3

/**
 * The smallest envelope by its area that takes a card so thick, which lies either way; `null` where none does. A thick
 * thing takes its thickness of both sides: the envelope bulges around it.
 */
export function envelopeFor(
  card: { readonly widthMm: number; readonly heightMm: number; readonly thickMm: number },
  trade: 'iso' | 'american',
): Envelope | null {
  const more = card.thickMm + 2 * EASE_MM
  const [long, short] = [
    Math.max(card.widthMm, card.heightMm) + more,
    Math.min(card.widthMm, card.heightMm) + more,
  ]
  const envelopes = trade === 'iso' ? ISO_269 : AMERICAN
  return envelopes
    .filter(({ widthMm, heightMm }) => long <= widthMm && short <= heightMm)
    .reduce<Envelope | null>(
      (best, one) =>
        best === null || one.widthMm * one.heightMm < best.widthMm * best.heightMm ? one : best,
      null,
    )
}
