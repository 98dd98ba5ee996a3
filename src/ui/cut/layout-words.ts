import { countsOf } from '@/core/cut'
import { demandOf, type DemandOf } from '@/core/plan'
import { HEXAGON_HIGH_PER_WIDE, type SizeUm } from '@/core/sheet'
import { mixedPairOf, mmFromUm, nominalGapMm } from '@/core/units'
import type { LineView, PartView } from '@/flows/read/line-view'
import type { CutWith, PlainView, ProjectView } from '@/flows/read/project'
import { marksOf } from './cut-words'
import { countOf, formatExact, formatPiece, pieceNoun, formatSheet, type Preferences } from '../format'

export type LayoutView = NonNullable<ProjectView['cutPlan']>['layouts'][number]

/** What a demand of a cut plan is for: a line of the project, or of one that is cut together with it. */
export interface CutFor {
  readonly line: LineView | undefined
  readonly part: PartView | undefined
  /** Where it is not folded: a plain piece of the project. */
  readonly plain: PlainView | undefined
  /** The project where it is another's. */
  readonly other: CutWith | null
}

export function cutFor(
  project: Pick<ProjectView, 'lines' | 'plain' | 'together'>,
  { lineId, partKey }: Pick<DemandOf, 'lineId' | 'partKey'>,
): CutFor {
  for (const other of [null, ...project.together]) {
    const { lines, plain } = other ?? project
    const line = lines.find(({ id }) => id === lineId)
    const bare = plain.find(({ id }) => id === lineId)
    if (line || bare)
      return { line, part: line?.parts.find(({ key }) => key === partKey), plain: bare, other }
  }
  return { line: undefined, part: undefined, plain: undefined, other: null }
}

/** What a piece becomes: a design, or what it is called where it is not folded. */
export const becomes = ({ line, plain }: Pick<CutFor, 'line' | 'plain'>): string =>
  plain?.name ?? line?.design.name.toLowerCase() ?? 'piece'

/** Whose a piece is, where it is not this project's. */
export const otherWords = ({ other }: Pick<CutFor, 'other'>): string => (other ? `, for ${other.name}` : '')

export type Counted = CutFor & { readonly count: number }

/** What one sheet of a layout gives, line by line. */
export const countedPieces = (project: ProjectView, layout: LayoutView): readonly Counted[] =>
  [...countsOf(layout)].map(([demand, count]) => ({ count, ...cutFor(project, demandOf(demand)) }))

/** So many pieces of a demand: `2 squares`, `3 x Place card`, and whose they are where not this project's. */
export function piecesOf(project: ProjectView, count: number, demand: string): string {
  const { part, plain, other } = cutFor(project, demandOf(demand))
  const pieces = plain
    ? `${count} x ${plain.name}`
    : countOf(count, part ? pieceNoun(1, part.highPerWide) : 'piece')
  return other ? `${pieces} for ${other.name}` : pieces
}

export function layoutText(
  { offcuts, sheets }: LayoutView,
  counted: readonly Counted[],
  preferences: Preferences,
): string {
  const kept = offcuts.map((size) =>
    formatSheet(mmFromUm(size.widthUm), mmFromUm(size.heightUm), preferences),
  )
  const pieces = counted.map(({ count, part, ...one }) => {
    const noun = part ? pieceNoun(1, part.highPerWide) : 'piece'
    const size = part
      ? formatPiece(part.sheetMm, part.highPerWide, preferences)
      : one.plain
        ? formatSheet(mmFromUm(one.plain.sizeUm.widthUm), mmFromUm(one.plain.sizeUm.heightUm), preferences)
        : ''
    return counted.length === 1
      ? countOf(count, noun)
      : `${countOf(count, noun)} of ${size} (${becomes(one)}${otherWords(one)})`
  })
  return `${pieces.join(' and ')} from ${sheets === 1 ? 'it' : 'each'}${kept.length === 0 ? ', nothing worth keeping left.' : `; keep ${kept.join(' and ')}.`}`
}

