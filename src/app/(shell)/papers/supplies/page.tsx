import type { Metadata } from 'next'
import { openPage } from '@/app/_server/guard'
import { readSupplies } from '@/flows/read/supplies'
import { AddSupply } from '@/ui/paper/AddSupply'
import { SupplyItem } from '@/ui/paper/SupplyItem'
import { EmptyState } from '@/ui/shell/EmptyState'
import { addSupplyAction, moveSupplyAction, putSupplyAwayAction, undoSupplyMoveAction } from '../actions'

export const metadata: Metadata = { title: 'Supplies' }

export default async function SuppliesPage() {
  const { context, preferences } = await openPage()
  const supplies = await readSupplies(context)
  return (
    <>
      <h1 className="text-4xl">Supplies</h1>
      <p className="second mt-1 max-w-prose">
        What is not folded: sticks and stems, cards, string, tape, glue, pins. Called as a project calls them,
        each project says whether there is enough.
      </p>
      <div className="mt-6 grid gap-8 tablet:grid-cols-[1fr_22rem]">
        {supplies.length === 0 ? (
          <EmptyState
            title="Nothing is kept yet"
            text="Begin with what runs out first: stems by the piece, string by its length."
          />
        ) : (
          <ul>
            {supplies.map((supply) => (
              <SupplyItem
                key={supply.id}
                supply={supply}
                preferences={preferences}
                move={moveSupplyAction}
                undo={undoSupplyMoveAction}
                putAway={putSupplyAwayAction.bind(null, supply.id)}
              />
            ))}
          </ul>
        )}
        <section aria-labelledby="add-title" className="sheet-panel self-start p-6">
          <h2 id="add-title" className="mb-3 text-2xl">
            Keep something more
          </h2>
          <AddSupply key={supplies.length} unit={preferences.unit} add={addSupplyAction} />
        </section>
      </div>
    </>
  )
}
