import type { SweepPaper } from '@/core/cut'
import { highPerWide, mainPart } from '@/core/design'
import { NOTHING_TO_SEE } from '@/core/numeric'
import type { DialBatch, DialStop } from '@/core/plan'
import { umFromMm, type RulerKey } from '@/core/units'
import type { BriefDesign } from '@/flows/read/brief-designs'
import type { DrawerPaper } from '@/flows/read/papers'
import { CERTAINTIES } from '@/schema/settings'
import { hasTurns } from '@/schema/turns'
import type { LineValues } from './form-values'
import type { LinePreview } from './line-preview'

/** What a dial is turned for. */
export interface Asked {
  readonly line: Pick<
    LineValues,
    'papers' | 'pieces' | 'colours' | 'variantKey' | 'sizing' | 'axis' | 'gauges'
  >
  readonly design: BriefDesign
  readonly preview: Extract<LinePreview, { kind: 'sheet' }>
  readonly papers: readonly Pick<DrawerPaper, 'id' | 'sheets'>[]
  readonly certainty: number
  readonly ruler: RulerKey
}

/** What another size would take, against the size that is asked for. */
export interface Trade {
  readonly sideMm: number
  readonly sheets: number
}

export interface Trades {
  readonly now: Trade
  /** The largest size that takes no more sheets; `null` where it is the one asked for. */
  readonly larger: Trade | null
  /** The next smaller size that takes fewer. */
  readonly smaller: Trade | null
}

type Sized = Pick<DialStop, 'sideMm' | 'sheets'>

const known = (stop: Sized | undefined): Trade | null =>
  stop && stop.sheets !== null ? { sideMm: stop.sideMm, sheets: stop.sheets } : null

/** What is worth knowing of sizes: how far the same sheets reach, and where fewer would do. */
export function tradesOf(stops: readonly Sized[], sideMm: number): Trades | null {
  const at = stops.findIndex((stop) => Math.abs(stop.sideMm - sideMm) < NOTHING_TO_SEE)
  const now = known(stops[at])
  if (!now) return null
  const after = stops.slice(at + 1)
  const dearer = after.findIndex(({ sheets }) => sheets === null || sheets > now.sheets)
  const reach = dearer === -1 ? after : after.slice(0, dearer)
  const fewer = stops.slice(0, at).findLast(({ sheets }) => sheets !== null && sheets < now.sheets)
  return { now, larger: known(reach.at(-1)), smaller: known(fewer) }
}

/** Whether the units of each piece take all papers by turns. */
const inTurnOf = ({ line, design }: Pick<Asked, 'line' | 'design'>): boolean =>
  line.colours === 'in turn' && line.papers.length > 1 && hasTurns(design.document, line.variantKey)

/** Units of each paper, out of the sizes it is in the drawer in; none while a number is missing. */
function dialPapers({ line, design, preview, papers }: Asked): readonly SweepPaper[] {
  const [part, ...others] = preview.parts
  if (!part || others.length > 0) return []
  const { document } = design
  const inTurn = inTurnOf({ line, design })
  const found = line.papers.flatMap(({ paperId, pieces }) => {
    const paper = papers.find(({ id }) => id === paperId)
    const share = inTurn ? Number(line.pieces) / line.papers.length : Number(pieces)
    const count = Math.round(share * part.unitsPerPiece)
    if (!paper || !(count > 0)) return []
    const stock = paper.sheets.map((sheet) => ({
      stockId: sheet.stockItemId,
      paperId,
      sizeUm: { widthUm: umFromMm(sheet.widthMm), heightUm: umFromMm(sheet.heightMm) },
      available: sheet.amount,
      offcut: sheet.offcut,
    }))
    return [{ paperId, pieces: count, highPerWide: highPerWide(mainPart(document)), stock }]
  })
  return found.length === line.papers.length ? found : []
}

/** A line as its dial turns it; `null` while a number is missing, and where pieces are of several kinds of sheets. */
export function dialBatch(asked: Asked): DialBatch | null {
  const papers = dialPapers(asked)
  const [part] = asked.preview.parts
  if (papers.length === 0 || !part) return null
  return {
    papers,
    sideMm: asked.preview.sheetMm,
    ruler: asked.ruler,
    certainty: asked.certainty,
    rate: asked.design.rate,
    secondsPerUnit: asked.design.secondsPerUnit,
    unitsPerPiece: part.unitsPerPiece,
    inTurn: inTurnOf(asked),
    certainties: CERTAINTIES.map(Number),
  }
}

/** Cliffs that have room beside each other below a dial. */
const ROOM_FOR_CLIFFS = 9

/** Stops from which on another number of sheets is taken, as many as can be read; those nearest to the one asked for. */
export function cliffsOf(stops: readonly Pick<DialStop, 'sheets'>[], at: number): readonly number[] {
  const cliffs = stops.flatMap(({ sheets }, index) =>
    index > 0 && sheets !== null && sheets !== stops[index - 1]?.sheets ? [index] : [],
  )
  return cliffs
    .sort((one, other) => Math.abs(one - at) - Math.abs(other - at))
    .reduce<readonly number[]>(
      (chosen, cliff) =>
        chosen.every((other) => Math.abs(other - cliff) >= stops.length / ROOM_FOR_CLIFFS)
          ? [...chosen, cliff]
          : chosen,
      [],
    )
    .toSorted((one, other) => one - other)
}
