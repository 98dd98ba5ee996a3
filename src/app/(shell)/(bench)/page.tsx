import { Link } from '@/ui/shell/Link'
import { openPage } from '../../_server/guard'
import { readBench, type BenchView } from '@/flows/read/bench'
import type { ProjectGlance } from '@/flows/read/glances'
import {
  countOf,
  formatDay,
  formatDaysLeft,
  daysUntil,
  formatMoment,
  todayIn,
  type Preferences,
} from '@/ui/format'
import { DeedButton } from '@/ui/forms/DeedButton'
import { leadWords } from '@/ui/project/lead-words'
import { passOverAction } from '../projects/actions'
import { deedHref, deedWords } from '@/ui/project/deed-words'
import { FirstSteps } from './first-steps'

type OpenRun = BenchView['openRuns'][number]

export default async function BenchPage() {
  const { context, preferences } = await openPage()
  const { openRuns, projects, moreProjects, moreRuns, recurring } = await readBench(
    context,
    todayIn(preferences),
  )
  return (
    <>
      <h1 className="text-4xl">Bench</h1>
      <p className="second mt-1">What your hands can do now.</p>
      {openRuns.length > 0 ? (
        <section aria-labelledby="runs-title" className="mt-8">
          <h2 id="runs-title" className="text-2xl">
            On the table
          </h2>
          <ul className="mt-3 grid gap-4 tablet:grid-cols-2">
            {openRuns.map((run) => (
              <RunItem key={run.id} run={run} preferences={preferences} />
            ))}
          </ul>
          {moreRuns > 0 ? (
            <p className="mt-3">
              <Link href="/logbook" className="underline">
                {moreRuns} more in the logbook
              </Link>
            </p>
          ) : null}
        </section>
      ) : null}
      <Recurring recurring={recurring} preferences={preferences} />
      {projects.length === 0 ? (
        <FirstSteps context={context} />
      ) : (
        <section aria-labelledby="projects-title" className="mt-8">
          <h2 id="projects-title" className="text-2xl">
            Next in each project
          </h2>
          <ul className="mt-3 flex flex-col">
            {projects.map((project) => (
              <ProjectItem key={project.id} project={project} preferences={preferences} />
            ))}
          </ul>
          {moreProjects > 0 ? (
            <p className="mt-4">
              <Link href="/projects" className="underline">
                {countOf(moreProjects, 'more project')}
              </Link>
            </p>
          ) : null}
        </section>
      )}
    </>
  )
}

/** Occasions of earlier years that come again and have to be begun now. */
function Recurring({
  recurring,
  preferences,
}: {
  readonly recurring: BenchView['recurring']
  readonly preferences: Preferences
}) {
  if (recurring.length === 0) return null
  return (
    <section aria-labelledby="again-title" className="mt-8">
      <h2 id="again-title" className="text-2xl">
        Time to begin again
      </h2>
      <ul className="mt-3 flex flex-col">
        {recurring.map((one) => (
          <li
            key={one.id}
            className="flex flex-wrap items-center justify-between gap-x-6 gap-y-2 border-t hairline py-4 last:border-b"
          >
            <div>
              <Link href={`/projects/${one.id}`} className="text-lg font-semibold hover:underline">
                {one.name}
              </Link>
              <p>
                {formatDay(one.dueOn, preferences)}, {formatDaysLeft(daysUntil(one.dueOn, preferences))}.{' '}
                <span className="second">{leadWords(one)}</span>
              </p>
            </div>
            <span className="flex flex-wrap gap-3">
              <DeedButton
                act={passOverAction.bind(null, one.id, one.dueOn)}
                className="btn btn-ghost"
                label={`${one.name}: not this year`}
              >
                Not this year
              </DeedButton>
              <Link
                href={`/projects/new?like=${one.id}`}
                className="btn btn-primary"
                aria-label={`${one.name}: plan it again`}
              >
                Plan it again
              </Link>
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}

function RunItem({ run, preferences }: { readonly run: OpenRun; readonly preferences: Preferences }) {
  const what = `${run.designName}${run.paperName === null ? '' : `, ${run.paperName}`}`
  return (
    <li className="sheet-panel flex items-end justify-between gap-4 p-5">
      <div>
        <p className="figure text-3xl">
          {run.atPiece === null ? 'Tray to check' : `Piece ${run.atPiece}`}
          <span className="second text-lg"> of {run.total}</span>
        </p>
        <p className="mt-1 font-semibold">{what}</p>
        <p className="second text-sm">
          {run.projectName ?? 'Just folding'}
          {run.lastTapAtMs === null
            ? ', not begun'
            : `, last tap ${formatMoment(run.lastTapAtMs, preferences)}`}
        </p>
      </div>
      <Link href={`/runs/${run.id}`} className="btn btn-primary" aria-label={`Continue folding ${what}`}>
        Continue folding
      </Link>
    </li>
  )
}

function ProjectItem({
  project,
  preferences,
}: {
  readonly project: ProjectGlance
  readonly preferences: Preferences
}) {
  const { id, name, dueOn, zone, facts, next } = project
  return (
    <li className="grid grid-cols-[1fr_auto] items-center gap-x-4 border-t hairline py-4 last:border-b tablet:grid-cols-[2fr_1.6fr_1fr_12rem]">
      <Link href={`/projects/${id}`} className="text-lg font-semibold hover:underline">
        {name}
      </Link>
      <p className="second max-tablet:hidden">
        {dueOn === null
          ? 'no date'
          : `${formatDay(dueOn, preferences)}, ${formatDaysLeft(daysUntil(dueOn, { ...preferences, zone }))}`}
      </p>
      <p className="max-tablet:hidden">
        <span className="figure text-xl">{facts.foldedUnits}</span>
        <span className="second"> of {facts.units} folded</span>
      </p>
      <Link
        href={deedHref(id, next.station)}
        className="btn btn-outline justify-self-end"
        aria-label={`${name}: ${deedWords(next.deed)}`}
      >
        {deedWords(next.deed)}
      </Link>
    </li>
  )
}
