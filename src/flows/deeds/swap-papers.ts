import { madeOf } from '@/core/plan'
import { addOrder, ordersOfLines } from '@/data/repositories/line-orders'
import { listPapers } from '@/data/repositories/papers'
import { dependentsOfLine, putPapersInstead } from '@/data/repositories/projects'
import { parseFields } from '@/schema/field-errors'
import { papersInstead } from '@/schema/line-order'
import { deed, refuseFields, RefusalError, type DeedResult } from '../deed'
import type { FlowContext } from '../flow-context'
import { readOrder } from '../line-orders'
import { planCuts } from '../plan-cuts'
import { plannedOr } from '../project-plan'

/**
 * Gives a line other papers, each in the place of one it has, with its pieces and in its order. Refused once anything of
 * the line is cut or folded, and where two would be the same.
 */
export const swapPapers = (
  context: FlowContext,
  projectId: string,
  input: unknown,
): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const { db, nowMs } = inDeed
    const parsed = parseFields(papersInstead, input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { lineId, instead } = parsed.value
    const found = (await plannedOr(inDeed, projectId)).plan.lines.find(({ line }) => line.id === lineId)
    if (!found) throw new RefusalError('NOT_FOUND')
    const used = await dependentsOfLine(db, lineId)
    if (Object.values(used).some((count) => count > 0))
      throw new RefusalError('PAPERS_BEGUN', { line: found.design.name })
    const known = new Set((await listPapers(db)).map(({ id }) => id))
    const now = [...new Set(found.line.parts.flatMap((part) => part.papers.map(({ paperId }) => paperId)))]
    if (Object.keys(instead).some((id) => !now.includes(id)))
      throw new RefusalError('CHANGED_SINCE', { what: 'The papers of this line' })
    const wanted = now.map((id) => instead[id] ?? id)
    if (wanted.some((id) => !now.includes(id) && !known.has(id))) throw new RefusalError('NOT_FOUND')
    if (new Set(wanted).size < wanted.length)
      throw refuseFields({ instead: 'Two of them are the same paper.' })
    const become = (id: string): string => instead[id] ?? id
    const [row] = await ordersOfLines(db, [lineId])
    const order = row ? readOrder(row, found.line) : null
    await putPapersInstead(db, lineId, become)
    if (row && order) {
      const line = {
        ...found.line,
        parts: found.line.parts.map((part) => ({
          ...part,
          papers: part.papers.map((paper) => ({ ...paper, paperId: become(paper.paperId) })),
        })),
      }
      const body = JSON.stringify({ ...order, papers: order.papers.map(become) })
      await addOrder(db, { line_id: lineId, seed: row.seed, made_of: madeOf(line), body, at_ms: nowMs })
    }
    await planCuts(inDeed, { project: projectId })
    return null
  })
