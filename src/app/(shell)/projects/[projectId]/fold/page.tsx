import type { Metadata } from 'next'
import { Link } from '@/ui/shell/Link'
import { openStation, type StationParams } from '@/app/_server/open-station'
import { mainPart, variantOf, waysOf } from '@/core/design'
import type { RunSummary } from '@/data/repositories/runs'
import type { LinePaperView, LineView } from '@/flows/read/line-view'
import { areOf, countOf, formatDuration, formatPiece, plural } from '@/ui/format'
import { DeedButton } from '@/ui/forms/DeedButton'
import { Swatch } from '@/ui/paper/Swatch'
import { StartRun } from '@/ui/project/StartRun'
import { StationFrame } from '@/ui/project/StationFrame'
import { shelveLeftOverAction, startRunAction, planAgainAction } from '../../actions'

export const metadata: Metadata = { title: 'Fold' }

export default async function FoldPage(props: StationParams) {
  const { preferences, settings, project } = await openStation(props)
  const left = project.lines.reduce(
    (sum, line) =>
      sum +
      line.papers.reduce((units, row) => units + Math.max(0, row.goodUnits - row.usableUnits), 0) *
        line.secondsPerUnit,
    0,
  )
  return (
    <StationFrame
      project={project}
      open="fold"
      preferences={preferences}
      planAgain={planAgainAction.bind(null, project.id)}
    >
      <h2 className="text-2xl">
        {left === 0 ? 'All folded' : `About ${formatDuration(left)} of folding left`}
      </h2>
      <p className="second">
        {left === 0
          ? 'Every piece wanted is folded.'
          : 'At the pace of your log; where there is none yet, at the usual pace of each design.'}
      </p>
      {project.lines.map((line) => (
        <section key={line.id} aria-labelledby={`fold-${line.id}`} className="mt-8">
          <h3 id={`fold-${line.id}`} className="text-xl">
            {line.design.name}{' '}
            <span className="second text-base">
              from{' '}
              {line.parts
                .map((part) => formatPiece(part.sheetMm, part.highPerWide, preferences))
                .join(' and ')}
            </span>
          </h3>
          <ul className="mt-2">
            {line.papers.map((row) => (
              <FoldRow
                key={`${row.part.key} ${row.paper.id}`}
                projectId={project.id}
                line={line}
                row={row}
                hand={settings.hand}
                runs={project.runs.filter(
                  (run) =>
                    run.lineId === line.id &&
                    run.partKey === row.part.key &&
                    run.paperId === row.paper.id &&
                    run.archivedAtMs === null,
                )}
              />
            ))}
          </ul>
        </section>
      ))}
    </StationFrame>
  )
}

interface FoldRowProps {
  readonly projectId: string
  readonly line: LineView
  readonly row: LinePaperView
  readonly hand: 'right' | 'left'
  readonly runs: readonly RunSummary[]
}

function FoldRow({ projectId, line, row, hand, runs }: FoldRowProps) {
  const open = runs.find((run) => run.phase !== 'finished')
  const left = Math.max(0, row.goodUnits - row.usableUnits)
  return (
    <li className="grid grid-cols-[1fr_auto] gap-4 border-t hairline py-4 last:border-b tablet:grid-cols-[14rem_9rem_1fr]">
      <p className="flex items-center gap-3 self-start font-semibold">
        <Swatch front={row.paper.frontColour} back={row.paper.backColour} />
        {row.paper.name}
      </p>
      <p>
        <span className="figure text-2xl">{row.usableUnits}</span>
        <span className="second"> of {row.goodUnits} good</span>
        <span className="second block text-sm">
          {row.spoiledUnits > 0 ? `${row.spoiledUnits} spoiled, ` : ''}
          {left === 0 ? 'none to go' : `${left} to go`}
        </span>
      </p>
      {open ? (
        <p className="flex flex-wrap items-center justify-between gap-3 max-tablet:col-span-2">
          <span>
            {open.phase === 'inspect'
              ? 'A tray to check'
              : `Waiting at piece ${open.atPiece ?? 1} of ${open.total}`}
          </span>
          <Link
            href={`/runs/${open.id}`}
            className="btn btn-primary"
            aria-label={`Continue folding ${line.design.name}, ${row.paper.name}`}
          >
            Continue folding
          </Link>
        </p>
      ) : left === 0 ? (
        <div className="flex flex-wrap items-center justify-between gap-3 max-tablet:col-span-2">
          <p className="second">done</p>
          {row.leftOver > 0 ? (
            <p className="flex flex-wrap items-center gap-3">
              {plural(row.leftOver, 'good one')} left over.
              <DeedButton
                act={shelveLeftOverAction.bind(null, projectId, {
                  lineId: line.id,
                  partKey: row.part.key,
                  paperId: row.paper.id,
                })}
                className="btn btn-sm btn-outline"
              >
                Put on the shelf
              </DeedButton>
            </p>
          ) : null}
        </div>
      ) : (
        <div className="max-tablet:col-span-2">
          {row.waitingUnits < left ? (
            <p className="note mb-3">
              {row.waitingUnits === 0
                ? 'None are cut yet.'
                : `Only ${countOf(row.waitingUnits, row.part.name)} ${areOf(row.waitingUnits)} cut.`}{' '}
              {plural(left, 'good one')} wanted.
            </p>
          ) : null}
          <StartRun
            of={{ lineId: line.id, partKey: row.part.key, paperId: row.paper.id }}
            what={`${line.design.name}, ${row.paper.name}`}
            pieces={left}
            hand={hand}
            ways={waysOf(
              line.design.parts.find(({ key }) => key === row.part.key) ?? mainPart(line.design),
              variantOf(line.design, line.variantKey),
            )}
            start={startRunAction.bind(null, projectId)}
          />
        </div>
      )}
    </li>
  )
}
