import { invariant } from '../errors'
import type { Cell, RunPlan, RunStep, TapGrain } from './types'

/** A tap within a piece: the last fold it covers, and the row of the tray it belongs to. */
export interface Tap {
  readonly step: number
  readonly repeat: number
  readonly row: number
}

const lastStepOfStage = (steps: readonly RunStep[], step: number): boolean =>
  steps[step + 1]?.stage !== steps[step]?.stage

/** The taps of one piece, in order, at a grain. A stage or a piece is named by its last fold. */
export function tapsOf(steps: readonly RunStep[], grain: TapGrain): readonly Tap[] {
  return steps.flatMap(({ repeats, stage }, step) => {
    if (grain === 'fold')
      return Array.from({ length: repeats }, (_, index) => ({ step, repeat: index + 1, row: step }))
    const covers = grain === 'stage' ? lastStepOfStage(steps, step) : step === steps.length - 1
    return covers ? [{ step, repeat: repeats, row: grain === 'stage' ? stage : 0 }] : []
  })
}

/** Cells of some pieces in the order they are worked. */
export function cellsOf(plan: RunPlan, pieces: readonly number[]): readonly Cell[] {
  const taps = tapsOf(plan.steps, plan.grain)
  const cellAt = (piece: number, { step, repeat }: Tap): Cell => ({ piece, step, repeat })
  if (plan.order === 'piece by piece') return pieces.flatMap((piece) => taps.map((tap) => cellAt(piece, tap)))
  const rows = [...new Set(taps.map((tap) => tap.row))]
  return rows.flatMap((row) =>
    pieces.flatMap((piece) => taps.filter((tap) => tap.row === row).map((tap) => cellAt(piece, tap))),
  )
}

/** Ordinals in a tray when `total` pieces are to be folded. */
export function piecesOfTray(plan: RunPlan, tray: number, total: number): readonly number[] {
  const first = tray * plan.traySize + 1
  const last = Math.min(total, first + plan.traySize - 1)
  invariant(first >= 1, 'trays count from 0')
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, index) => first + index)
}

/** Key of a cell in sets and maps. */
export const cellKey = ({ piece, step, repeat }: Cell): string => `${piece}:${step}:${repeat}`
