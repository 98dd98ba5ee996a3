import { chromium } from '@playwright/test'
import { mkdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { createElement } from 'react'
import { renderToStaticMarkup } from 'react-dom/server'
import { CHROMIUM_FLAGS } from '../e2e/support/chromium'
import {
  defaultGauges,
  FAMILIES,
  gaugeShares,
  LIBRARY,
  mainPart,
  programOf,
  drawDesign,
  type Assembly,
} from '../src/core/design'
import { BASES, type FoldPicture, type FoldProgram, type GaugeShares } from '../src/core/fold'
import { VIEWS } from '../src/core/shape'
import { contentHash } from '../src/flows/content-hash'
import { formsKey } from '../src/flows/forms'
import type { KeptForms, KeptView } from '../src/flows/kept-forms'
import { readShippedForms, shippedFormsFolder } from '../src/flows/shipped-forms'
import { ANY_PAPER, facesOf } from '../src/ui/diagram/faces'
import { FoldDiagram } from '../src/ui/diagram/FoldDiagram'
import { Halfway } from '../src/ui/diagram/Halfway'
import type { PaperFaces } from '../src/ui/diagram/Paper'
import { PaintedPiece, pictureAddress } from '../src/ui/piece/PaintedPiece'

/**
 * Every step of everything that ships, one picture a family: to be looked at as a folder does. What is turned in space
 * and what hands shape stands there in two papers, as it was painted by the last build.
 * Behind the folder may stand the ids of the designs wanted; all of them otherwise.
 */
const wanted = process.argv.slice(3)
const folder = process.argv[2] ?? join('docs', 'contact-sheets')
const COLUMNS = 8
const CELL_PX = 170
/** Beside the paper that stands for any: a dark one with a warm back. */
const OTHER_PAPER = { frontColour: '#2f5d8a', backColour: '#f3c9a5' }
const forms = readShippedForms(process.cwd())
let pieces = 0

interface Strip {
  readonly name: string
  readonly program: FoldProgram
  readonly gauges: GaugeShares
  readonly sideUp: 'colour down' | 'colour up'
  readonly assembly?: Assembly | undefined
  readonly forms?: KeptForms | null
}

const cell = (drawing: string, words: string): string =>
  `<figure><div>${drawing}</div><figcaption>${words}</figcaption></figure>`

/** A painted picture on the sheet itself: the page that shows it has no server. */
function painted(view: KeptView, faces: PaperFaces, words: string): string {
  // Markup made piece by piece has the same ids each time: each colour filter needs its own.
  const drawing = renderToStaticMarkup(
    createElement(PaintedPiece, { view, faces, title: '', className: 'piece' }),
    { identifierPrefix: `p${pieces++}` },
  )
  const data = readFileSync(join(shippedFormsFolder(process.cwd()), view.file)).toString('base64')
  return cell(drawing.replace(pictureAddress(view), `data:image/png;base64,${data}`), words)
}

/** The finished form in its views, and the piece before and after each shaping step, in two papers. */
function formOf({ views, shapings }: KeptForms, papers: readonly PaperFaces[]): string {
  return papers
    .flatMap((faces) => [
      ...VIEWS.flatMap((name) => {
        const view = views[name]
        return view ? [painted(view, faces, `in the hand, ${name}`)] : []
      }),
      ...shapings.flatMap(({ step, before, after }) => [
        painted(before, faces, `${step}: before`),
        painted(after, faces, `${step}: after`),
      ]),
    ])
    .join('')
}

function stripOf({ name, program, gauges, sideUp, assembly, forms: kept }: Strip): string {
  const faces = facesOf(ANY_PAPER, sideUp)
  const other = facesOf(OTHER_PAPER, sideUp)
  const { moves, front, assembled } = drawDesign(program, assembly, gauges)
  const cells = moves.map(({ step, round, picture, halfway }, index) => {
    const one = program.steps[step]
    const more = (one?.rounds.length ?? 1) - 1 - round
    const drawing = renderToStaticMarkup(createElement(FoldDiagram, { picture, faces, title: '', more }))
    const way = halfway
      ? [faces, other]
          .map((paper) =>
            cell(
              renderToStaticMarkup(createElement(Halfway, { picture: halfway, faces: paper })),
              'half way',
            ),
          )
          .join('')
      : ''
    return cell(drawing, `${index + 1}. ${one?.rounds[round]?.say ?? one?.say ?? ''}`) + way
  })
  const drawn = (picture: FoldPicture) =>
    renderToStaticMarkup(createElement(FoldDiagram, { picture, faces, title: '', small: true }))
  const ends = [
    cell(drawn(front), 'finished, flat'),
    ...(assembled
      ? [
          cell(drawn(assembled.front), 'joined'),
          cell(drawn(assembled.back), 'from behind'),
          ...(['first', 'each', 'last'] as const).map((join) =>
            cell(
              renderToStaticMarkup(
                createElement(FoldDiagram, { picture: assembled.joining[join], faces, title: '' }),
              ),
              `${join} join`,
            ),
          ),
        ]
      : []),
  ]
  return `<h2>${name}</h2><section>${cells.join('')}${ends.join('')}${kept ? formOf(kept, [faces, other]) : ''}</section>`
}

const STYLE = `
  :root { --paper-line: #17323a; --fold-line: #0f4a5c; --fold-halo: #fbf8f1; --fold-mark: #1f6a80; }
  body { margin: 0; padding: 16px; background: #fbf8f1; color: #17323a; font: 12px sans-serif; width: ${COLUMNS * (CELL_PX + 12)}px; }
  section { display: flex; flex-wrap: wrap; }
  figure { margin: 6px; width: ${CELL_PX}px; } figure div { height: ${CELL_PX}px; } svg { width: 100%; height: 100%; }
  h2 { margin: 10px 6px 0; font: italic 20px serif; }`

const designs = LIBRARY.filter(({ id }) => wanted.length === 0 || wanted.includes(id)).flatMap((design) =>
  design.variants.flatMap((variant) => {
    const program = programOf(mainPart(design), variant)
    return program
      ? [
          {
            family: design.family,
            name: design.variants.length === 1 ? design.name : `${design.name}, ${variant.name}`,
            program,
            gauges: gaugeShares(design, defaultGauges(design), 150),
            sideUp: mainPart(design).sideUp,
            assembly: variant.assembly,
            forms: forms.get(formsKey(contentHash(design).hash, variant.key)) ?? null,
          },
        ]
      : []
  }),
)
const sheets: readonly (readonly [file: string, strips: readonly Strip[]])[] = [
  [
    'bases',
    BASES.filter(({ id }) => wanted.length === 0 || wanted.includes(id)).map(({ name, program, sideUp }) => ({
      name,
      program,
      gauges: {},
      sideUp,
    })),
  ],
  ...FAMILIES.map((family) => [family, designs.filter((one) => one.family === family)] as const),
]

mkdirSync(folder, { recursive: true })
const browser = await chromium.launch({
  executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium-headless-shell',
  args: [...CHROMIUM_FLAGS],
})
const page = await browser.newPage({ viewport: { width: COLUMNS * (CELL_PX + 12) + 32, height: 400 } })
for (const [file, strips] of sheets) {
  if (strips.length === 0) continue
  await page.setContent(`<!doctype html><style>${STYLE}</style>${strips.map(stripOf).join('')}`)
  await page.screenshot({ path: join(folder, `${file}.png`), fullPage: true })
  console.log(`${file}: ${strips.length}`)
}
await browser.close()
