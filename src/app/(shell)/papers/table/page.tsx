import type { Metadata } from 'next'
import { openPage } from '@/app/_server/guard'
import { DRAWER_COLUMNS } from '@/schema/drawer-row'
import { TakeTableIn } from '@/ui/paper/TakeTableIn'

export const metadata: Metadata = { title: 'Take a table in' }

export default async function TablePage() {
  const { preferences } = await openPage()
  return (
    <>
      <h1 className="text-4xl">Take a table in</h1>
      <p className="second mt-1 mb-6 max-w-prose">
        A drawer written down in a spreadsheet, saved as CSV: one row for each size of each paper. You see
        what it does before anything changes.
      </p>
      <div className="sheet-panel max-w-4xl p-6">
        <TakeTableIn preferences={preferences} />
      </div>
      <section aria-labelledby="columns-title" className="mt-8 max-w-prose">
        <h2 id="columns-title" className="text-2xl">
          What the columns are called
        </h2>
        <p className="mt-2">
          The first row names them, in any order: {DRAWER_COLUMNS.join(', ')}. Only “paper” must be there.
          Lengths are in the row’s unit (mm, cm or in; cm where it is left out); commas, semicolons or tabs
          between fields, a point or a comma in numbers.
        </p>
        <p className="mt-2">
          <a href="/api/drawer" className="underline">
            Save the drawer as such a table
          </a>{' '}
          to see one, or to change it there and take it in again.
        </p>
      </section>
    </>
  )
}
