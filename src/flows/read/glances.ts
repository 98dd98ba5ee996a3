import type { DesignDocument, GaugeSettings } from '@/core/design'
import { surveyProject, unitsPerPieceOf, type ProjectSurvey } from '@/core/plan'
import { mmFromUm } from '@/core/units'
import { papersById } from '@/data/repositories/papers'
import type { ProjectRow } from '@/data/tables'
import type { FlowContext } from '../flow-context'
import { paperIdsOf } from '../project-plan'
import { loadProjects } from '../project-records'

/** A project in a list: how far it is and what comes next. */
export interface ProjectGlance extends Pick<ProjectSurvey, 'facts' | 'next' | 'stations'> {
  readonly id: string
  readonly name: string
  readonly dueOn: string | null
  readonly zone: string
  readonly archived: boolean
  readonly lines: readonly {
    readonly id: string
    readonly pieces: number
    readonly design: DesignDocument
    readonly variantKey: string
    readonly sheetMm: number
    readonly gauges: GaugeSettings
    readonly colours: readonly string[]
    /** Whether its pieces go on another line's. */
    readonly attached: boolean
  }[]
  /** What its folded things are called: units where any piece is made of several. */
  readonly noun: 'piece' | 'unit'
}

/** Several projects at a glance, in the order given. */
export async function readGlances(
  context: FlowContext,
  rows: readonly ProjectRow[],
): Promise<readonly ProjectGlance[]> {
  const projects = await loadProjects(context, rows)
  const papers = await papersById(context.db, [...new Set(projects.flatMap(paperIdsOf))])
  const colour = new Map(papers.map((paper) => [paper.id, paper.front_colour]))
  return projects.map((project): ProjectGlance => {
    const { lines, facts, next, stations } = surveyProject(project)
    return {
      id: project.row.id,
      name: project.row.name,
      dueOn: project.row.due_on,
      zone: project.row.zone,
      archived: project.brief.archived,
      facts,
      next,
      stations,
      noun: lines.some((one) => unitsPerPieceOf(one) > 1) ? 'unit' : 'piece',
      lines: lines.map(({ line, design }) => ({
        id: line.id,
        pieces: line.pieces,
        design,
        variantKey: line.variantKey,
        sheetMm: mmFromUm(line.parts[0]?.sheetUm.widthUm ?? 0),
        gauges: line.gauges,
        attached: line.attachedTo !== null,
        colours: line.parts.flatMap((part) => part.papers.flatMap((one) => colour.get(one.paperId) ?? [])),
      })),
    }
  })
}
