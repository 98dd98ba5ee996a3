import { nanoid } from 'nanoid'
import { z } from 'zod'
import type { PlannedLine, PlannedPaper, PlannedPart } from '@/core/plan'
import { addShelfMove, shelfStock } from '@/data/repositories/shelf'
import { parseFields } from '@/schema/field-errors'
import { idText } from '@/schema/fields'
import type { FlowContext } from '../flow-context'
import { deed, refuseFields, RefusalError, type DeedResult } from '../deed'
import { planCuts } from '../plan-cuts'
import { plannedOr } from '../project-plan'
import { leftOver, liesOnShelf, shelfKind } from '../shelf'

const placeFields = z.strictObject({
  lineId: idText('a line'),
  partKey: idText('a part'),
  paperId: idText('a paper'),
})

interface Place {
  readonly line: PlannedLine
  readonly part: PlannedPart
  readonly paper: PlannedPaper
  /** Pieces of the line that are joined. */
  readonly joined: number
}

async function placeOf(context: FlowContext, projectId: string, input: unknown): Promise<Place> {
  const parsed = parseFields(placeFields, input)
  if (!parsed.ok) throw refuseFields(parsed.fields)
  const { lineId, partKey, paperId } = parsed.value
  const { plan } = await plannedOr(context, projectId)
  const line = plan.lines.find((one) => one.line.id === lineId)
  const part = line?.parts.find((one) => one.part.key === partKey)
  const paper = part?.papers.find((one) => one.paperId === paperId)
  if (!line || !part || !paper) throw new RefusalError('NOT_FOUND')
  const joined = plan.joinings.find((one) => one.line.line.id === lineId)?.joined ?? 0
  return { line, part, paper, joined }
}

const kindOf = ({ line, part, paper }: Place) =>
  shelfKind({ line: line.line, part: part.part, paperId: paper.paperId })

/** Units from the shelf that are neither in a joined piece nor with who ordered them. */
const canGoBack = ({ line, part, paper, joined }: Place): number => {
  const gone = Math.max(joined, line.handedOver) * part.part.unitsPerPiece
  return Math.max(0, Math.min(paper.fromShelf, part.foldedUnits - gone))
}

/** Writes one move of the shelf's ledger for a line. */
const move = (
  { db, nowMs }: FlowContext,
  place: Place,
  kind: 'left over' | 'taken' | 'put back',
  delta: number,
): Promise<void> =>
  addShelfMove(db, {
    id: nanoid(),
    ...kindOf(place),
    delta,
    kind,
    line_id: place.line.line.id,
    at_ms: nowMs,
  })

/** Puts the good units that are more than a line wants on the shelf, for a later project. */
export const shelveLeftOver = (
  context: FlowContext,
  projectId: string,
  input: unknown,
): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const place = await placeOf(inDeed, projectId, input)
    const units = leftOver(place.paper)
    if (units === 0) throw new RefusalError('NOTHING_LEFT_OVER')
    await move(inDeed, place, 'left over', units)
    return null
  })

/** Takes what a line still wants off the shelf, as far as there is any, and plans the rest again. */
export const takeOffShelf = (
  context: FlowContext,
  projectId: string,
  input: unknown,
): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const place = await placeOf(inDeed, projectId, input)
    const kind = kindOf(place)
    const there = (await shelfStock(inDeed.db)).find((stock) => liesOnShelf(stock, kind))?.units ?? 0
    const units = Math.min(there, Math.max(0, place.paper.goodUnits - place.paper.usableUnits))
    if (units === 0) throw new RefusalError('NOT_ON_THE_SHELF')
    await move(inDeed, place, 'taken', -units)
    await planCuts(inDeed, { project: projectId })
    return null
  })

/** Puts what a line took off the shelf back there: no more than is neither joined nor handed over. */
export const putBackOnShelf = (
  context: FlowContext,
  projectId: string,
  input: unknown,
): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const place = await placeOf(inDeed, projectId, input)
    const units = canGoBack(place)
    if (units === 0) throw new RefusalError('NOT_ON_THE_SHELF')
    await move(inDeed, place, 'put back', units)
    await planCuts(inDeed, { project: projectId })
    return null
  })
