import { cardSheets, envelopeFor } from '@/core/card'
import type { Made, Making } from '@/core/arrange'
import { thicknessMm } from '@/core/paper'
import { SHEET_FORMATS } from '@/core/sheet'
import { countOf, formatLength, plural, type Preferences } from '../format'

/** A card of 240 g/m2, mm; common practice, no source. */
const CARD_MM = 0.3

/** A card as it is cut, and folded where it has two panels. */
export function cardOf({ making, made }: { readonly making: Making; readonly made: Made }) {
  const card = made.supplies.find(({ what }) => what === 'card')
  if (!card) return null
  const panels = making.values['panels'] ?? 1
  const highMm = card.highMm ?? card.eachMm
  return {
    cards: card.count,
    widthMm: card.eachMm,
    cutHighMm: highMm,
    highMm: highMm / panels,
    panels,
    marginMm: making.values['margin'] ?? 0,
  }
}

interface OfCards {
  readonly making: Making
  readonly made: Made
  /** Layers at the thickest place; `null` where the folds do not say. */
  readonly layers: number | null
  /** The thickest of its papers. */
  readonly caliperMm: number
  readonly preferences: Preferences
}

/** How cards are cut, how thick one is with what is glued to it, and what it goes into. */
export function cardWords({ making, made, layers, caliperMm, preferences }: OfCards): readonly string[] {
  const card = cardOf({ making, made })
  if (!card) return []
  const american = preferences.unit === 'in'
  const sheet = SHEET_FORMATS.find(({ key }) => key === (american ? 'letter' : 'A4'))
  const cut = sheet && cardSheets(card.cards, { widthMm: card.widthMm, heightMm: card.cutHighMm }, sheet)
  const thickMm = layers === null ? null : thicknessMm(layers, caliperMm) + card.panels * CARD_MM
  const into =
    thickMm === null
      ? null
      : envelopeFor({ widthMm: card.widthMm, heightMm: card.highMm, thickMm }, american ? 'american' : 'iso')
  return [
    ...(sheet && cut
      ? [
          `${countOf(cut.toASheet, 'card')} to a sheet of ${sheet.label}: ${plural(cut.sheets, 'sheet')} of card.`,
        ]
      : []),
    ...(thickMm === null || layers === null
      ? []
      : [
          `With its card up to ${thickMm.toFixed(1)} mm thick, pressed flat (${plural(layers, 'layer')} of ${caliperMm.toFixed(2)} mm); ${
            into === null
              ? 'no usual envelope takes a card that large.'
              : `${into.label}, ${formatLength(into.widthMm, preferences)} x ${formatLength(into.heightMm, preferences)}, is the smallest envelope that takes it. What it costs to send so thick a letter, the carrier says.`
          }`,
        ]),
  ]
}
