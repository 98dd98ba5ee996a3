import {
  finishedSizes,
  defaultGauges,
  mainPart,
  shownSheetMm,
  unitsOf,
  type DesignDocument,
} from '@/core/design'
import { CoreError } from '@/core/errors'
import type { FlowContext } from '../flow-context'
import { readOffered } from '../designs'
import { readLessons } from '../lessons'
import { choose } from './choosing'
import { readEnd } from './folds'
import type { DrawerPaper } from './papers'

/** What there is to begin with: time, paper, or both. */
export interface StartsAsked {
  readonly minutes: number | null
  readonly paper: DrawerPaper | null
}

/** So many pieces of a design that the time and the paper are enough for. */
export interface StartView {
  readonly designId: string
  readonly name: string
  readonly pieces: number
  /** Finished, along the design's first axis. */
  readonly sizeMm: number
  readonly sizeLabel: string
  /** What they take to fold, at the pace as it is known. */
  readonly seconds: number
}

/** As many as have room to be looked at. */
const MOST_STARTS = 24

/** What the time and the paper are enough for, of every design that is offered. */
export async function readStarts(context: FlowContext, asked: StartsAsked): Promise<readonly StartView[]> {
  const lessons = await readLessons(context)
  const starts: StartView[] = []
  for (const { document, hash } of await readOffered(context)) {
    if (starts.length === MOST_STARTS) break
    const [variant] = document.variants
    const sheetMm = shownSheetMm(document)
    const size = variant && firstSize(document, sheetMm)
    if (!variant || !size) continue
    const shown = { variantKey: variant.key, sheetMm, gauges: defaultGauges(document) }
    const hardest = asked.paper === null ? [] : ((await readEnd(context, hash, shown))?.hardest ?? [])
    const { secondsPerPiece: secondsPerUnit } = lessons.pace(document)
    const wishes = { ...asked, family: null, skill: null, sheetMm: null, paperOnly: false }
    const { leftOut, byTime, byPaper } = choose(document, wishes, { secondsPerUnit, hardest, sheetMm })
    const pieces = Math.min(byTime ?? Infinity, byPaper ?? Infinity)
    if (leftOut !== null || !Number.isFinite(pieces) || pieces < 1) continue
    starts.push({
      designId: document.id,
      name: document.name,
      pieces,
      ...size,
      seconds: pieces * secondsPerUnit * unitsOf(mainPart(document), variant),
    })
  }
  return starts
}

/** The first finished size a sheet gives; `null` where a gauge does not fit it. */
export function firstSize(
  design: DesignDocument,
  sheetMm: number,
): Pick<StartView, 'sizeMm' | 'sizeLabel'> | null {
  const [variant] = design.variants
  try {
    const [size] = variant ? finishedSizes(design, variant, sheetMm, defaultGauges(design)) : []
    return size ? { sizeMm: size.sizeMm, sizeLabel: size.label } : null
  } catch (error) {
    if (error instanceof CoreError) return null
    throw error
  }
}
