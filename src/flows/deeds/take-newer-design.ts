import { dependentsOfLine, findLine, saveLine } from '@/data/repositories/projects'
import type { FlowContext } from '../flow-context'
import { deed, RefusalError, type DeedResult } from '../deed'
import { newerDesigns, sheetByVersion } from '../newer-designs'
import { planCuts } from '../plan-cuts'
import { plannedOr } from '../project-plan'
import { currentSettings } from '../settings'

/**
 * Takes the newest version of its design for a line, and plans again. Refused once pieces of it are cut: they are of
 * the version they were cut for.
 */
export const takeNewerDesign = (
  context: FlowContext,
  projectId: string,
  lineId: string,
): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const project = await plannedOr(inDeed, projectId)
    const newer = (await newerDesigns(inDeed, project)).find((one) => one.lineId === lineId)
    const line = project.brief.lines.find(({ id }) => id === lineId)
    const row = await findLine(inDeed.db, lineId)
    if (!newer || !line || !row) throw new RefusalError('NOT_FOUND')
    const used = await dependentsOfLine(inDeed.db, lineId)
    if (Object.values(used).some((count) => count > 0))
      throw new RefusalError('LINE_BEGUN', { line: newer.version.document.name })
    const { ruler } = await currentSettings(inDeed)
    const papers = new Set(line.parts.flatMap(({ papers }) => papers.map(({ paperId }) => paperId)))
    const sheets = project.stock
      .filter(({ paper_id }) => papers.has(paper_id))
      .map(({ width_um, height_um }) => ({ widthUm: width_um, heightUm: height_um }))
    const { parts } = sheetByVersion(line, newer.version, { ruler, sheets })
    await saveLine(
      inDeed.db,
      { ...row, design_hash: newer.version.hash, engine: newer.version.engine },
      parts.map(({ key, sheetUm, unitsPerPiece }) => ({
        key,
        ...sheetUm,
        unitsPerPiece,
        papers: (line.parts.find((part) => part.key === key) ?? line.parts[0])?.papers ?? [],
      })),
    )
    await planCuts(inDeed, { project: projectId })
    return null
  })
