import {
  clashesOf,
  MOST_POSITIONS,
  orderAs,
  type Neighbours,
  type Order,
  type PieceSize,
  type Scene,
  type Shape,
} from '@/core/arrange'
import { hardToTell, sideAdvice, type SideAdvice, type WayOfSeeing } from '@/core/colour'
import { mainPart, siblingGauges } from '@/core/design'
import { formsShown, sidesShown } from '@/core/fold'
import { canBeOrdered, seenPieces, type ColouredLine } from '@/core/plan'
import { ordersOfLines, type LineOrderRow } from '@/data/repositories/line-orders'
import type { FlowContext } from '../flow-context'
import { hungAs, plannedOrder, readOrder, setOf } from '../line-orders'
import { currentSettings } from '../settings'
import { readEnd, type FoldedEndView } from './folds'
import type { PaperView } from './papers'
import type { LineView } from './line-view'
import type { ProjectView } from './project'

/** Pieces of a line in one paper. */
export interface ColourCount {
  readonly paper: PaperView
  readonly pieces: number
}

/** What somebody chose of a line's order. */
export interface ChosenOrder {
  /** Which step of the line's order it is. */
  readonly step: number
  readonly seed: number
  /** Positions that are held. */
  readonly locked: readonly number[]
}

export interface Hung {
  readonly scene: Scene
  readonly piece: PieceSize
}

/** Pieces of another line among a line's own. */
export interface BesideView {
  readonly line: LineView
  readonly hung: Hung
  readonly end: FoldedEndView
  readonly kinds: readonly FoldedEndView[]
  readonly counts: readonly ColourCount[]
  readonly colours: readonly number[]
}

/** A line's pieces as they could follow each other. */
export interface LineOrder {
  readonly line: LineView
  readonly counts: readonly ColourCount[]
  /** What lies beside what: as what it is made into hangs; as asked for loose pieces. */
  readonly neighbours: Neighbours
  /** Whether somebody can choose an order: several papers, whole pieces. */
  readonly orderable: boolean
  /** `null` where the order is the one that is planned. */
  readonly chosen: ChosenOrder | null
  /** An order was chosen for other pieces than the line has now. */
  readonly outgrown: boolean
  /** How it will hang; `null` where nothing says so. */
  readonly hung: Hung | null
  /** What stands among its pieces, of other lines that go into the same bouquets or places. */
  readonly besides: readonly BesideView[]
  /** The finished piece; `null` where its folds have no pictures. */
  readonly end: FoldedEndView | null
  /** The same for every kind its pieces come in, where they are not alike. */
  readonly kinds: readonly FoldedEndView[]
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
  /** In what forms the other side is seen from above. */
  readonly forms: ReturnType<typeof formsShown>
  /** The side that is up when folding begins, and why. */
  readonly sideUp: string
  readonly papers: readonly { readonly paper: PaperView; readonly advice: SideAdvice }[]
}

export interface ColoursView {
  readonly sides: readonly SidesView[]
  readonly orders: readonly LineOrder[]
  readonly alike: readonly AlikeView[]
}

/** A line as `core/plan` asks for its colours. */
const coloured = ({ making, parts, papers }: LineView): ColouredLine => ({
  making,
  parts: parts.map(({ key, unitsPerPiece }) => ({
    unitsPerPiece,
    papers: papers
      .filter(({ part }) => part.key === key)
      .map(({ paper, goodUnits }) => ({ paperId: paper.id, units: goodUnits })),
  })),
})

/** Pieces of each paper that is seen; of units by turns, those of one piece. */
function countsOf(line: LineView): readonly ColourCount[] {
  if (line.making.inTurn)
    return line.papers.map(({ paper, goodUnits }) => ({ paper, pieces: Math.round(goodUnits / line.pieces) }))
  const papers = new Map(line.papers.map(({ paper }) => [paper.id, paper]))
  return seenPieces(coloured(line)).flatMap(({ paperId, pieces }): readonly ColourCount[] => {
    const paper = papers.get(paperId)
    return paper ? [{ paper, pieces }] : []
  })
}

/** One of each again and again: what a piece of units by turns is. The brief has seen to it that it closes. */
function byTurns(counts: readonly number[]): Order {
  const units = counts.reduce((sum, count) => sum + count, 0)
  const colours = Array.from({ length: units }, (_, at) => at % counts.length)
  return { colours, clashes: clashesOf('ring', colours), fewest: true, mostEven: true }
}

/** All pieces in one paper: there is nothing to search for, and none could be otherwise. */
const allAlike = (pieces: number): Order => ({
  colours: Array<number>(pieces).fill(0),
  clashes: [],
  fewest: true,
  mostEven: true,
})

