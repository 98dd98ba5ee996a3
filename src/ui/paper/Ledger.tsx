import type { DeedResult } from '@/flows/deed'
import type { MoveView } from '@/flows/read/papers'
import { formatMoment, formatSheet, type Preferences } from '../format'
import { DeedButton } from '../forms/DeedButton'

const WORDS: Readonly<Record<MoveView['kind'], string>> = {
  bought: 'put in',
  counted: 'counted anew',
  spoiled: 'spoiled',
  'given away': 'given away',
  undone: 'taken back',
  cut: 'cut',
  offcut: 'left of a cut',
  'cut undone': 'cut taken back',
}

interface LedgerProps {
  readonly moves: readonly MoveView[]
  readonly preferences: Preferences
  readonly undo: (moveId: string) => Promise<DeedResult<null>>
}

/** What went in and out, newest first. */
export const Ledger = ({ moves, preferences, undo }: LedgerProps) => (
  <ul className="mt-2">
    {moves.map((move) => {
      const size = formatSheet(move.widthMm, move.heightMm, preferences)
      const what = `${move.delta > 0 ? '+' : '\u2212'}${Math.abs(move.delta)} of ${size}${move.offcut ? ', offcut' : ''}`
      return (
        <li
          key={move.id}
          className="flex min-h-12 flex-wrap items-center justify-between gap-3 border-t hairline py-1"
        >
          <span className={move.undone ? 'line-through' : ''}>
            <span className="figure">{what}</span>, {WORDS[move.kind]}
            {move.note === '' ? '' : `: ${move.note}`}{' '}
            <span className="second">{formatMoment(move.atMs, preferences)}</span>
          </span>
          {move.canUndo ? (
            <DeedButton
              act={undo.bind(null, move.id)}
              className="btn btn-ghost btn-sm"
              label={`Undo: ${what}, ${WORDS[move.kind]}`}
            >
              Undo
            </DeedButton>
          ) : null}
        </li>
      )
    })}
  </ul>
)
