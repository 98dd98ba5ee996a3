import type { SweepPaper } from '@/core/cut'
import { umFromMm } from '@/core/units'
import type { LineView } from './line-view'
import type { ProjectView } from './project'

/** What a size sweep of a line needs: its papers, how many units each still takes, and their sheets. */
export const sweepPapers = (project: ProjectView, line: LineView): readonly SweepPaper[] =>
  line.papers.map((row) => ({
    paperId: row.paper.id,
    pieces: row.unitsToCut,
    highPerWide: row.part.highPerWide,
    stock: (project.papers.find((paper) => paper.id === row.paper.id)?.sheets ?? []).map((sheet) => ({
      stockId: sheet.stockItemId,
      paperId: row.paper.id,
      sizeUm: { widthUm: umFromMm(sheet.widthMm), heightUm: umFromMm(sheet.heightMm) },
      available: sheet.amount,
      offcut: sheet.offcut,
    })),
  }))
