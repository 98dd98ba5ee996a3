import { z } from 'zod'
import { MOST_POSITIONS } from '@/core/arrange'
import { idText } from './fields'

const position = z
  .int()
  .min(0)
  .max(MOST_POSITIONS - 1)

/** An order as it is kept: papers, the paper at each position as an index into them, positions that are held. */
export const orderBody = z.strictObject({
  papers: z.array(idText('a paper')).min(1).max(100),
  at: z.array(z.int().min(0).max(99)).max(MOST_POSITIONS),
  locked: z.array(position).max(MOST_POSITIONS),
})

export type OrderBody = z.infer<typeof orderBody>

/** Other papers for a line: whose place each takes. */
export const papersInstead = z.strictObject({
  lineId: idText('a line'),
  instead: z.record(idText('a paper'), idText('a paper')),
})

/** Which step of a line's order, counted from 1. */
export const orderStep = z.strictObject({ lineId: idText('a line'), step: z.int().min(1) })

/** An order as it is sent. */
export const orderFields = z.strictObject({
  lineId: idText('a line'),
  seed: z.int().min(0).max(0x7fffffff),
  ...orderBody.shape,
})
