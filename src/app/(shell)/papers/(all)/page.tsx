import type { Metadata } from 'next'
import { Fragment } from 'react'
import { Link } from '@/ui/shell/Link'
import { openPage } from '@/app/_server/guard'
import { readDrawer, readUses, type DrawerPaper, type UsedIn } from '@/flows/read/papers'
import { readShelf, type ShelfView } from '@/flows/read/shelf'
import { formatSheet, type Preferences } from '@/ui/format'
import { amountWords } from '@/ui/paper/amounts'
import { Swatch } from '@/ui/paper/Swatch'
import { EmptyState } from '@/ui/shell/EmptyState'

export const metadata: Metadata = { title: 'Papers' }

export default async function PapersPage() {
  const { context, preferences } = await openPage()
  const papers = await readDrawer(context)
  const uses = await readUses(context)
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-4">
        <h1 className="text-4xl">Papers</h1>
        <Link href="/papers/new" className="btn btn-primary">
          Add a paper
        </Link>
      </div>
      <nav aria-label="More of papers" className="mt-2 flex flex-wrap gap-x-6 gap-y-1">
        <Link href="/papers/shopping" className="underline">
          Shopping list
        </Link>
        <Link href="/papers/supplies" className="underline">
          Supplies
        </Link>
        <Link href="/papers/scraps" className="underline">
          Tonight’s scraps
        </Link>
        <Link href="/papers/table" className="underline">
          Take a table in
        </Link>
        <a href="/api/drawer" className="underline">
          Save as a table (CSV)
        </a>
      </nav>
      {papers.length === 0 ? (
        <EmptyState
          title="The drawer is empty"
          text="Put in what you have: its colours, how it feels, and how many sheets of which size. Offcuts find their way here by themselves when you cut."
        />
      ) : (
        <ul className="mt-6 grid gap-5 tablet:grid-cols-3">
          {papers.map((paper) => (
            <PaperCard
              key={paper.id}
              paper={paper}
              usedIn={uses.get(paper.id) ?? []}
              preferences={preferences}
            />
          ))}
        </ul>
      )}
      <Shelf shelf={await readShelf(context)} preferences={preferences} />
    </>
  )
}

/** Good pieces that were left over, ready for a later project. */
function Shelf({
  shelf,
  preferences,
}: {
  readonly shelf: readonly ShelfView[]
  readonly preferences: Preferences
}) {
  if (shelf.length === 0) return null
  return (
    <section aria-labelledby="shelf-title" className="mt-10">
      <h2 id="shelf-title" className="text-2xl">
        On the shelf
      </h2>
      <ul className="mt-3">
        {shelf.map((one) => (
          <li
            key={one.key}
            className="flex flex-wrap items-center gap-4 border-t hairline py-3 last:border-b"
          >
            <span className="figure w-12 text-2xl">{one.units}</span>
            <Swatch front={one.paper.frontColour} back={one.paper.backColour} />
            <span>
              {one.designName}, {one.variantName}, {one.paper.name}
              <span className="second"> from {formatSheet(one.widthMm, one.heightMm, preferences)}</span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}

function PaperCard({
  paper,
  usedIn,
  preferences,
}: {
  readonly paper: DrawerPaper
  readonly usedIn: readonly UsedIn[]
  readonly preferences: Preferences
}) {
  return (
    <li className="sheet-panel flex gap-5 p-5">
      <Swatch front={paper.frontColour} back={paper.backColour} className="h-16 w-22" />
      <div className="min-w-0">
        <h2 className="text-xl">
          <Link href={`/papers/${paper.id}`} className="hover:underline">
            {paper.name}
          </Link>
        </h2>
        <p className="second text-sm">
          {paper.feelLabel}
          {paper.grammageGsm === null ? '' : `, ${paper.grammageGsm} g/m²`}
        </p>
        <p className="mt-2 text-lg font-semibold">
          {paper.sheets.some(({ offcut, amount }) => !offcut && amount > 0) ? '' : 'No whole sheet left: '}
          {amountWords(paper.sheets, preferences)}
        </p>
        {usedIn.length === 0 ? null : (
          <p className="second mt-1 text-sm">
            for{' '}
            {usedIn.map(({ id, name }, index) => (
              <Fragment key={id}>
                {index > 0 ? ', ' : ''}
                <Link href={`/projects/${id}/paper`} className="underline">
                  {name}
                </Link>
              </Fragment>
            ))}
          </p>
        )}
      </div>
    </li>
  )
}
