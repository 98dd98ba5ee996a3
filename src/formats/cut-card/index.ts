export type { CutCard } from './card'
export { cardAsSvg } from './svg'
export { cardsAsPdf, runsOf, type CardFonts, type Subset } from './pdf'
