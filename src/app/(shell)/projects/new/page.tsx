import type { Metadata } from 'next'
import { openPage } from '@/app/_server/guard'
import type { FlowContext } from '@/flows/flow-context'
import { readBriefDesign, readDesignChoices, type BriefDesign } from '@/flows/read/brief-designs'
import { readDrawer } from '@/flows/read/papers'
import { readProject, type ProjectView } from '@/flows/read/project'
import { BriefForm } from '@/ui/brief/BriefForm'
import { againValues, begunLine, newLine, type BriefValues } from '@/ui/brief/form-values'
import { OCCASION_NAMES } from '@/ui/brief/occasion-words'
import { OCCASIONS } from '@/core/arrange'
import { readNewProjectQuery } from '@/schema/new-project-query'
import type { Query } from '@/schema/designs-query'
import { Starts } from './starts'
import { formatDay, formatDuration, plural, sheetsText, todayIn, type Preferences } from '@/ui/format'
import { EmptyState } from '@/ui/shell/EmptyState'
import { BLANK_BRIEF } from '@/schema/brief-typed'
import { createProjectAction, loadDesignAction } from '../actions'

export const metadata: Metadata = { title: 'Start a project' }

interface NewProjectProps {
  /** What to begin with: a project, papers by their ids with commas between them, an occasion, a design and how many. */
  readonly searchParams: Promise<Query>
}

export default async function NewProjectPage({ searchParams }: NewProjectProps) {
  const { context, settings, preferences } = await openPage()
  const query = await searchParams
  const asked = readNewProjectQuery(query)
  const { choices, first: firstId } = await readDesignChoices(context)
  const papers = await readDrawer(context)
  const chosen = papers.filter(({ id }) => asked.paperIds.includes(id))
  const earlier = asked.like === null ? null : await readProject(context, asked.like)
  const again = earlier && (await readAgain(context, earlier, choices, papers, preferences))
  const occasion = OCCASIONS.find(({ key }) => key === asked.occasion)
  const beginning = occasion ?? asked.start
  const begun = beginning && choices.some(({ id }) => id === beginning.designId) ? beginning : null
  const designId = begun?.designId ?? firstId
  const first = designId === null ? null : await readBriefDesign(context, designId)
  const looking = asked.from !== null && asked.from !== 'piece' && !again && !begun
  return (
    <>
      <h1 className="text-4xl">Start a project</h1>
      <p className="second mt-1 mb-4">What is wanted, how many, how big, in which papers, and by when.</p>
      {papers.length > 0 && first ? (
        <Starts
          context={context}
          from={asked.from ?? (again ? 'before' : occasion ? 'occasion' : 'piece')}
          open={looking}
          query={query}
          choices={choices}
          papers={papers}
          eveningMinutes={Number(settings.evening)}
          preferences={preferences}
        />
      ) : null}
      {earlier && again ? <AsBefore project={earlier} again={again} preferences={preferences} /> : null}
      {asked.like !== null && !again ? (
        <p className="note mb-6">
          {earlier
            ? `None of the designs of ${earlier.name} is offered any more: begin with another.`
            : 'The project to begin like is not there. Begin a new one.'}
        </p>
      ) : null}
      {papers.length === 0 || !first ? (
        <EmptyState
          title="The drawer is empty"
          text="A brief says which paper each piece is folded from. Put your papers into the drawer first."
          href="/papers/new?then=project"
          deed="Add a paper"
        />
      ) : looking ? null : (
        <div className="sheet-panel p-5 tablet:p-8">
          <BriefForm
            initial={
              again?.values ?? {
                ...BLANK_BRIEF,
                name: occasion ? (OCCASION_NAMES[occasion.key] ?? '') : '',
                certainty: settings.certainty,
                lines: [
                  begun
                    ? begunLine(first.document, begun, papers, preferences, chosen)
                    : newLine('new-1', first.document, papers, preferences, chosen),
                ],
              }
            }
            choices={choices}
            designs={again?.designs ?? [first]}
            loadDesign={loadDesignAction}
            papers={papers}
            preferences={preferences}
            time={{ eveningSeconds: 60 * Number(settings.evening), foldedUnits: {} }}
            tools={settings.cutting}
            begun={{}}
            save={createProjectAction}
            deed="Plan it"
          />
        </div>
      )}
    </>
  )
}

interface Again {
  readonly values: BriefValues
  readonly designs: readonly BriefDesign[]
  /** Lines whose design is not offered any more. */
  readonly lost: number
}

/** An earlier project as the beginning of a new one; `null` where none of its designs is offered any more. */
async function readAgain(
  context: FlowContext,
  project: ProjectView,
  choices: readonly { readonly id: string }[],
  papers: readonly { readonly id: string }[],
  preferences: Preferences,
): Promise<Again | null> {
  const offered = new Set(choices.map(({ id }) => id))
  const wanted = [...new Set(project.lines.map(({ design }) => design.id))].filter((id) => offered.has(id))
  const designs: BriefDesign[] = []
  for (const id of wanted) {
    const design = await readBriefDesign(context, id)
    if (design) designs.push(design)
  }
  if (designs.length === 0) return null
  const known = {
    designIds: new Set(designs.map(({ document }) => document.id)),
    paperIds: new Set(papers.map(({ id }) => id)),
    today: todayIn(preferences),
  }
  const values = againValues(project, known, preferences)
  return { values, designs, lost: project.lines.length - values.lines.length }
}

/** What the earlier project took, as far as it was logged: that is how early to begin. */
function AsBefore({
  project,
  again: { values, lost },
  preferences,
}: {
  readonly project: ProjectView
  readonly again: Again
  readonly preferences: Preferences
}) {
  const { foldedUnits, units } = project.facts
  const seconds = project.runs.reduce((sum, run) => sum + run.activeMs, 0) / 1000
  const open = values.lines.some(({ papers }) => papers.some(({ paperId }) => paperId === ''))
  return (
    <div className="note mb-6">
      <p>
        As in {project.name}
        {project.dueOn === null ? '' : `, ${formatDay(project.dueOn, preferences)}`}.{' '}
        {seconds > 0
          ? `${foldedUnits < units ? `So far, with ${foldedUnits} of ${units} folded, it took` : 'It took'} ${formatDuration(seconds)} with hands on paper, and ${sheetsText(project.facts.sheetsCut, project.facts.offcutsCut)}.`
          : 'Nothing of it was logged.'}
      </p>
      {open ? (
        <p>A paper of it is not in the drawer any more: choose another where it is left open.</p>
      ) : null}
      {lost > 0 ? <p>{plural(lost, 'line')} left out: the design is not offered any more.</p> : null}
    </div>
  )
}
