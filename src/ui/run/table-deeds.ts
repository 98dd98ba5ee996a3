import type { Cell, Grade, RunEvent, RunPlan, RunState, SpoilReason } from '@/core/run'
import type { Tone } from './tones'

type Unplaced<Event> = Event extends RunEvent ? Omit<Event, 'id' | 'lane' | 'atMs'> : never

/** What a tap says, and how it sounds; `null` where there is nothing to say. */
export type TableDeed = { readonly deed: Unplaced<RunEvent>; readonly tone: Tone } | null

/** The fold that lies before the hands is done. */
export function foldDone(
  plan: RunPlan,
  { attemptAt }: RunState,
  cell: Cell,
  lapMs: number | null,
): NonNullable<TableDeed> {
  const last = plan.steps[cell.step]?.repeats === cell.repeat
  return {
    deed: { kind: 'done', ...cell, grain: plan.grain, attempt: attemptAt(cell), lapMs },
    tone: last ? 'row' : 'next',
  }
}

/** A tray is right once every spoiled piece has its reason. */
export function trayChecked({ phase, piece: pieceAt }: RunState): TableDeed {
  if (phase.kind !== 'inspect') return null
  const open = phase.pieces.some((piece) => pieceAt(piece).spoiled && pieceAt(piece).reason === null)
  return open ? null : { deed: { kind: 'inspect', pieces: phase.pieces }, tone: 'done' }
}

/** The last tap or spoiling is taken back. */
export function lastUndone({ lastAct }: RunState): TableDeed {
  if (!lastAct) return null
  return {
    deed:
      lastAct.kind === 'done'
        ? { kind: 'undo', ...lastAct.cell, grain: lastAct.grain, attempt: lastAct.attempt }
        : { kind: 'unspoil', piece: lastAct.piece, attempt: lastAct.attempt },
    tone: 'undo',
  }
}

export const pieceSpoiled = (
  { spoilAttempt, piece: pieceAt }: Pick<RunState, 'spoilAttempt' | 'piece'>,
  piece: number,
): TableDeed =>
  pieceAt(piece).spoiled
    ? null
    : { deed: { kind: 'spoil', piece, attempt: spoilAttempt(piece) }, tone: 'undo' }

export const pieceUnspoiled = (piece: number, attempt: number): TableDeed => ({
  deed: { kind: 'unspoil', piece, attempt },
  tone: 'undo',
})

export const pieceGraded = (piece: number, grade: Grade): TableDeed => ({
  deed: { kind: 'grade', piece, grade },
  tone: 'next',
})

export const reasonGiven = (piece: number, reason: SpoilReason): TableDeed => ({
  deed: { kind: 'reason', piece, reason },
  tone: 'next',
})
