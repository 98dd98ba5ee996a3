export type { CutCard } from './card'
export { cardAsSvg } from './svg'
export { cardsAsPdf, type CardFonts } from './pdf'
