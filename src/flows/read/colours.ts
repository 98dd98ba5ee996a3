import {
  arrangeInOrder,
  clashesOf,
  MADE,
  MOST_POSITIONS,
  sceneOf,
  workedOrNone,
  type Order,
  type PieceSize,
  type Scene,
  type Shape,
} from '@/core/arrange'
import { outlineSizeMm, variantOf } from '@/core/design'
import { hardToTell, sideAdvice, type SideAdvice, type WayOfSeeing } from '@/core/colour'
import { sidesShown } from '@/core/fold'
import type { FlowContext } from '../flow-context'
import { readEnd, type FoldedEndView } from './folds'
import type { PaperView } from './papers'
import type { LineView, ProjectView } from './project'

/** Pieces of a line in one paper. */
export interface ColourCount {
  readonly paper: PaperView
  readonly pieces: number
}

/** A line's pieces as they could follow each other. */
export interface LineOrder {
  readonly line: LineView
  readonly counts: readonly ColourCount[]
  /** As what it is made into hangs; as asked for loose pieces. */
  readonly shape: Shape
  /** How it will hang; `null` where nothing says so. */
  readonly hung: { readonly scene: Scene; readonly piece: PieceSize } | null
  /** The finished piece; `null` where its folds have no pictures. */
  readonly end: FoldedEndView | null
  /** `null` where there are more pieces than one arrangement may have. */
  readonly order: Order | null
}

/** Two papers of a project that look alike. */
export interface AlikeView {
  readonly papers: readonly [PaperView, PaperView]
  readonly difference: number
  readonly way: WayOfSeeing
}

/** How much of a line's finished piece is the main side of its paper, as shares; the papers whose sides differ in it. */
export interface SidesView {
  readonly line: LineView
  readonly above: number
  readonly behind: number
  readonly papers: readonly { readonly paper: PaperView; readonly advice: SideAdvice }[]
}

export interface ColoursView {
  readonly sides: readonly SidesView[]
  readonly orders: readonly LineOrder[]
  readonly alike: readonly AlikeView[]
}

/** Pieces of each paper a line's first part is folded from: that is what is seen. */
function countsOf({ papers, parts, making, pieces }: LineView): readonly ColourCount[] {
  if (making.inTurn)
    return papers.map(({ paper, goodUnits }) => ({ paper, pieces: Math.round(goodUnits / pieces) }))
  const [seen] = parts
  return papers.flatMap(({ part, paper, goodUnits }) =>
    seen && part.key === seen.key && goodUnits > 0
      ? [{ paper, pieces: Math.round(goodUnits / seen.unitsPerPiece) }]
      : [],
  )
}

/** How a line will hang, from the numbers of its brief. */
function hungAs({ making, design, variantKey, sheetMm, gauges }: LineView): LineOrder['hung'] {
  if (MADE[making.kind].shape === null) return null
  const piece = outlineSizeMm(design, variantOf(design, variantKey), sheetMm, gauges)
  const made = workedOrNone(making, piece)
  const scene = made && sceneOf(making, made, piece)
  return scene && { scene, piece }
}

/** One of each again and again: what a piece of units by turns is. The brief has seen to it that it closes. */
function byTurns(counts: readonly number[]): Order {
  const units = counts.reduce((sum, count) => sum + count, 0)
  const colours = Array.from({ length: units }, (_, at) => at % counts.length)
  return { colours, clashes: clashesOf('ring', colours), fewest: true, mostEven: true }
}

async function orderOf(context: FlowContext, line: LineView, asked: Shape): Promise<LineOrder> {
  const counts = countsOf(line)
  const shape = line.making.inTurn ? 'ring' : (MADE[line.making.kind].shape ?? asked)
  const pieces = counts.map((one) => one.pieces)
  const tooMany = pieces.reduce((sum, count) => sum + count, 0) > MOST_POSITIONS
  return {
    line,
    counts,
    shape,
    hung: line.making.inTurn ? null : hungAs(line),
    end: await readEnd(context, line.designHash, line),
    order: tooMany
      ? null
      : line.making.inTurn
        ? byTurns(pieces)
        : arrangeInOrder({ shape, counts: pieces, locked: new Map() }),
  }
}

async function sidesOf(context: FlowContext, line: LineView): Promise<SidesView | null> {
  const end = await readEnd(context, line.designHash, line)
  if (!end) return null
  const main = end.sideUp === 'colour up' ? 'front' : 'back'
  const [above, behind] = [sidesShown(end.front)[main], sidesShown(end.back)[main]]
  const papers = new Map(line.papers.map(({ paper }) => [paper.id, paper]))
  return {
    line,
    above,
    behind,
    papers: [...papers.values()].map((paper) => ({
      paper,
      advice: sideAdvice({ ...paper, mainShare: above }),
    })),
  }
}

/** What a project's colours come to: papers that look alike, and an order for every line of several papers. */
export async function readColours(
  context: FlowContext,
  project: ProjectView,
  shape: Shape,
): Promise<ColoursView> {
  const orders: LineOrder[] = []
  for (const line of project.lines)
    if (countsOf(line).length > 1) orders.push(await orderOf(context, line, shape))
  const sides: SidesView[] = []
  for (const line of project.lines) {
    const seen = await sidesOf(context, line)
    if (seen) sides.push(seen)
  }
  const papers = new Map(project.papers.map((paper) => [paper.id, paper]))
  const alike = hardToTell(project.papers.map(({ id, frontColour }) => ({ id, colour: frontColour })))
  return {
    orders,
    sides,
    alike: alike.flatMap(({ ids, difference, way }): readonly AlikeView[] => {
      const [one, other] = ids.map((id) => papers.get(id))
      return one && other ? [{ papers: [one, other], difference, way }] : []
    }),
  }
}
