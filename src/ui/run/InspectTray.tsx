'use client'

import { GRADES, SPOIL_REASONS, type PieceState } from '@/core/run'
import type { RunView } from '@/flows/read/run'
import type { RunAtTable } from './useRun'
import { lookWords } from './words'

interface InspectTrayProps {
  readonly run: RunView
  readonly table: RunAtTable
  readonly tray: number
  readonly pieces: readonly number[]
}

/** The end of a tray: look each piece over, say why any was spoiled, then the tray is done. */
export function InspectTray({ run, table, tray, pieces }: InspectTrayProps) {
  const states = pieces.map((piece) => table.state.piece(piece))
  const looks = lookWords(run)
  const unexplained = states.filter((state) => state.spoiled && state.reason === null).length
  return (
    <div className="flex flex-col gap-6 px-8 py-8 tablet:px-14">
      <h2 className="text-[4.5rem] leading-none">Check tray {tray + 1}</h2>
      <p className="text-2xl" role="status">
        {unexplained > 0
          ? `Say why ${unexplained === 1 ? 'a piece was' : `${unexplained} pieces were`} spoiled, then the tray is right.`
          : table.offered === tray
            ? 'Space once more, and the tray is right.'
            : 'All as they should be? Space twice, and the tray is right.'}
      </p>
      {looks.length === 0 ? null : <p className="second text-xl">Look for: {looks.join('; ')}.</p>}
      <ul className="grid gap-x-10 gap-y-1 tablet:grid-cols-2">
        {states.map((state) => (
          <PieceRow key={state.piece} state={state} part={run.partName} table={table} />
        ))}
      </ul>
    </div>
  )
}

function PieceRow({
  state,
  part,
  table,
}: {
  readonly state: PieceState
  readonly part: string
  readonly table: RunAtTable
}) {
  const { piece, spoiled, grade, reason } = state
  const name = `piece-${piece}`
  const choose = (value: string) => {
    if (value === 'spoiled') return table.spoilPiece(piece)
    if (spoiled) table.unspoilPiece(piece, table.state.spoilAttempt(piece))
    const chosen = GRADES.find((one) => one === value)
    if (chosen) table.grade(piece, chosen)
  }
  return (
    <li className="border-t hairline py-3">
      <fieldset className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <legend className="sr-only">
          {part} {piece}
        </legend>
        <span className="figure w-12 text-3xl" aria-hidden>
          {piece}
        </span>
        {[...GRADES, 'spoiled'].map((value) => (
          <label key={value} className="flex min-h-11 items-center gap-2 text-lg">
            <input
              type="radio"
              className="radio"
              name={name}
              value={value}
              checked={spoiled ? value === 'spoiled' : value === grade}
              onChange={() => choose(value)}
            />
            {value}
          </label>
        ))}
      </fieldset>
      {spoiled ? (
        <label className="mt-1 ml-16 flex items-center gap-3">
          because
          <select
            className="select w-56"
            aria-label={`Why piece ${piece} was spoiled`}
            value={reason ?? ''}
            onChange={(event) => {
              const chosen = SPOIL_REASONS.find((one) => one === event.target.value)
              if (chosen) table.reason(piece, chosen)
            }}
          >
            <option value="" disabled>
              choose a reason
            </option>
            {SPOIL_REASONS.map((one) => (
              <option key={one}>{one}</option>
            ))}
          </select>
        </label>
      ) : null}
    </li>
  )
}
