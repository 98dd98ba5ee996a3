import { z } from 'zod'
import { MOST_PIECES } from '@/core/batch'
import { WAYS } from '@/core/design'
import { TAP_GRAINS, TRAY_ORDERS } from '@/core/run'
import type { LengthUnit } from '@/core/units'
import { SHEET_RANGE_MM } from './asked-size'
import { choice, countText, idText, lengthText, optionalText } from './fields'

/** How a run is folded, and of how many. */
const howFolded = z.strictObject({
  pieces: countText({ name: 'how many', min: 1, max: MOST_PIECES }),
  grain: choice('what one tap stands for', TAP_GRAINS),
  order: choice('the order within a tray', TRAY_ORDERS),
  traySize: countText({ name: 'how many in a tray', min: 1, max: 100 }),
  hand: choice('your hand', ['right', 'left']),
  way: choice('the way', WAYS),
})

/** The same as a form holds it: texts. */
export type HowFolded = z.input<typeof howFolded>

/** A run of one part of a line in one paper; how many counts units of the part. */
export const projectRunFields = z.strictObject({
  lineId: idText('a line'),
  partKey: idText('a part'),
  paperId: idText('a paper'),
  ...howFolded.shape,
})

/** "Just fold": a run of one design with no project around it. */
export const looseRunFields = (unit: LengthUnit) =>
  z.strictObject({
    designId: idText('a design'),
    variantKey: idText('a variant'),
    paperId: optionalText(idText('a paper')),
    size: lengthText({ name: 'the sheet size', unit, minMm: SHEET_RANGE_MM.min, maxMm: SHEET_RANGE_MM.max }),
    ...howFolded.shape,
  })
