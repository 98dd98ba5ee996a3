import type { SweepPaper } from '@/core/cut'
import { umFromMm } from '@/core/units'
import type { ProjectView } from './project'
import type { LineView } from './project-lines'

/** What a size sweep of a line needs: its papers, how many pieces each still takes, and their sheets. */
export const sweepPapers = (project: ProjectView, line: LineView): readonly SweepPaper[] =>
  line.papers.map((row) => ({
    paperId: row.paper.id,
    pieces: row.unitsToCut,
    highPerWide: line.highPerWide,
    stock: (project.papers.find((paper) => paper.id === row.paper.id)?.sheets ?? []).map((sheet) => ({
      stockId: sheet.stockItemId,
      sizeUm: { widthUm: umFromMm(sheet.widthMm), heightUm: umFromMm(sheet.heightMm) },
      available: sheet.amount,
      offcut: sheet.offcut,
    })),
  }))
