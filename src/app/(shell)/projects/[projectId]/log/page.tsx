import type { Metadata } from 'next'
import { Link } from '@/ui/shell/Link'
import { openStation, type StationParams } from '@/app/_server/open-station'
import { meanRejectRate } from '@/core/batch'
import { readProjectLog } from '@/flows/read/logbook'
import type { LinePaperView, LineView } from '@/flows/read/line-view'
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
import { figure } from '@/ui/table/cells'
import { DataTable, type TableColumn, type TableRow } from '@/ui/table/DataTable'

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
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h1 className="text-4xl">What it took</h1>
        <Link href={`/projects/new?like=${project.id}`} className="btn btn-outline">
          Plan it again
        </Link>
      </div>
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

const PLANNED_COLUMNS: readonly TableColumn[] = [
  { key: 'what', header: '' },
  { key: 'planned', header: 'Planned', right: true },
  { key: 'actual', header: 'So far', right: true },
]

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
      <DataTable
        className="mt-2 w-auto"
        caption="Planned and actual"
        columns={PLANNED_COLUMNS}
        rows={rows.map(([what, planned, actual]) => ({ id: what, cells: { what, planned, actual } }))}
      />
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

const LINE_COLUMNS: readonly TableColumn[] = [
  { key: 'what', header: 'Design and paper' },
  { key: 'folded', header: 'Folded', right: true },
  { key: 'spoiled', header: 'Spoiled', right: true },
  { key: 'from', header: 'Cut from', right: true },
  { key: 'pace', header: 'Pace', right: true },
]

/** What one paper of a line took. */
function lineRow(project: ProjectView, line: LineView, row: LinePaperView): TableRow {
  const runs = project.runs.filter(
    (run) => run.lineId === line.id && run.partKey === row.part.key && run.paperId === row.paper.id,
  )
  const activeS = runs.reduce((sum, run) => sum + run.activeMs, 0) / 1000
  const cuts = project.cuts.filter(
    (cut) =>
      cut.paperId === row.paper.id &&
      cut.pieces.some((piece) => piece.lineId === line.id && piece.partKey === row.part.key),
  )
  const count = (offcut: boolean) =>
    cuts.filter((cut) => cut.offcut === offcut).reduce((sum, cut) => sum + cut.sheets, 0)
  const secondsEach = row.usableUnits === 0 ? 0 : activeS / row.usableUnits
  return {
    id: `${line.id} ${row.part.key} ${row.paper.id}`,
    cells: {
      what: `${line.design.name}, ${row.paper.name}`,
      folded: { text: `${row.usableUnits} of ${row.goodUnits}`, by: row.usableUnits },
      spoiled: figure(row.spoiledUnits),
      from: { text: sheetsText(count(false), count(true)), by: count(false) },
      pace: { text: secondsEach === 0 ? '' : `${formatPace(secondsEach)} a piece`, by: secondsEach },
    },
  }
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
      <DataTable
        className="mt-2"
        caption="Line by line"
        columns={LINE_COLUMNS}
        rows={project.lines.flatMap((line) => line.papers.map((row) => lineRow(project, line, row)))}
        sortable
      />
      <p className="second mt-3">
        The next estimate reckons with{' '}
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
