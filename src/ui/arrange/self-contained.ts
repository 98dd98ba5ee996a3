/** A colour of the page's theme, or what a colour is inherited as. */
const THEMED = /var\((--[\w-]+)\)|currentColor/g
/** What is saved stands on paper, by night too. */
const [INK, GROUND] = ['#17323a', '#fbf8f1'] as const
const PAINTED = ['fill', 'stroke', 'color'] as const

/** What is there for hands, and says nothing on paper. */
const FOR_HANDS = ['class', 'tabindex', 'role', 'aria-label', 'aria-pressed', 'data-at'] as const

/** Pictures within pictures, as text by their address. */
type Inlined = ReadonlyMap<string, string>

/** Every picture that drawings refer to, as text. *Throws* where one cannot be fetched. */
async function inlined(drawings: readonly SVGSVGElement[]): Promise<Inlined> {
  const addresses = new Set(
    drawings.flatMap((svg) =>
      [...svg.querySelectorAll('image')].map((image) => image.getAttribute('href') ?? ''),
    ),
  )
  const texts = await Promise.all(
    [...addresses].map(async (address) => {
      if (address.startsWith('data:')) return [address, address] as const
      const answer = await fetch(address)
      if (!answer.ok) throw new Error(`no picture at ${address}`)
      const bytes = new Uint8Array(await answer.arrayBuffer())
      const text = bytes.reduce((all, byte) => all + String.fromCharCode(byte), '')
      return [address, `data:image/png;base64,${btoa(text)}`] as const
    }),
  )
  return new Map(texts)
}

/** A picture of the page as one that needs nothing of it: colours of the theme as they are now, no classes. */
function selfContained(svg: SVGSVGElement, pictures: Inlined): SVGSVGElement {
  const style = getComputedStyle(svg)
  const resolved = (text: string): string =>
    text.replaceAll(THEMED, (_, name?: string) =>
      name === undefined ? INK : style.getPropertyValue(name).trim(),
    )
  const copy = svg.cloneNode(true) as SVGSVGElement
  const [, , width = 1, height = 1] = (svg.getAttribute('viewBox') ?? '0 0 1 1').split(' ').map(Number)
  const label = svg.getAttribute('aria-label')
  for (const mark of copy.querySelectorAll('[data-mark]')) mark.remove()
  for (const image of copy.querySelectorAll('image')) {
    const text = pictures.get(image.getAttribute('href') ?? '')
    if (text !== undefined) image.setAttribute('href', text)
  }
  for (const element of [copy, ...copy.querySelectorAll('*')]) {
    for (const name of FOR_HANDS) element.removeAttribute(name)
    for (const name of PAINTED) {
      const value = element.getAttribute(name)
      if (value !== null) element.setAttribute(name, resolved(value))
    }
  }
  copy.setAttribute('role', 'img')
  if (label !== null) copy.setAttribute('aria-label', label)
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg')
  copy.setAttribute('font-family', 'sans-serif')
  copy.setAttribute('width', '1200')
  copy.setAttribute('height', String(Math.round((1200 * height) / width)))
  return copy
}

export async function svgBlob(svg: SVGSVGElement): Promise<Blob> {
  const text = new XMLSerializer().serializeToString(selfContained(svg, await inlined([svg])))
  return new Blob([text], { type: 'image/svg+xml' })
}

/** The same as points of colour, on the page's own ground. *Throws* where the browser cannot draw it. */
export async function pngBlob(svg: SVGSVGElement): Promise<Blob> {
  const image = new Image()
  const address = URL.createObjectURL(await svgBlob(svg))
  try {
    image.src = address
    await image.decode()
    const canvas = document.createElement('canvas')
    canvas.width = image.naturalWidth
    canvas.height = image.naturalHeight
    const pen = canvas.getContext('2d')
    if (!pen) throw new Error('no canvas')
    pen.fillStyle = GROUND
    pen.fillRect(0, 0, canvas.width, canvas.height)
    pen.drawImage(image, 0, 0)
    return await new Promise((resolve, reject) =>
      canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('no picture'))), 'image/png'),
    )
  } finally {
    URL.revokeObjectURL(address)
  }
}

const STYLE = `body{margin:2rem auto;max-width:60rem;padding:0 1rem;font-family:Georgia,serif;color:${INK};background:${GROUND}}svg{width:100%;height:auto;max-height:80vh}`

/**
 * One page of what was made, to send to who ordered it: its name, each picture with its words, and nothing else. It
 * asks for nothing and runs nothing.
 */
export async function pageBlob(
  name: string,
  views: readonly { words: string; svg: SVGSVGElement }[],
): Promise<Blob> {
  const pictures = await inlined(views.map(({ svg }) => svg))
  const page = document.implementation.createHTMLDocument(name)
  page.documentElement.lang = 'en'
  const main = page.body.appendChild(page.createElement('main'))
  const meta = (attributes: Readonly<Record<string, string>>) => {
    const element = page.createElement('meta')
    for (const [key, value] of Object.entries(attributes)) element.setAttribute(key, value)
    page.head.prepend(element)
  }
  meta({ name: 'viewport', content: 'width=device-width, initial-scale=1' })
  meta({
    'http-equiv': 'content-security-policy',
    content: "default-src 'none'; style-src 'unsafe-inline'; img-src data:",
  })
  meta({ charset: 'utf-8' })
  const add = (kind: string, text: string, to: ParentNode & Node) => {
    const element = page.createElement(kind)
    element.textContent = text
    to.append(element)
  }
  add('style', STYLE, page.head)
  add('h1', name, main)
  for (const { words, svg } of views) {
    add('h2', words, main)
    main.append(page.importNode(selfContained(svg, pictures), true))
  }
  return new Blob([`<!doctype html>\n${page.documentElement.outerHTML}`], { type: 'text/html' })
}
