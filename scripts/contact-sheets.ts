import { chromium } from '@playwright/test'
import { mkdirSync } from 'node:fs'
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
import { ANY_PAPER, facesOf } from '../src/ui/diagram/faces'
import { FoldDiagram } from '../src/ui/diagram/FoldDiagram'
import { Halfway } from '../src/ui/diagram/Halfway'

/**
 * Every step of everything that ships, one picture a family: to be looked at as a folder does.
 * Behind the folder may stand the ids of the designs wanted; all of them otherwise.
 */
const wanted = process.argv.slice(3)
const folder = process.argv[2] ?? join('docs', 'contact-sheets')
const COLUMNS = 8
const CELL_PX = 170

interface Strip {
  readonly name: string
  readonly program: FoldProgram
  readonly gauges: GaugeShares
  readonly sideUp: 'colour down' | 'colour up'
  readonly assembly?: Assembly | undefined
}

const cell = (drawing: string, words: string): string =>
  `<figure><div>${drawing}</div><figcaption>${words}</figcaption></figure>`

function stripOf({ name, program, gauges, sideUp, assembly }: Strip): string {
  const faces = facesOf(ANY_PAPER, sideUp)
  const { moves, front, assembled } = drawDesign(program, assembly, gauges)
  const cells = moves.map(({ step, round, picture, halfway }, index) => {
    const one = program.steps[step]
    const more = (one?.rounds.length ?? 1) - 1 - round
    const drawing = renderToStaticMarkup(createElement(FoldDiagram, { picture, faces, title: '', more }))
    const way = halfway
      ? cell(renderToStaticMarkup(createElement(Halfway, { picture: halfway, faces })), 'half way')
      : ''
    return cell(drawing, `${index + 1}. ${one?.rounds[round]?.say ?? one?.say ?? ''}`) + way
  })
  const drawn = (picture: FoldPicture) =>
    renderToStaticMarkup(createElement(FoldDiagram, { picture, faces, title: '', small: true }))
  const ends = [
    cell(drawn(front), 'finished, flat'),
    ...(assembled
      ? [cell(drawn(assembled.front), 'joined'), cell(drawn(assembled.back), 'from behind')]
      : []),
  ]
  return `<h2>${name}</h2><section>${cells.join('')}${ends.join('')}</section>`
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
