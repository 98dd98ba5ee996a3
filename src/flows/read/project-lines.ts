import { largest } from '@/core/numeric'
import { demandFor, type RejectRate } from '@/core/batch'
import { planGrid, type CutLayout, type CutPlan, type StockSheets } from '@/core/cut'
import {
  highPerWide,
  mainPart,
  unitsOf,
  variantOf,
  type DesignDocument,
  type GaugeSettings,
} from '@/core/design'
import { bestGrid, pieceSizeUm, type SizeUm } from '@/core/sheet'
import { mmFromUm } from '@/core/units'
import type { StockLine } from '@/data/repositories/stock'
import type { BriefLinePaperRow, BriefLineRow, CutRow, ProofRow } from '@/data/tables'
import type { RunSummary } from '@/data/repositories/runs'
import { gaugesFromText } from './gauges'
import type { History } from './history'
import type { PaperView } from './papers'

/** One paper of one line: what is wanted, cut, folded and still to be cut. All in units of the line's part. */
export interface LinePaperView {
  readonly paper: PaperView
  readonly goodUnits: number
  readonly usableUnits: number
  readonly spoiledUnits: number
  readonly cutUnits: number
  /** Cut, and neither folded nor spoiled. */
  readonly waitingUnits: number
  readonly spareUnits: number
  readonly unitsToCut: number
  readonly layouts: readonly CutLayout[]
  readonly missingUnits: number
  /** Whole sheets to buy for the missing units; `null` where no size of this paper gives one. */
  readonly missingSheets: number | null
}

export interface LineView {
  readonly id: string
  readonly ordinal: number
  readonly design: DesignDocument
  readonly designHash: string
  readonly partName: string
  readonly perSquare: 1 | 4
  /** Height by width of a piece: 1 for a square. */
  readonly highPerWide: number
  readonly variantKey: string
  readonly pieces: number
  readonly units: number
  /** How many units of the part make one piece. */
  readonly unitsPerPiece: number
  readonly sizing: 'finished' | 'sheet'
  readonly axis: string | null
  readonly askedMm: number
  readonly sheetMm: number
  readonly gauges: GaugeSettings
  readonly attachedTo: string | null
  readonly perPiece: number | null
  readonly rate: RejectRate
  readonly secondsPerPiece: number
  readonly papers: readonly LinePaperView[]
  readonly proof: {
    readonly status: 'none' | ProofRow['status']
    readonly measuredMm: number | null
    readonly axis: string | null
  }
}

/** Everything the lines of one project are worked out from. */
export interface LineSources {
  readonly lines: readonly BriefLineRow[]
  readonly linePapers: readonly BriefLinePaperRow[]
  readonly designs: ReadonlyMap<string, DesignDocument>
  readonly papers: ReadonlyMap<string, PaperView>
  readonly stock: readonly StockLine[]
  readonly cuts: readonly CutRow[]
  readonly runs: readonly RunSummary[]
  readonly proofs: readonly ProofRow[]
  readonly history: History
  readonly certainty: number
}

export const stockSheets = (line: StockLine, available = line.amount): StockSheets => ({
  stockId: line.id,
  sizeUm: { widthUm: line.width_um, heightUm: line.height_um },
  available,
  offcut: line.offcut === 1,
})

/** Stock that lines take from one after another, so that no sheet is planned twice. */
class Drawer {
  readonly #left: Map<string, number>
  readonly #stock: readonly StockLine[]

  constructor(stock: readonly StockLine[]) {
    this.#stock = stock
    this.#left = new Map(stock.map((line) => [line.id, line.amount]))
  }

