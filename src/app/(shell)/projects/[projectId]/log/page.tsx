import type { Metadata } from 'next'
import Link from 'next/link'
import { openStation, type StationParams } from '@/app/_server/open-station'
import { meanRejectRate } from '@/core/batch'
import { readProjectLog } from '@/flows/read/logbook'
import type { ProjectView } from '@/flows/read/project'
import {
  countOf,
  formatDay,
  formatDuration,
  formatMoment,
  formatPace,
  formatShare,
  plural,
  sheetsText,
  type Preferences,
} from '@/ui/format'
import { CountList } from '@/ui/logbook/CountList'
import { EmptyState } from '@/ui/shell/EmptyState'
import { unitNoun } from '@/ui/project/unit-noun'

export const metadata: Metadata = { title: 'Log' }

export default async function ProjectLogPage(props: StationParams) {
  const { context, preferences, project } = await openStation(props)
  const log = await readProjectLog(context, project.id)
  const activeMs = project.runs.reduce((sum, run) => sum + run.activeMs, 0)
  const last = project.deliveries.at(-1)
  return (
    <>
      <p>
        <Link href={`/projects/${project.id}`} className="second hover:underline">
          {project.name}
        </Link>
      </p>
      <h1 className="text-4xl">What it took</h1>
      {project.runs.length === 0 && project.cuts.length === 0 ? (
        <EmptyState
          title="Nothing logged yet"
          text="Cuts, taps, grades and times of this project gather here as you work."
        />
      ) : (
        <div className="mt-6 flex flex-col gap-8">
          <div className="grid gap-6 tablet:grid-cols-4">
            <Total
              figure={String(project.facts.foldedUnits)}
              text={`of ${countOf(project.facts.units, unitNoun(project))} folded`}
            />
            <Total
              figure={String(project.facts.sheetsCut)}
              text={`${project.facts.sheetsCut === 1 ? 'sheet' : 'sheets'} really used${project.facts.offcutsCut > 0 ? `, and ${plural(project.facts.offcutsCut, 'offcut')}` : ''}`}
            />
            <Total figure={formatDuration(activeMs / 1000)} text="hands on paper, breaks left out" />
            <Total
              figure={last ? formatMoment(last.atMs, { ...preferences, zone: project.zone }) : 'not yet'}
              text={`${project.facts.handedOver} of ${plural(project.facts.ordered, 'piece')} handed over`}
            />
          </div>
          <div className="grid gap-8 tablet:grid-cols-2">
            <CountList
              title="By grade"
              rows={log.grades.map((row) => [row.label, row.units])}
              empty="No piece is finished yet."
            />
            <CountList
              title="Spoiled, by reason"
              rows={log.reasons.map((row) => [row.label === '' ? 'no reason given' : row.label, row.units])}
              empty="None was spoiled."
            />
          </div>
          <PlannedAndActual project={project} activeS={activeMs / 1000} preferences={preferences} />
          <LineTable project={project} preferences={preferences} />
        </div>
      )}
    </>
  )
}