/** The order somebody chose, as far as it is of the pieces the line has now. */
function chosenOf(
  row: LineOrderRow | undefined,
  line: LineView,
  counts: readonly ColourCount[],
): (ChosenOrder & { readonly colours: readonly number[] }) | null {
  const body = row ? readOrder(row, coloured(line)) : null
  if (!row || !body) return null
  const index = body.papers.map((id) => counts.findIndex(({ paper }) => paper.id === id))
  return {
    step: row.step,
    seed: row.seed,
    locked: body.locked,
    colours: body.at.map((paper) => index[paper] ?? 0),
  }
}

/** How each kind of a line's pieces ends; none where all are alike. */
async function kindsOf(context: FlowContext, line: LineView): Promise<readonly FoldedEndView[]> {
  const { character } = line.making
  if (character === undefined) return []
  const { ruler } = await currentSettings(context)
  const ends: FoldedEndView[] = []
  for (const gauges of siblingGauges(line.design, { ...line, character, ruler })) {
    const end = await readEnd(context, line.designHash, { ...line, gauges })
    if (end) ends.push(end)
  }
  return ends
}

async function orderOf(
  context: FlowContext,
  line: LineView,
  lines: readonly LineView[],
  asked: Shape,
  row: LineOrderRow | undefined,
): Promise<LineOrder> {
  const counts = countsOf(line)
  const pieces = counts.map((one) => one.pieces)
  const hung = line.making.inTurn ? null : hungAs(line, lines)
  const neighbours = line.making.inTurn ? 'ring' : (hung?.scene.neighbours ?? asked)
  const chosen = chosenOf(row, line, counts)
  const tooMany = pieces.reduce((sum, count) => sum + count, 0) > MOST_POSITIONS
  return {
    line,
    counts,
    neighbours,
    orderable: canBeOrdered(coloured(line)),
    chosen,
    outgrown: row !== undefined && !chosen,
    hung,
    besides: [],
    end: await readEnd(context, line.designHash, line),
    kinds: await kindsOf(context, line),
    order: tooMany
      ? null
      : line.making.inTurn
        ? byTurns(pieces)
        : chosen
          ? orderAs(neighbours, chosen.colours, pieces)
          : pieces.length === 1
            ? allAlike(pieces[0] ?? 0)
            : plannedOrder(context, neighbours, pieces),
  }
}

/** The other lines of a line's set, as they stand among its pieces. */
function besidesOf({ line, hung }: LineOrder, orders: readonly LineOrder[]): readonly BesideView[] {
  if (!hung) return []
  const set = setOf(
    line,
    orders.map((order) => order.line),
  )
  return orders.flatMap((other): readonly BesideView[] =>
    other.line.id !== line.id &&
    set.some(({ id }) => id === other.line.id) &&
    other.hung &&
    other.end &&
    other.order
      ? [
          {
            line: other.line,
            hung: other.hung,
            end: other.end,
            kinds: other.kinds,
            counts: other.counts,
            colours: other.order.colours,
          },
        ]
      : [],
  )
}

/** A strip at most so wide counts as a border or a line, not as an area. Common practice, no source. */
const NARROW_MM = 5

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
    forms: formsShown(end.front, main === 'front' ? 'back' : 'front', NARROW_MM / line.sheetMm),
    sideUp: mainPart(line.design).sideUpReason,
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
  // What hangs is shown in one paper too; loose pieces of one paper have nothing to see.
  const ordered = project.lines.filter(
    (line) =>
      countsOf(line).length > 1 || (countsOf(line).length === 1 && hungAs(line, project.lines) !== null),
  )
  const rows = await ordersOfLines(
    context.db,
    ordered.map(({ id }) => id),
  )
  for (const line of ordered) {
    const row = rows.find(({ line_id }) => line_id === line.id)
    orders.push(await orderOf(context, line, project.lines, shape, row))
  }
  const together = orders.map((order) => ({ ...order, besides: besidesOf(order, orders) }))
  const sides: SidesView[] = []
  for (const line of project.lines) {
    const seen = await sidesOf(context, line)
    if (seen) sides.push(seen)
  }
  const papers = new Map(project.papers.map((paper) => [paper.id, paper]))
  const alike = hardToTell(project.papers.map(({ id, frontColour }) => ({ id, colour: frontColour })))
  return {
    orders: together,
    sides,
    alike: alike.flatMap(({ ids, difference, way }): readonly AlikeView[] => {
      const [one, other] = ids.map((id) => papers.get(id))
      return one && other ? [{ papers: [one, other], difference, way }] : []
    }),
  }
}
