import { bestGrid, type SheetFormat } from '../sheet'
import { umFromMm } from '../units'

/** Cards a sheet gives, and the sheets that so many cards take; `null` where the card is larger than the sheet. */
export function cardSheets(
  cards: number,
  card: { readonly widthMm: number; readonly heightMm: number },
  sheet: Pick<SheetFormat, 'widthMm' | 'heightMm'>,
): { readonly toASheet: number; readonly sheets: number } | null {
  const size = ({ widthMm, heightMm }: { readonly widthMm: number; readonly heightMm: number }) => ({
    widthUm: umFromMm(widthMm),
    heightUm: umFromMm(heightMm),
  })
  const toASheet = bestGrid(size(sheet), size(card)).count
  return toASheet === 0 ? null : { toASheet, sheets: Math.ceil(cards / toASheet) }
}
