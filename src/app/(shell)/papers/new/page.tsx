import type { Metadata } from 'next'
import { openPage } from '@/app/_server/guard'
import { UNKNOWN_COLOUR } from '@/ui/paper/colour-of-name'
import { PaperForm } from '@/ui/paper/PaperForm'
import { addPaperAction } from '../actions'

export const metadata: Metadata = { title: 'Add a paper' }

interface NewPaperParams {
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>
}

export default async function NewPaperPage({ searchParams }: NewPaperParams) {
  await openPage()
  const then = (await searchParams)['then'] === 'project' ? ('project' as const) : null
  return (
    <>
      <h1 className="text-4xl">Add a paper</h1>
      <p className="second mt-1 mb-6">A name and its colours are enough to start; numbers can come later.</p>
      <div className="sheet-panel max-w-2xl p-6">
        <PaperForm
          initial={{
            name: '',
            feel: 'copier',
            grammageGsm: '',
            caliperMm: '',
            frontColour: UNKNOWN_COLOUR,
            backColour: '#fdfbf5',
            note: '',
          }}
          save={addPaperAction}
          deed="Add it to the drawer"
          colourFromName
          then={then}
        />
      </div>
    </>
  )
}
