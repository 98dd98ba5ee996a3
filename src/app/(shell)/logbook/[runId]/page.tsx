import type { Metadata } from 'next'
import { Link } from '@/ui/shell/Link'
import { notFound } from 'next/navigation'
import { openPage } from '@/app/_server/guard'
import { readRunLog } from '@/flows/read/logbook'
import { readRunHead, type RunHead } from '@/flows/read/run'
import { readRests, type RestView } from '@/flows/read/spoiled-rests'
import { DeedButton } from '@/ui/forms/DeedButton'
import {
  countOf,
  formatDuration,
  formatExact,
  formatMoment,
  formatPace,
  formatSheet,
  plural,
  type Preferences,
} from '@/ui/format'
import { PaceChart } from '@/ui/logbook/PaceChart'
import { fitsHref } from '@/ui/paper/fits-href'
import { Pages } from '@/ui/shell/Pages'
import { figure } from '@/ui/table/cells'
import { DataTable, type TableColumn } from '@/ui/table/DataTable'
import { archiveRunAction, keepRestAction } from '../actions'

export const metadata: Metadata = { title: 'Run' }

const UNIT_COLUMNS: readonly TableColumn[] = [
  { key: 'piece', header: 'Piece' },
  { key: 'state', header: 'State' },
  { key: 'reason', header: 'Reason' },
  { key: 'active', header: 'Hands on paper', right: true },
  { key: 'last', header: 'Last tap', right: true },
]

interface RunLogParams {
  readonly params: Promise<{ runId: string }>
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>
}

export default async function RunLogPage({ params, searchParams }: RunLogParams) {
  const { context, preferences } = await openPage()
  const run = await readRunHead(context, (await params).runId)
  if (!run) notFound()
  const asked = Number((await searchParams)['page'] ?? 1)
  const { units, page, pages, pace, perPoint } = await readRunLog(context, run.id, asked)
  const activeS = run.activeMs / 1000
  return (
    <>
      <h1 className="text-4xl">
        {run.designName}
        {run.paper === null ? '' : `, ${run.paper.name}`}
      </h1>
      <p className="second mt-1">
        {run.projectName ?? 'Just folding'}. {run.variantName}, from {formatExact(run.sheetMm, preferences)}.
        Begun {formatMoment(run.startedAtMs, preferences)}.
      </p>
      <p className="mt-4 text-xl">
        <span className="figure text-3xl">{run.usable}</span> of {countOf(run.wanted, run.partName)} in{' '}
        {formatDuration(activeS)}
        {run.usable > 0 && activeS > 0 ? `, ${formatPace(activeS / run.usable)} each` : ''}.
      </p>
      {run.oddClocks === 0 ? null : (
        <p className="note mt-3">
          {plural(run.oddClocks, 'tap')} came with a clock that cannot be right, from before this run or from
          later than they arrived. They count; for their time, when they arrived is taken.
        </p>
      )}
      <div className="mt-4 flex gap-3">
        {run.archived ? null : (
          <Link href={`/runs/${run.id}`} className="btn btn-primary">
            To the table
          </Link>
        )}
        <DeedButton act={archiveRunAction.bind(null, run.id, !run.archived)} className="btn btn-ghost">
          {run.archived ? 'Take this run out of the archive' : 'Archive this run'}
        </DeedButton>
      </div>
      {pace.length > 1 ? (
        <section className="mt-8" aria-labelledby="pace">
          <h2 id="pace" className="text-2xl">
            {perPoint === 1 ? 'Pace, piece by piece' : `Pace, ${perPoint} pieces at a time`}
          </h2>
          <PaceChart points={pace} />
        </section>
      ) : null}
      <div className="mt-8">
        <DataTable
          caption="Pieces of this run"
          columns={UNIT_COLUMNS}
          rows={units.map((unit) => ({
            id: String(unit.ordinal),
            cells: {
              piece: figure(unit.ordinal),
              state:
                unit.status === 'folded' ? (unit.grade ?? '') : unit.status === 'open' ? 'begun' : 'spoiled',
              reason: unit.reason ?? '',
              active: unit.activeMs === 0 ? '' : formatPace(unit.activeMs / 1000),
              last: unit.lastTapAtMs === null ? '' : formatMoment(unit.lastTapAtMs, preferences),
            },
          }))}
        />
      </div>
      <Rests run={run} rests={await readRests(context, run.id)} preferences={preferences} />
      {pages > 1 ? <Pages href={`/logbook/${run.id}`} page={page} pages={pages} /> : null}
      {units.length === 0 ? <p className="second mt-3">No tap yet.</p> : null}
    </>
  )
}

interface RestsProps {
  readonly run: Pick<RunHead, 'id' | 'paper'>
  readonly rests: readonly RestView[]
  readonly preferences: Preferences
}

/** What is left whole of sheets that were spoiled, and the way to keep it. */
function Rests({ run, rests, preferences }: RestsProps) {
  if (rests.length === 0) return null
  return (
    <section className="mt-8" aria-labelledby="rests">
      <h2 id="rests" className="text-2xl">
        Left whole of what was spoiled
      </h2>
      <p className="second">
        The largest rectangle that no crease runs through, by the step it was spoiled at.
      </p>
      <ul className="mt-2 max-w-2xl">
        {rests.map(({ piece, widthMm, heightMm, kept }) => (
          <li
            key={piece}
            className="flex min-h-12 flex-wrap items-center justify-between gap-3 border-t hairline py-1 last:border-b"
          >
            <span>
              Piece {piece}: <span className="figure">{formatSheet(widthMm, heightMm, preferences)}</span>{' '}
              <Link
                href={fitsHref(run.paper?.id ?? '', { widthMm, heightMm }, preferences)}
                className="ml-3 underline"
                aria-label={`What fits the rest of piece ${piece}`}
              >
                What fits
              </Link>
            </span>
            {kept ? (
              <span className="second">in the drawer</span>
            ) : (
              <DeedButton
                act={keepRestAction.bind(null, run.id, { piece })}
                className="btn btn-outline btn-sm"
                label={`Keep what is left of piece ${piece} as an offcut`}
              >
                Keep it as an offcut
              </DeedButton>
            )}
          </li>
        ))}
      </ul>
    </section>
  )
}
