import { umFromMm } from '@/core/units'
import { deleteProof, saveProof } from '@/data/repositories/cuts'
import { variantOf } from '@/core/design'
import { parseFields } from '@/schema/field-errors'
import { judgeFields, proofFields } from '@/schema/cut'
import type { FlowContext } from '../flow-context'
import { deed, refuseFields, RefusalError, type DeedResult } from '../deed'
import { plannedOr } from '../project-plan'
import { currentSettings } from '../settings'
import { proofLayout, standInsFor } from '../proof-layout'
import { recordProofCut } from './cuts'

async function lineOf(context: FlowContext, projectId: string, lineId: string) {
  const project = await plannedOr(context, projectId)
  const line = project.plan.lines.find((candidate) => candidate.line.id === lineId)
  if (!line) throw new RefusalError('NOT_FOUND')
  const proof = project.records.proofs.find((one) => one.lineId === lineId)
  return { project, line, proof, status: proof?.status ?? 'none' }
}

/** Cuts the one piece that sets gauges and times, before the bulk. */
export const cutProof = (
  context: FlowContext,
  projectId: string,
  input: unknown,
): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const parsed = parseFields(proofFields, input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { lineId, paperId } = parsed.value
    const { project, line, status } = await lineOf(inDeed, projectId, lineId)
    if (status !== 'none') throw new RefusalError('PROOF_DONE')
    const { cutting } = await currentSettings(inDeed)
    const own = line.parts.find(({ papers }) => papers.some((paper) => paper.paperId === paperId))
    const part = own ?? line.parts[0]
    if (!part) throw new RefusalError('NOT_FOUND')
    // Another paper that is like enough stands in: what is cut of it counts for nothing that was ordered.
    const layout = own
      ? proofLayout(project, line, own, paperId, cutting)
      : (await standInsFor(inDeed, line, cutting)).find(({ paper }) => paper.id === paperId)?.layout
    if (!layout) throw new RefusalError('NOT_ENOUGH_STOCK')
    await recordProofCut(inDeed, project, layout, part.part.sheetUm)
    await saveProof(inDeed.db, {
      line_id: lineId,
      status: 'cut',
      paper_id: paperId,
      axis: null,
      measured_um: null,
      at_ms: inDeed.nowMs,
    })
    return null
  })

/** The proof piece is folded and right; its measured size is kept where it was taken. */
export const acceptProof = (
  context: FlowContext,
  projectId: string,
  input: unknown,
): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const { unit } = await currentSettings(inDeed)
    const parsed = parseFields(judgeFields(unit), input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { lineId, axis, measured } = parsed.value
    const { line, status, proof } = await lineOf(inDeed, projectId, lineId)
    if (status === 'none') throw new RefusalError('PROOF_MISSING')
    if (status !== 'cut') throw new RefusalError('PROOF_DONE')
    const known = variantOf(line.design, line.line.variantKey).sizes.some((size) => size.axis === axis)
    if (measured !== null && !known) throw refuseFields({ axis: 'Choose which way it was measured.' })
    await saveProof(inDeed.db, {
      line_id: lineId,
      status: 'accepted',
      paper_id: proof?.paperId ?? null,
      axis: measured === null ? null : axis,
      measured_um: measured === null ? null : umFromMm(measured),
      at_ms: inDeed.nowMs,
    })
    return null
  })

/** Goes on without a proof piece. */
export const skipProof = (
  context: FlowContext,
  projectId: string,
  lineId: string,
): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const { line, status } = await lineOf(inDeed, projectId, lineId)
    if (status !== 'none') throw new RefusalError('PROOF_DONE')
    const { db, nowMs } = inDeed
    await saveProof(db, {
      line_id: line.line.id,
      status: 'skipped',
      paper_id: null,
      axis: null,
      measured_um: null,
      at_ms: nowMs,
    })
    return null
  })

/** Asks for the proof piece again, after it was judged or skipped. Its cut stays. */
export const askProofAgain = (
  context: FlowContext,
  projectId: string,
  lineId: string,
): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const { line, status } = await lineOf(inDeed, projectId, lineId)
    if (status === 'none') throw new RefusalError('PROOF_DONE')
    await deleteProof(inDeed.db, line.line.id)
    return null
  })
