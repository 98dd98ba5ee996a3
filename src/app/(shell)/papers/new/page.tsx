import type { Metadata } from 'next'
import { openPage } from '@/app/_server/guard'
import { NewPaperForm } from '@/ui/paper/NewPaperForm'
import { addPaperAction } from '../actions'

export const metadata: Metadata = { title: 'Add a paper' }

interface NewPaperParams {
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>
}

export default async function NewPaperPage({ searchParams }: NewPaperParams) {
  const { preferences } = await openPage()
  const then = (await searchParams)['then'] === 'project' ? ('project' as const) : null
  return (
    <>
      <h1 className="text-4xl">Add a paper</h1>
      <p className="second mt-1 mb-6">A name is enough to start; the rest can come later.</p>
      <div className="sheet-panel max-w-2xl p-6">
        <NewPaperForm preferences={preferences} add={addPaperAction} then={then} />
      </div>
    </>
  )
}
