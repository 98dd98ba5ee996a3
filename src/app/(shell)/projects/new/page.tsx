import type { Metadata } from 'next'
import { openPage } from '@/app/_server/guard'
import { withoutWords } from '@/core/design'
import { readOffered } from '@/flows/designs'
import { readDrawer } from '@/flows/read/papers'
import { BriefForm } from '@/ui/brief/BriefForm'
import { newLine } from '@/ui/brief/form-values'
import { EmptyState } from '@/ui/shell/EmptyState'
import { createProjectAction } from '../actions'

export const metadata: Metadata = { title: 'Start a project' }

export default async function NewProjectPage() {
  const { context, settings, preferences } = await openPage()
  const designs = (await readOffered(context)).map((one) => one.document)
  const papers = await readDrawer(context)
  const [first] = designs
  return (
    <>
      <h1 className="text-4xl">Start a project</h1>
      <p className="second mt-1 mb-6">What is wanted, how many, how big, in which papers, and by when.</p>
      {papers.length === 0 || !first ? (
        <EmptyState
          title="The drawer is empty"
          text="A brief says which paper each piece is folded from. Put your papers into the drawer first."
          href="/papers/new"
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
              lines: [newLine('new-1', first, papers, preferences)],
            }}
            designs={designs.map(withoutWords)}
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