/** Demands of a layout whose pieces are hexagons. */
export const hexagonsIn = (project: ProjectView, { placements }: LayoutView): ReadonlySet<string> =>
  new Set(
    placements.flatMap(({ demand }) => {
      const { part } = cutFor(project, demandOf(demand))
      return part?.highPerWide === HEXAGON_HIGH_PER_WIDE ? [demand] : []
    }),
  )

/** The sheets of the drawer that a layout is cut from. */
const sheetsOf = ({ papers }: ProjectView, { paperId, stockId }: LayoutView) =>
  papers.find(({ id }) => id === paperId)?.sheets.find(({ stockItemId }) => stockItemId === stockId)

/** Along which side of its sheet the grain of a layout runs. */
export const grainIn = (project: ProjectView, layout: LayoutView): 'width' | 'height' | null =>
  sheetsOf(project, layout)?.grain ?? null

/** What else there is to know at the trimmer: the grain, sheets sold under another name, corners of hexagons. */
export function besideCuts(
  project: ProjectView,
  layout: LayoutView,
  preferences: Preferences,
): readonly string[] {
  const { widthUm, heightUm } = layout.sheetUm
  const grain = grainIn(project, layout)
  const told = (um: number) => formatExact(mmFromUm(um), preferences)
  const soldAs = sheetsOf(project, layout)?.soldAs ?? ''
  const words: string[] = []
  if (grain !== null)
    words.push(
      widthUm === heightUm
        ? 'The grain runs along the arrow.'
        : `The grain runs along the ${told(grain === 'width' ? widthUm : heightUm)} side.`,
    )
  if (soldAs !== '') words.push(`Sold as ${soldAs}: measure one before you cut.`)
  const [step] = layout.order?.steps ?? []
  if (step && layout.order?.marginUm === 0)
    for (const says of foldingWords(layout.sheetUm, marksOf(step))) words.push(says)
  for (const demand of hexagonsIn(project, layout)) {
    const size = project.cutPlan?.sizes.get(demand)
    if (size)
      words.push(
        `Out of each piece cut the hexagon: from the middle of its short sides to ${told(size.widthUm / 4)} and ${told((3 * size.widthUm) / 4)} along its long ones.`,
      )
  }
  return words
}

/** What can be found by folding at the first cuts of a sheet, for those who fold to cut. */
export function foldingWords({ widthUm, heightUm }: SizeUm, marksUm: readonly number[]): readonly string[] {
  const [short, long] = [Math.min(widthUm, heightUm), Math.max(widthUm, heightUm)]
  const [first] = marksUm
  if (first === undefined) return []
  if (first === short && short < long)
    return [
      'Without a ruler: fold one corner over until the short edge lies on the long one. Cut where the flap ends, and it is a square.',
    ]
  for (const [parts, says] of [
    [2, 'fold the sheet edge to edge: its middle is the cut'],
    [4, 'fold edge to edge, then each edge to the middle: the three folds are the cuts'],
  ] as const)
    if ([widthUm, heightUm].some((side) => first * parts === side)) return [`Without a ruler: ${says}.`]
  return []
}

/** Squares of one paper and line that are sold as one size and are not: what to say, where there are such. */
export function mixedSquares(project: ProjectView, paperId: string): string | null {
  const layouts = project.cutPlan?.layouts.filter((layout) => layout.paperId === paperId) ?? []
  const squares = layouts.flatMap((layout) => {
    const sheets = sheetsOf(project, layout)
    return sheets?.widthMm === sheets?.heightMm && sheets
      ? [{ sideMm: sheets.widthMm, soldAs: sheets.soldAs }]
      : []
  })
  const pair = mixedPairOf(squares)
  return pair
    ? `This plan takes squares sold as ${pair.cm} cm and as ${pair.inch} in, ${nominalGapMm(pair).toFixed(1)} mm apart. Trim them all to one size before they go into one ring.`
    : null
}
