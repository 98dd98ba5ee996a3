import Link from 'next/link'
import { openPage } from '../../_server/guard'
import { readBench } from '@/flows/read/bench'
import { formatDay, formatDaysLeft, daysUntil, formatMoment } from '@/ui/format'
import { deedHref, deedWords } from '@/ui/project/deed-words'
import { EmptyState } from '@/ui/shell/EmptyState'

export default async function BenchPage() {
  const { context, preferences } = await openPage()
  const { openRuns, projects, moreProjects, moreRuns } = await readBench(context)
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
              <li key={run.id} className="sheet-panel flex items-end justify-between gap-4 p-5">
                <div>
                  <p className="figure text-3xl">
                    {run.atPiece === null ? 'Tray to check' : `Piece ${run.atPiece}`}
                    <span className="second text-lg"> of {run.total}</span>
                  </p>
                  <p className="mt-1 font-semibold">
                    {run.designName}
                    {run.paperName === null ? '' : `, ${run.paperName}`}
                  </p>
                  <p className="second text-sm">
                    {run.projectName ?? 'Just folding'}
                    {run.lastTapAtMs === null
                      ? ', not begun'
                      : `, last tap ${formatMoment(run.lastTapAtMs, preferences)}`}
                  </p>
                </div>
                <Link
                  href={`/runs/${run.id}`}
                  className="btn btn-primary"
                  aria-label={`Continue folding ${run.designName}${run.paperName === null ? '' : `, ${run.paperName}`}`}
                >
                  Continue folding
                </Link>
              </li>
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

      <section aria-labelledby="projects-title" className="mt-8">
        <h2 id="projects-title" className="text-2xl">
          Next in each project
        </h2>
        {projects.length === 0 ? (
          <EmptyState
            title="Nothing waits"
            text="Start with what is wanted, how many and by when. Sheets, cuts and trays follow from it."
            href="/projects/new"
            deed="Start a project"
          />
        ) : (
          <ul className="mt-3 flex flex-col">
            {projects.map((project) => (
              <li
                key={project.id}
                className="grid grid-cols-[1fr_auto] items-center gap-x-4 border-t hairline py-4 last:border-b tablet:grid-cols-[2fr_1.6fr_1fr_12rem]"
              >
                <Link href={`/projects/${project.id}`} className="text-lg font-semibold hover:underline">
                  {project.name}
                </Link>
                <p className="second max-tablet:hidden">
                  {project.dueOn === null
                    ? 'no date'
                    : `${formatDay(project.dueOn, preferences)}, ${formatDaysLeft(daysUntil(project.dueOn, { ...preferences, zone: project.zone }))}`}
                </p>
                <p className="max-tablet:hidden">
                  <span className="figure text-xl">{project.facts.foldedUnits}</span>
                  <span className="second"> of {project.facts.units} folded</span>
                </p>
                <Link
                  href={deedHref(project.id, project.next.station)}
                  className="btn btn-outline justify-self-end"
                  aria-label={`${project.name}: ${deedWords(project.next.deed)}`}
                >
                  {deedWords(project.next.deed)}
                </Link>
              </li>
            ))}
          </ul>
        )}
        {moreProjects > 0 ? (
          <p className="mt-4">
            <Link href="/projects" className="underline">
              {moreProjects} more projects
            </Link>
          </p>
        ) : null}
      </section>
    </>
  )
}
