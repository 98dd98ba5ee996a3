import type { Metadata } from 'next'
import Link from 'next/link'
import { notFound } from 'next/navigation'
import { openPage } from '@/app/_server/guard'
import { readRunLog } from '@/flows/read/logbook'
import { readRun } from '@/flows/read/run'
import { DeedButton } from '@/ui/forms/DeedButton'
import { countOf, formatDuration, formatExact, formatMoment, formatPace, plural } from '@/ui/format'
import { PaceChart } from '@/ui/logbook/PaceChart'
import { archiveRunAction } from '../actions'

export const metadata: Metadata = { title: 'Run' }

export default async function RunLogPage({ params }: { readonly params: Promise<{ runId: string }> }) {
  const { context, preferences } = await openPage()
  const run = await readRun(context, (await params).runId)
  if (!run) notFound()
  const { units } = await readRunLog(context, run.id)
  const folded = units.filter((unit) => unit.status === 'folded')
  const activeS = units.reduce((sum, unit) => sum + unit.activeMs, 0) / 1000
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
        <span className="figure text-3xl">{folded.length}</span> of {countOf(run.plan.wanted, run.partName)}{' '}
        in {formatDuration(activeS)}
        {folded.length > 0 && activeS > 0 ? `, ${formatPace(activeS / folded.length)} each` : ''}.
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
          {run.archived ? 'Take this run out again' : 'Put this run away'}
        </DeedButton>
      </div>
      {folded.length > 1 ? (
        <section className="mt-8" aria-labelledby="pace">
          <h2 id="pace" className="text-2xl">
            Pace, piece by piece
          </h2>
          <PaceChart
            points={folded.map((unit) => ({
              piece: unit.ordinal,
              minutes: Math.round(unit.activeMs / 600) / 100,
            }))}
          />
        </section>
      ) : null}
      <div className="mt-8 overflow-x-auto">
        <table className="table">
          <caption className="sr-only">Pieces of this run</caption>
          <thead>
            <tr>
              <th scope="col">Piece</th>
              <th scope="col">State</th>
              <th scope="col">Reason</th>
              <th scope="col" className="text-right">
                Hands on paper
              </th>
              <th scope="col" className="text-right">
                Last tap
              </th>
            </tr>
          </thead>
          <tbody>
            {units.map((unit) => (
              <tr key={unit.ordinal}>
                <th scope="row" className="font-normal">
                  {unit.ordinal}
                </th>
                <td>
                  {unit.status === 'folded' ? unit.grade : unit.status === 'open' ? 'begun' : 'spoiled'}
                </td>
                <td>{unit.reason ?? ''}</td>
                <td className="text-right">{unit.activeMs === 0 ? '' : formatPace(unit.activeMs / 1000)}</td>
                <td className="text-right">
                  {unit.lastTapAtMs === null ? '' : formatMoment(unit.lastTapAtMs, preferences)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {units.length === 0 ? <p className="second mt-3">No tap yet.</p> : null}
    </>
  )
}
