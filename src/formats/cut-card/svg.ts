import { cardPages, PAGE_MM, type CutCard, type Drawn, type PageSize } from './card'

/** What XML 1.0 has no place for: control characters, halves of characters, the two last places of a plane. */
const NOT_IN_XML = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|\p{Surrogate}/gu

const escaped = (value: string): string =>
  value
    .replace(NOT_IN_XML, '\ufffd')
    .replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign] ?? sign)

const mm = (value: number): string => String(Math.round(1000 * value) / 1000)

function element(one: Drawn): string {
  switch (one.kind) {
    case 'box': {
      const { x, y, width, height } = one.box
      const dash = one.dashed ? ' stroke-dasharray="1.5 1.5"' : ''
      return `<rect x="${mm(x)}" y="${mm(y)}" width="${mm(width)}" height="${mm(height)}" fill="${one.fill ?? 'none'}" stroke="#10222c" stroke-width="0.3"${dash}/>`
    }
    case 'line':
      return `<line x1="${mm(one.from.x)}" y1="${mm(one.from.y)}" x2="${mm(one.to.x)}" y2="${mm(one.to.y)}" stroke="#10222c" stroke-width="${mm(one.width)}"/>`
    case 'text':
      return `<text x="${mm(one.at.x)}" y="${mm(one.at.y)}" font-size="${mm(one.size)}" text-anchor="${one.anchor}"${one.bold ? ' font-weight="700"' : ''}>${escaped(one.says)}</text>`
  }
}

/** The pages of a card one under the other, in true size. */
export function cardAsSvg(card: CutCard, page: PageSize): string {
  const pages = cardPages(card, page)
  const { width, height } = PAGE_MM[page]
  const all = height * pages.length
  const drawn = pages.map(
    (one, index) => `<g transform="translate(0 ${mm(index * height)})">${one.map(element).join('')}</g>`,
  )
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${mm(width)}mm" height="${mm(all)}mm" viewBox="0 0 ${mm(width)} ${mm(all)}" font-family="'Atkinson Hyperlegible Next', sans-serif" fill="#10222c"><rect width="100%" height="100%" fill="#ffffff"/>${drawn.join('')}</svg>\n`
}
