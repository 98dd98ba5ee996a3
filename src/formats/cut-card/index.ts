export { PAGE_MM, type CutCard, type PageSize } from './card'
export { cardAsSvg } from './svg'
export { cardsAsPdf, type CardFonts } from './pdf'
