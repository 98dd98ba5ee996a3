import 'server-only'
import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { placedAt } from '@/core/cut'
import { mmFromUm } from '@/core/units'
import type { CardFonts, CutCard, Subset } from '@/formats/cut-card'
import type { ProjectView } from '@/flows/read/project'
import { rulerMarks, stepWords } from '@/ui/cut/cut-words'
import {
  besideCuts,
  countedPieces,
  hexagonsIn,
  layoutText,
  piecesOf,
  type LayoutView,
} from '@/ui/cut/layout-words'
import { formatExact, formatSheet, plural, type Preferences } from '@/ui/format'

/** Cards of a project's layouts, or of one; those of sheets that are the right size already need none. */
export function cutCards(
  project: ProjectView,
  layoutId: string | null,
  preferences: Preferences,
): readonly CutCard[] {
  const layouts = project.cutPlan?.layouts ?? []
  return layouts
    .filter(({ id, ready }) => !ready && (layoutId === null || id === layoutId))
    .map((layout) => cardOf(project, layout, preferences))
}

function cardOf(project: ProjectView, layout: LayoutView, preferences: Preferences): CutCard {
  const paper = project.papers.find(({ id }) => id === layout.paperId)
  const { sheetUm, order } = layout
  const mm = ({
    xUm,
    yUm,
    widthUm,
    heightUm,
  }: {
    xUm: number
    yUm: number
    widthUm: number
    heightUm: number
  }) => ({
    x: mmFromUm(xUm),
    y: mmFromUm(yUm),
    width: mmFromUm(widthUm),
    height: mmFromUm(heightUm),
  })
  const size = formatSheet(mmFromUm(sheetUm.widthUm), mmFromUm(sheetUm.heightUm), preferences)
  const margin = order && order.marginUm > 0 ? order.marginUm : null
  const hexagons = hexagonsIn(project, layout)
  const counted = countedPieces(project, layout)
  const beside = besideCuts(project, layout, preferences)
  return {
    // Whose pieces lie on it.
    title: [...new Set(counted.map(({ other }) => other?.name ?? project.name))].join(', '),
    heading: `${plural(layout.sheets, layout.offcut ? 'offcut' : 'sheet')} of ${paper?.name ?? 'paper'}`,
    under: `${size}. ${layoutText(layout, counted, preferences)}`,
    sheetMm: { width: mmFromUm(sheetUm.widthUm), height: mmFromUm(sheetUm.heightUm) },
    colour: paper?.frontColour ?? '#dddddd',
    pieces: layout.placements.flatMap((placement) => {
      const piece = project.cutPlan?.sizes.get(placement.demand)
      return piece ? [{ ...mm(placedAt(placement, piece)), hexagon: hexagons.has(placement.demand) }] : []
    }),
    offcuts: layout.offcuts.map(mm),
    marks: order
      ? rulerMarks(order, preferences).map(({ axis, atUm, says }) => ({ axis, atMm: mmFromUm(atUm), says }))
      : [],
    steps: [
      ...(margin ? [`Take ${formatExact(mmFromUm(margin), preferences)} off all four edges.`] : []),
      ...(order?.steps ?? []).map((step) => {
        const { take, cut, marks } = stepWords(
          step,
          sheetUm,
          (count, demand) => piecesOf(project, count, demand),
          preferences,
        )
        return `${take}: ${cut}.${marks ? ` Marks at ${marks}.` : ''}`
      }),
      ...beside,
    ],
    sheets: layout.sheets,
  }
}

const fontFile = (subset: Subset, weight: 400 | 700) =>
  readFile(
    join(
      process.cwd(),
      'node_modules/@fontsource/atkinson-hyperlegible-next/files',
      `atkinson-hyperlegible-next-${subset}-${weight}-normal.woff`,
    ),
  )

/** The letters that cards are printed in. */
export async function cardFonts(): Promise<CardFonts> {
  const of = async (weight: 400 | 700) => ({
    latin: await fontFile('latin', weight),
    'latin-ext': await fontFile('latin-ext', weight),
  })
  return { plain: await of(400), bold: await of(700) }
}