/** What was planned when work began, beside what it took. */
function PlannedAndActual({
  project,
  activeS,
  preferences,
}: {
  readonly project: ProjectView
  readonly activeS: number
  readonly preferences: Preferences
}) {
  const { baseline, facts, deliveries } = project
  if (baseline === null) return null
  const inZone = { ...preferences, zone: project.zone }
  const last = deliveries.at(-1)
  const rows = [
    ['Folded', `${baseline.units}`, `${facts.foldedUnits}`],
    ['Spares and spoiled', plural(baseline.spareUnits, 'spare'), `${spoiledOf(project)} spoiled`],
    ['Sheets', `${baseline.sheets}`, `${facts.sheetsCut}`],
    ['Hands on paper', formatDuration(baseline.seconds), formatDuration(activeS)],
    [
      'Handed over',
      baseline.dueOn === null ? 'no date' : formatDay(baseline.dueOn, preferences),
      last ? formatMoment(last.atMs, inZone) : 'not yet',
    ],
  ] as const
  return (
    <section aria-labelledby="planned-title">
      <h2 id="planned-title" className="text-2xl">
        Planned and actual
      </h2>
      <p className="second">As it was planned when work began, {formatMoment(baseline.atMs, inZone)}.</p>
      <div className="overflow-x-auto">
        <table className="table mt-2 w-auto">
          <thead>
            <tr>
              <td />
              <th scope="col" className="text-right">
                Planned
              </th>
              <th scope="col" className="text-right">
                So far
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map(([what, planned, actual]) => (
              <tr key={what}>
                <th scope="row" className="font-normal">
                  {what}
                </th>
                <td className="text-right">{planned}</td>
                <td className="text-right">{actual}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  )
}

const spoiledOf = ({ lines }: ProjectView): number =>
  lines.reduce(
    (sum, { papers }) => sum + papers.reduce((units, { spoiledUnits }) => units + spoiledUnits, 0),
    0,
  )

function Total({ figure, text }: { readonly figure: string; readonly text: string }) {
  return (
    <p className="border-t-2 border-accent pt-2">
      <span className="figure block text-3xl">{figure}</span>
      <span className="second">{text}</span>
    </p>
  )
}

function LineTable({
  project,
  preferences,
}: {
  readonly project: ProjectView
  readonly preferences: Preferences
}) {
  return (
    <section aria-labelledby="lines-title">
      <h2 id="lines-title" className="text-2xl">
        Line by line
      </h2>
      <div className="overflow-x-auto">
        <table className="table mt-2">
          <thead>
            <tr>
              <th scope="col">Design and paper</th>
              <th scope="col" className="text-right">
                Folded
              </th>
              <th scope="col" className="text-right">
                Spoiled
              </th>
              <th scope="col" className="text-right">
                Cut from
              </th>
              <th scope="col" className="text-right">
                Pace
              </th>
            </tr>
          </thead>
          <tbody>
            {project.lines.flatMap((line) =>
              line.papers.map((row) => {
                const runs = project.runs.filter(
                  (run) =>
                    run.lineId === line.id && run.partKey === row.part.key && run.paperId === row.paper.id,
                )
                const active = runs.reduce((sum, run) => sum + run.activeMs, 0) / 1000
                const cuts = project.cuts.filter(
                  (cut) =>
                    cut.paperId === row.paper.id &&
                    cut.pieces.some((piece) => piece.lineId === line.id && piece.partKey === row.part.key),
                )
                const count = (offcut: boolean) =>
                  cuts.filter((cut) => cut.offcut === offcut).reduce((sum, cut) => sum + cut.sheets, 0)
                return (
                  <tr key={`${line.id} ${row.part.key} ${row.paper.id}`}>
                    <th scope="row" className="font-normal">
                      {line.design.name}, {row.paper.name}
                    </th>
                    <td className="text-right">
                      {row.usableUnits} of {row.goodUnits}
                    </td>
                    <td className="text-right">{row.spoiledUnits}</td>
                    <td className="text-right">{sheetsText(count(false), count(true))}</td>
                    <td className="text-right">
                      {row.usableUnits === 0 || active === 0
                        ? ''
                        : `${formatPace(active / row.usableUnits)} a piece`}
                    </td>
                  </tr>
                )
              }),
            )}
          </tbody>
        </table>
      </div>
      <p className="second mt-3">
        The next estimate counts with{' '}
        {project.lines
          .map(
            (line) =>
              `${formatShare(meanRejectRate(line.rate), preferences.locale)} rejects and ${formatPace(line.secondsPerUnit)} for each ${line.unitsPerPiece > 1 ? (line.parts[0]?.name ?? 'unit') : line.design.name.toLowerCase()}`,
          )
          .join('; ')}
        .
      </p>
      {project.runs.length > 0 ? (
        <ul className="mt-4">
          {project.runs.map((run) => (
            <li key={run.id}>
              <Link href={`/logbook/${run.id}`} className="hover:underline">
                {run.designName}
                {run.paperName === null ? '' : `, ${run.paperName}`}: {plural(run.usable, 'good piece')},
                begun {formatMoment(run.startedAtMs, preferences)}
              </Link>
            </li>
          ))}
        </ul>
      ) : null}
    </section>
  )
}
