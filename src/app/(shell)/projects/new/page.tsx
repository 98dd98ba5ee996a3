import type { Metadata } from 'next'
import { openPage } from '@/app/_server/guard'
import { readBriefDesign, readDesignChoices } from '@/flows/read/brief-designs'
import { readDrawer } from '@/flows/read/papers'
import { BriefForm } from '@/ui/brief/BriefForm'
import { newLine } from '@/ui/brief/form-values'
import { EmptyState } from '@/ui/shell/EmptyState'
import { createProjectAction, loadDesignAction } from '../actions'

export const metadata: Metadata = { title: 'Start a project' }

export default async function NewProjectPage() {
  const { context, settings, preferences } = await openPage()
  const { choices, first: firstId } = await readDesignChoices(context)
  const papers = await readDrawer(context)
  const first = firstId === null ? null : await readBriefDesign(context, firstId)
  return (
    <>
      <h1 className="text-4xl">Start a project</h1>
      <p className="second mt-1 mb-6">What is wanted, how many, how big, in which papers, and by when.</p>
      {papers.length === 0 || !first ? (
        <EmptyState
          title="The drawer is empty"
          text="A brief says which paper each piece is folded from. Put your papers into the drawer first."
          href="/papers/new?then=project"
          deed="Add a paper"
        />
      ) : (
        <div className="sheet-panel p-5 tablet:p-8">
          <BriefForm
            initial={{
              name: '',
              dueOn: '',
              certainty: settings.certainty,
              note: '',
              lines: [newLine('new-1', first.document, papers, preferences)],
            }}
            choices={choices}
            designs={[first]}
            loadDesign={loadDesignAction}
            papers={papers}
            preferences={preferences}
            save={createProjectAction}
            deed="Plan it"
          />
        </div>
      )}
    </>
  )
}
