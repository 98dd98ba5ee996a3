import type { Metadata } from 'next'
import { openPage } from '@/app/_server/guard'
import { PaperForm } from '@/ui/paper/PaperForm'
import { addPaperAction } from '../actions'

export const metadata: Metadata = { title: 'Add a paper' }

export default async function NewPaperPage() {
  await openPage()
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
            frontColour: '#5f8f6a',
            backColour: '#fdfbf5',
            note: '',
          }}
          save={addPaperAction}
          deed="Add it to the drawer"
        />
      </div>
    </>
  )
}
