import { nanoid } from 'nanoid'
import { z } from 'zod'
import { insertDelivery, insertJoin, markDeliveryUndone } from '@/data/repositories/joins'
import { parseFields } from '@/schema/field-errors'
import { idText, noteText } from '@/schema/fields'
import type { FlowContext } from '../flow-context'
import { deed, refuseFields, RefusalError, type DeedResult } from '../deed'
import { readProject, type ProjectView } from '../read/project'

const joinFields = z.strictObject({
  /** Made by the client, so that one press counts once. */
  id: idText('a press'),
  lineId: idText('a line'),
  delta: z.union([z.literal(1), z.literal(-1)]),
})

async function projectOf(context: FlowContext, projectId: string): Promise<ProjectView> {
  const project = await readProject(context, projectId)
  if (!project) throw new RefusalError('NOT_FOUND')
  return project
}

/** One more piece joined, or one less. Refused beyond what is folded, and below none. */
export const recordJoin = (
  context: FlowContext,
  projectId: string,
  input: unknown,
): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const parsed = parseFields(joinFields, input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { id, lineId, delta } = parsed.value
    const join = (await projectOf(inDeed, projectId)).joins.find((candidate) => candidate.line.id === lineId)
    if (!join) throw new RefusalError('NOT_FOUND')
    if (delta > 0 && join.joined >= join.joinable)
      throw new RefusalError('NOTHING_TO_JOIN', { joined: join.joined, pieces: join.pieces })
    if (delta < 0 && join.joined === 0) throw new RefusalError('NOTHING_JOINED')
    await insertJoin(inDeed.db, { id, lineId, delta, atMs: inDeed.nowMs })
    return null
  })

const deliveryFields = z.strictObject({ note: noteText('the note', 500) })

/** The pieces are handed over. */
export const handOver = (
  context: FlowContext,
  projectId: string,
  input: unknown,
): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const parsed = parseFields(deliveryFields, input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const project = await projectOf(inDeed, projectId)
    if (project.delivery) throw new RefusalError('ALREADY_HANDED_OVER')
    await insertDelivery(inDeed.db, {
      id: nanoid(),
      project_id: projectId,
      pieces: project.facts.foldedUnits,
      note: parsed.value.note,
      handed_over_at_ms: inDeed.nowMs,
      undone_at_ms: null,
    })
    return null
  })

/** They were not handed over after all. */
export const undoHandOver = (context: FlowContext, projectId: string): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    await projectOf(inDeed, projectId)
    await markDeliveryUndone(inDeed.db, projectId, inDeed.nowMs)
    return null
  })
