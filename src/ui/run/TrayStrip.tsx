import { piecesOfTray } from '@/core/run'
import type { RunView } from '@/flows/read/run'
import type { RunAtTable } from './useRun'

/** The tray as small sheets turning from blank to folded. */
export function TrayStrip({ run, table }: { readonly run: RunView; readonly table: RunAtTable }) {
  const { phase, piece: pieceAt, total } = table.state
  if (phase.kind === 'finished' || phase.kind === 'elsewhere') return <div />
  const inTray = piecesOfTray(run.plan, phase.tray, total)
  const colour = run.paper?.frontColour ?? '#7f9563'
  const current = phase.kind === 'fold' ? phase.cell.piece : null
  return (
    <ol className="flex flex-wrap gap-x-2" aria-label={`Tray ${phase.tray + 1}`}>
      {inTray.map((piece) => {
        const { share, spoiled } = pieceAt(piece)
        const words = spoiled
          ? 'spoiled'
          : share === 1
            ? 'folded'
            : share > 0
              ? `begun, ${Math.round(share * 100)} in 100`
              : 'blank'
        return (
          <li key={piece} className="flex flex-col items-center">
            <span className="sr-only">
              Piece {piece}: {words}
            </span>
            <svg viewBox="-26 -26 52 52" className="size-14 max-sm:size-8" aria-hidden>
              <path
                d="M0-22 22 0 0 22-22 0Z"
                fill="var(--color-base-100)"
                stroke={piece === current ? 'var(--color-base-content)' : 'var(--ink-second)'}
                strokeWidth={piece === current ? 3 : 1.2}
              />
              {share > 0 && !spoiled ? (
                <path d={foldedPath(share)} fill={colour} stroke="var(--paper-line)" strokeWidth="0.8" />
              ) : null}
              {spoiled ? <path d="M-9-9 9 9M9-9-9 9" stroke="var(--color-error)" strokeWidth="4" /> : null}
            </svg>
          </li>
        )
      })}
    </ol>
  )
}

/** The upper part of a diamond, cut off at the share that is done. */
function foldedPath(share: number): string {
  const level = -22 + 44 * share
  const half = 22 - Math.abs(level)
  return level <= 0
    ? `M0-22 ${half} ${level} ${-half} ${level}Z`
    : `M0-22 22 0 ${half} ${level} ${-half} ${level} -22 0Z`
}
