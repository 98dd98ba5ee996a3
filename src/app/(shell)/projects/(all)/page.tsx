import type { Metadata } from 'next'
import { Link } from '@/ui/shell/Link'
import { openPage } from '@/app/_server/guard'
import { readProjectList, type ProjectList } from '@/flows/read/project-list'
import { countOf, daysUntil, formatDay, formatDaysLeft, type Preferences } from '@/ui/format'
import { deedWords } from '@/ui/project/deed-words'
import { DeedButton } from '@/ui/forms/DeedButton'
import { EmptyState } from '@/ui/shell/EmptyState'
import { Pages } from '@/ui/shell/Pages'
import { archiveProjectAction } from '../actions'

export const metadata: Metadata = { title: 'Projects' }

export default async function ProjectsPage({
  searchParams,
}: {
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>
}) {
  const { context, preferences } = await openPage()
  const query = await searchParams
  const away = query['away'] === '1'
  const { projects, page, pages } = await readProjectList(context, away, Number(query['page'] ?? 1))
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-4">
        <h1 className="text-4xl">{away ? 'Archived projects' : 'Projects'}</h1>
        <div className="flex gap-3">
          <Link href={away ? '/projects' : '/projects?away=1'} className="btn btn-ghost">
            {away ? 'Back to open ones' : 'Archive'}
          </Link>
          <Link href="/projects/new" className="btn btn-primary">
            Start a project
          </Link>
        </div>
      </div>
      {projects.length === 0 ? (
        <EmptyState
          title={away ? 'Nothing is archived' : 'No project yet'}
          text="A project begins with what is wanted: which design, how many, how big, in which papers, and by when."
        />
      ) : (
        <ul className="mt-6 grid gap-5 tablet:grid-cols-2">
          {projects.map((project) => (
            <Project key={project.id} project={project} away={away} preferences={preferences} />
          ))}
        </ul>
      )}
      {pages > 1 ? <Pages href={away ? '/projects?away=1' : '/projects'} page={page} pages={pages} /> : null}
    </>
  )
}

interface ProjectProps {
  readonly project: ProjectList['projects'][number]
  readonly away: boolean
  readonly preferences: Preferences
}

/** One project: what is wanted of it, how far it is, and what to do next. */
function Project({ project, away, preferences }: ProjectProps) {
  return (
    <li className="sheet-panel flex flex-col gap-3 p-6">
      <h2 className="text-2xl">
        <Link href={`/projects/${project.id}`} className="hover:underline">
          {project.name}
        </Link>
      </h2>
      <p className="second">
        {project.dueOn === null
          ? 'No date set'
          : `${formatDay(project.dueOn, preferences)}, ${formatDaysLeft(daysUntil(project.dueOn, { ...preferences, zone: project.zone }))}`}
      </p>
      <ul className="text-sm">
        {project.lines.map((line) => (
          <li key={line.id}>
            {countOf(line.pieces, line.design.name.toLowerCase())}
            {line.attached ? ', glued on' : ''}
          </li>
        ))}
      </ul>
      <div className="mt-auto flex items-end justify-between gap-3 border-t hairline pt-4">
        <p>
          <span className="figure text-2xl">{project.facts.foldedUnits}</span>
          <span className="second"> of {countOf(project.facts.units, project.noun)} folded</span>
        </p>
        {away ? (
          <span className="flex flex-wrap items-start justify-end gap-2">
            <Link
              href={`/projects/new?like=${project.id}`}
              className="btn btn-outline"
              aria-label={`Plan ${project.name} again`}
            >
              Plan it again
            </Link>
            <DeedButton
              act={archiveProjectAction.bind(null, project.id, false)}
              label={`Take out ${project.name} again`}
            >
              Take out again
            </DeedButton>
          </span>
        ) : (
          <Link
            href={`/projects/${project.id}/${project.next.station}`}
            className="btn btn-outline"
            aria-label={`${project.name}: ${deedWords(project.next.deed)}`}
          >
            {deedWords(project.next.deed)}
          </Link>
        )}
      </div>
    </li>
  )
}
