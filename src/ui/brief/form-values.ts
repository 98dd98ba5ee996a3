import { defaultGauges, type DesignDocument } from '@/core/design'
import type { DrawerPaper } from '@/flows/read/papers'
import type { ProjectView } from '@/flows/read/project'
import { lengthInput, type Preferences } from '../format'

/** A brief while it is being written: all text, as typed. */
export interface LineValues {
  id: string
  designId: string
  variantKey: string
  sizing: 'finished' | 'sheet'
  axis: string
  size: string
  gauges: Record<string, string>
  pieces: string
  attachedTo: string
  perPiece: string
  papers: { paperId: string; pieces: string }[]
}

export interface BriefValues {
  name: string
  dueOn: string
  certainty: string
  note: string
  lines: LineValues[]
}

/** Gauges of a design as a form starts with them. */
export const gaugeInputs = (design: DesignDocument, preferences: Preferences): Record<string, string> =>
  Object.fromEntries(
    Object.entries(defaultGauges(design)).map(([key, mm]) => [key, lengthInput(mm, preferences)]),
  )

/** A fresh line of a design, in the first paper of the drawer. */
export function newLine(
  id: string,
  design: DesignDocument,
  papers: readonly DrawerPaper[],
  preferences: Preferences,
): LineValues {
  const [variant] = design.variants
  return {
    id,
    designId: design.id,
    variantKey: variant?.key ?? '',
    sizing: 'finished',
    axis: variant?.sizes[0]?.axis ?? '',
    size: '',
    gauges: gaugeInputs(design, preferences),
    pieces: '',
    attachedTo: '',
    perPiece: '',
    // A drawer of one paper leaves nothing to choose.
    papers: papers.slice(0, 1).map((paper) => ({ paperId: paper.id, pieces: '' })),
  }
}

/** The brief of a project as its form shows it. */
export const briefValues = (project: ProjectView, preferences: Preferences): BriefValues => ({
  name: project.name,
  dueOn: project.dueOn ?? '',
  certainty: String(project.certainty),
  note: project.note,
  lines: project.lines.map((line) => ({
    id: line.id,
    designId: line.design.id,
    variantKey: line.variantKey,
    sizing: line.sizing,
    axis: line.axis ?? '',
    size: lengthInput(line.askedMm, preferences),
    gauges: Object.fromEntries(
      Object.entries(line.gauges).map(([key, mm]) => [key, lengthInput(mm, preferences)]),
    ),
    pieces: String(line.pieces),
    attachedTo: line.attachedTo ?? '',
    perPiece: line.perPiece === null ? '' : String(line.perPiece),
    papers: line.papers.map((row) => ({
      paperId: row.paper.id,
      pieces: String((row.goodUnits * line.pieces) / line.units),
    })),
  })),
})