  plan(paperId: string, pieceUm: SizeUm, pieces: number): CutPlan {
    const sheets = this.#stock.filter((line) => line.paper_id === paperId)
    const plan = planGrid({
      pieceUm,
      pieces,
      stock: sheets.map((line) => stockSheets(line, this.#left.get(line.id) ?? 0)),
    })
    for (const layout of plan.layouts)
      this.#left.set(layout.stockId, (this.#left.get(layout.stockId) ?? 0) - layout.sheets)
    return plan
  }

  /** Whole sheets that give so many pieces, of the size of this paper that gives most from one. */
  sheetsFor(paperId: string, pieceUm: SizeUm, pieces: number): number | null {
    const yields = this.#stock
      .filter((line) => line.paper_id === paperId && line.offcut === 0)
      .map((line) => bestGrid(stockSheets(line).sizeUm, pieceUm).count)
    const best = largest(yields, 0)
    return best === 0 ? null : Math.ceil(pieces / best)
  }
}

const sum = <Item>(items: readonly Item[], of: (item: Item) => number): number =>
  items.reduce((total, item) => total + of(item), 0)

function paperProgress(sources: LineSources, line: BriefLineRow, paperId: string) {
  const runs = sources.runs.filter((run) => run.line_id === line.id && run.paper_id === paperId)
  const usableUnits = sum(runs, (run) => run.usable)
  const spoiledUnits = sum(runs, (run) => run.spoiled)
  const cutUnits = sum(
    sources.cuts.filter(
      (cut) => cut.line_id === line.id && cut.paper_id === paperId && cut.piece_um === line.sheet_um,
    ),
    (cut) => cut.pieces,
  )
  return {
    usableUnits,
    spoiledUnits,
    cutUnits,
    waitingUnits: Math.max(0, cutUnits - usableUnits - spoiledUnits),
  }
}

function linePapers(
  sources: LineSources,
  line: BriefLineRow,
  { unitsPerPiece, pieceUm }: { readonly unitsPerPiece: number; readonly pieceUm: SizeUm },
  rate: RejectRate,
  drawer: Drawer,
) {
  const rows = sources.linePapers.filter((row) => row.line_id === line.id)
  const progress = rows.map((row) => paperProgress(sources, line, row.paper_id))
  // Spares are for what is still to be folded: those already folded carry no more risk.
  const [...demand] = demandFor(
    [
      {
        lineId: line.id,
        unitsPerPiece: 1,
        rate,
        papers: rows.map((row, index) => ({
          paperId: row.paper_id,
          pieces: Math.max(0, row.pieces * unitsPerPiece - (progress[index]?.usableUnits ?? 0)),
        })),
      },
    ],
    sources.certainty,
  )
  return rows.flatMap((row, index): LinePaperView[] => {
    const [paper, done, wanted] = [sources.papers.get(row.paper_id), progress[index], demand[index]]
    if (!paper || !done || !wanted) return []
    const unitsToCut = Math.max(0, wanted.cutUnits - done.waitingUnits)
    const plan = drawer.plan(row.paper_id, pieceUm, unitsToCut)
    const missingUnits = plan.status === 'short' ? plan.missingPieces : 0
    return [
      {
        paper,
        goodUnits: row.pieces * unitsPerPiece,
        ...done,
        spareUnits: wanted.spareUnits,
        unitsToCut,
        layouts: plan.layouts,
        missingUnits,
        missingSheets: missingUnits === 0 ? 0 : drawer.sheetsFor(row.paper_id, pieceUm, missingUnits),
      },
    ]
  })
}

/** The lines of a project with their demand, stock plan and progress; earlier lines take from the stock first. */
export function lineViews(sources: LineSources): readonly LineView[] {
  const drawer = new Drawer(sources.stock)
  return sources.lines.flatMap((line): LineView[] => {
    const design = sources.designs.get(line.design_hash)
    if (!design) return []
    const part = mainPart(design)
    const unitsPerPiece = unitsOf(part, variantOf(design, line.variant_key))
    const pieceUm = pieceSizeUm(line.sheet_um, highPerWide(part))
    const rate = sources.history.rejectRate(design.family)
    const proof = sources.proofs.find((candidate) => candidate.line_id === line.id)
    return [
      {
        id: line.id,
        ordinal: line.ordinal,
        design,
        designHash: line.design_hash,
        partName: part.name,
        perSquare: part.perSquare,
        highPerWide: highPerWide(part),
        variantKey: line.variant_key,
        pieces: line.pieces,
        units: line.pieces * unitsPerPiece,
        unitsPerPiece,
        sizing: line.sizing,
        axis: line.axis,
        askedMm: mmFromUm(line.asked_um),
        sheetMm: mmFromUm(line.sheet_um),
        gauges: gaugesFromText(line.gauges),
        attachedTo: line.attached_to,
        perPiece: line.per_piece,
        rate,
        secondsPerPiece: sources.history.pace(design).secondsPerPiece,
        papers: linePapers(sources, line, { unitsPerPiece, pieceUm }, rate, drawer),
        proof: {
          status: proof?.status ?? 'none',
          measuredMm: proof?.measured_um == null ? null : mmFromUm(proof.measured_um),
          axis: proof?.axis ?? null,
        },
      },
    ]
  })
}
