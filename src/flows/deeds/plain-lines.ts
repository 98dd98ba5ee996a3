import { nanoid } from 'nanoid'
import { umFromMm } from '@/core/units'
import { findPaper } from '@/data/repositories/papers'
import {
  cutsOfPlainLine,
  deletePlainLine,
  insertPlainLine,
  plainLinesOf,
  setPlainPieces,
} from '@/data/repositories/plain-lines'
import { findProject } from '@/data/repositories/projects'
import { plainFields } from '@/schema/cut'
import { parseFields } from '@/schema/field-errors'
import { deed, refuseFields, RefusalError, type DeedResult } from '../deed'
import type { FlowContext } from '../flow-context'
import { planCuts } from '../plan-cuts'
import { plannedOr } from '../project-plan'
import { currentSettings } from '../settings'

/** More are a shop's, and would make a page nobody reads. */
const MOST_PLAIN_LINES = 40

/** Asks for pieces that are only cut: card blanks, tags, strips. The project's cuts are planned with them. */
export const addPlainLine = (
  context: FlowContext,
  projectId: string,
  input: unknown,
): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const { db, nowMs } = inDeed
    const { unit } = await currentSettings(inDeed)
    const parsed = parseFields(plainFields(unit), input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { name, paperId, width, height, pieces } = parsed.value
    if (!(await findProject(db, projectId))) throw new RefusalError('NOT_FOUND')
    const paper = await findPaper(db, paperId)
    if (!paper || paper.archived_at_ms !== null)
      throw refuseFields({ paperId: 'This paper is not in the drawer any more. Choose another.' })
    if ((await plainLinesOf(db, [projectId])).length >= MOST_PLAIN_LINES)
      throw refuseFields({ name: `Up to ${MOST_PLAIN_LINES} of these go with a project.` })
    await insertPlainLine(db, {
      id: nanoid(),
      project_id: projectId,
      name,
      paper_id: paperId,
      width_um: umFromMm(width),
      height_um: umFromMm(height),
      pieces,
      at_ms: nowMs,
    })
    await planCuts(inDeed, { project: projectId, paperIds: [paperId] })
    return null
  })

/** Cuts no more of them. Those that are cut stay told; where none ever was the line goes. */
export const dropPlainLine = (
  context: FlowContext,
  projectId: string,
  lineId: string,
): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const { db } = inDeed
    const { plan } = await plannedOr(inDeed, projectId)
    const one = plan.plain.find(({ line }) => line.id === lineId)
    if (!one) throw new RefusalError('NOT_FOUND')
    if ((await cutsOfPlainLine(db, lineId)) === 0) await deletePlainLine(db, lineId)
    else await setPlainPieces(db, lineId, one.cut)
    await planCuts(inDeed, { project: projectId, paperIds: [one.line.paperId] })
    return null
  })
