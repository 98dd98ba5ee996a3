import { mmFromUm } from '@/core/units'
import { canBeOrdered, isOrderOf, madeOf, ordersOf, seenPieces, type PlannedLine } from '@/core/plan'
import { addOrder, dropOrder, ordersOfLines } from '@/data/repositories/line-orders'
import { parseFields } from '@/schema/field-errors'
import { orderFields, orderStep, type OrderBody } from '@/schema/line-order'
import { deed, refuseFields, RefusalError, type DeedResult } from '../deed'
import type { FlowContext } from '../flow-context'
import { hungAs, plannedOrder } from '../line-orders'
import { plannedOr } from '../project-plan'

const write = ({ db, nowMs }: FlowContext, line: PlannedLine['line'], seed: number, body: OrderBody) =>
  addOrder(db, { line_id: line.id, seed, made_of: madeOf(line), body: JSON.stringify(body), at_ms: nowMs })

/** Keeps an order of a line's pieces as its next step. Refused where its pieces are not those of the line as it stands. */
export const chooseOrder = (
  context: FlowContext,
  projectId: string,
  input: unknown,
): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const parsed = parseFields(orderFields, input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { lineId, seed, ...body } = parsed.value
    const { plan } = await plannedOr(inDeed, projectId)
    const line = plan.lines.find((one) => one.line.id === lineId)?.line
    if (!line || !canBeOrdered(line)) throw new RefusalError('NOT_FOUND')
    if (!isOrderOf(body, line)) throw new RefusalError('OTHER_PIECES')
    await write(inDeed, line, seed, body)
    return null
  })

/**
 * Takes the last step of a line's order back: the one before counts again, or the order as it is planned. The step is
 * named, so that two presses take back no two.
 */
export const undoOrder = (
  context: FlowContext,
  projectId: string,
  input: unknown,
): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const parsed = parseFields(orderStep, input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { lineId, step } = parsed.value
    const { plan } = await plannedOr(inDeed, projectId)
    if (!plan.lines.some((one) => one.line.id === lineId)) throw new RefusalError('NOT_FOUND')
    const [last] = await ordersOfLines(inDeed.db, [lineId])
    if (!last) throw new RefusalError('NO_ORDER_YET')
    if (last.step !== step) throw new RefusalError('CHANGED_SINCE', { what: 'This order' })
    await dropOrder(inDeed.db, lineId, step)
    return null
  })

/** Chooses for every line without a chosen order the one that is planned. */
export const choosePlannedOrders = (context: FlowContext, projectId: string): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const { plan, brief, records } = await plannedOr(inDeed, projectId)
    const { wanted, chosen } = ordersOf(brief.lines, records)
    const hanging = plan.lines.map(({ line, design }) => ({
      ...line,
      design,
      sheetMm: mmFromUm(line.parts[0]?.sheetUm.widthUm ?? 0),
    }))
    for (const line of wanted) {
      const own = hanging.find(({ id }) => id === line.id)
      if (chosen.includes(line) || !own) continue
      const hung = hungAs(own, hanging)
      const counts = seenPieces(line)
      const { colours } = plannedOrder(
        inDeed,
        hung?.scene.neighbours ?? 'ring',
        counts.map(({ pieces }) => pieces),
      )
      await write(inDeed, line, 0, {
        papers: counts.map(({ paperId }) => paperId),
        at: [...colours],
        locked: [],
      })
    }
    return null
  })
