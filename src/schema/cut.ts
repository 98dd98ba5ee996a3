import { z } from 'zod'
import type { LengthUnit } from '@/core/units'
import { countText, idText, lengthText, nameText, optionalText } from './fields'

/** More would make one plan that nobody looks through. */
export const MOST_TOGETHER = 8

/** A cut as it is ticked off: which layout of which stored plan, and how many of its sheets. */
export const tickFields = z.strictObject({
  planId: idText('a plan'),
  layoutId: idText('a layout'),
  sheets: countText({ name: 'how many sheets', min: 1, max: 100_000 }),
})

/** Pieces that are cut and not folded. */
export const plainFields = (unit: LengthUnit) =>
  z.strictObject({
    name: nameText('what they are', 60),
    paperId: idText('a paper'),
    width: lengthText({ name: 'the width', unit, minMm: 3, maxMm: 3000 }),
    height: lengthText({ name: 'the height', unit, minMm: 3, maxMm: 3000 }),
    pieces: countText({ name: 'how many', min: 1, max: 100_000 }),
  })

/** Projects that are cut together with one. */
export const togetherFields = z.strictObject({
  projects: z.array(idText('a project')).max(MOST_TOGETHER - 1),
})

/** The proof piece of a line, and the paper it is cut from. */
export const proofFields = z.strictObject({ lineId: idText('a line'), paperId: idText('a paper') })

/** What a folded proof piece came out at, where it was measured. */
export const judgeFields = (unit: LengthUnit) =>
  z.strictObject({
    lineId: idText('a line'),
    axis: z.string().max(64),
    measured: optionalText(lengthText({ name: 'the measured size', unit, minMm: 1, maxMm: 3000 })),
  })
