import { outlineSizeMm, variantOf, type DesignDocument, type GaugeSettings } from '@/core/design'
import type { Making } from '@/core/arrange'
import {
  standingOfSupply,
  suppliesOf,
  wantedTogether,
  type SupplyStanding,
  type SupplyThere,
  type SupplyWanted,
} from '@/core/plan'
import { mmFromUm } from '@/core/units'
import {
  latestSupplyMoves,
  listSupplies,
  type SupplyMoveRow,
  type SupplyRow,
} from '@/data/repositories/supplies'
import type { FlowContext } from '../flow-context'

/** A movement of a supply as it is listed; the amount in pieces or mm. */
export interface SupplyMoveView {
  readonly id: string
  readonly kind: SupplyMoveRow['kind']
  readonly delta: number
  readonly note: string
  readonly atMs: number
  readonly canUndo: boolean
  readonly undone: boolean
}

export interface SupplyView extends SupplyThere {
  readonly id: string
  readonly note: string
  readonly moves: readonly SupplyMoveView[]
}

/** How many of the latest movements are read. */
const MOVES_READ = 200

const inUnits = ({ measured }: Pick<SupplyRow, 'measured'>, amount: number): number =>
  measured === 1 ? mmFromUm(amount) : amount

/** Things that are not folded, with what is there and its latest movements. */
export async function readSupplies({ db }: FlowContext): Promise<readonly SupplyView[]> {
  const rows = await listSupplies(db)
  const moves = rows.length === 0 ? [] : await latestSupplyMoves(db, MOVES_READ)
  return rows.map((row) => ({
    id: row.id,
    name: row.name,
    measured: row.measured === 1,
    amount: inUnits(row, row.amount),
    eachMm: row.each_um === null ? null : mmFromUm(row.each_um),
    note: row.note,
    moves: moves
      .filter((move) => move.supply_id === row.id)
      .map((move) => ({
        id: move.id,
        kind: move.kind,
        delta: inUnits(row, move.delta),
        note: move.note,
        atMs: move.at_ms,
        canUndo: move.kind !== 'undone' && move.undone === 0,
        undone: move.undone === 1,
      })),
  }))
}

/** One thing that is wanted, of whatever lengths, and how that stands to what is kept of it. */
export interface SupplyNeed {
  readonly what: string
  readonly wanted: readonly SupplyWanted[]
  readonly standing: SupplyStanding
}

/** Wishes by thing, each against what is kept. */
export function needsOfSupplies(
  wanted: readonly SupplyWanted[],
  there: readonly SupplyThere[],
): readonly SupplyNeed[] {
  const names = [...new Set(wanted.map(({ what }) => what))]
  return names.map((what) => {
    const own = wanted.filter((one) => one.what === what)
    return { what, wanted: own, standing: standingOfSupply(own, there) }
  })
}

/** A line as far as its supplies depend on it. */
export interface SuppliedLine {
  readonly design: DesignDocument
  readonly variantKey: string
  readonly sheetMm: number
  readonly gauges: GaugeSettings
  readonly making: Making
  readonly pieces: number
}

/** What some lines want that is not folded, of each thing and length together. */
export const wantedOf = (lines: readonly SuppliedLine[]): readonly SupplyWanted[] =>
  wantedTogether(
    lines.flatMap(({ design, variantKey, sheetMm, gauges, making, pieces }): readonly SupplyWanted[] => {
      const piece = outlineSizeMm(design, variantOf(design, variantKey), sheetMm, gauges)
      const { measured, counted } = suppliesOf({ making, piece, pieces, guide: design.guide })
      return [
        ...measured.map(({ what, count, eachMm, highMm }) => ({
          what,
          count,
          // A card is kept by the piece; so is a ring.
          eachMm: highMm === undefined && what !== 'wreath ring' ? eachMm : null,
        })),
        ...counted.map(({ name, count }) => ({ what: name, count, eachMm: null })),
      ]
    }),
  )
