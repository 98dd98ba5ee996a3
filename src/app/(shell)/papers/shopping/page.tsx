import type { Metadata } from 'next'
import { openPage } from '@/app/_server/guard'
import { mmFromUm } from '@/core/units'
import { formatOf } from '@/core/sheet'
import type { PackChoice } from '@/core/plan'
import { readShopping, type PaperToBuy } from '@/flows/read/shopping'
import {
  countOf,
  daysUntil,
  formatDay,
  formatMoney,
  formatSheet,
  plural,
  todayIn,
  type Preferences,
} from '@/ui/format'
import { DeedButton } from '@/ui/forms/DeedButton'
import { Swatch } from '@/ui/paper/Swatch'
import { needWords } from '@/ui/paper/supply-words'
import { EmptyState } from '@/ui/shell/EmptyState'
import { Link } from '@/ui/shell/Link'
import { takeInPacksAction } from '../actions'

export const metadata: Metadata = { title: 'Shopping list' }

export default async function ShoppingPage() {
  const { context, preferences } = await openPage()
  const { papers, supplies } = await readShopping(context, todayIn(preferences))
  const short = supplies.map((need) => needWords(need, preferences)).filter(({ short }) => short)
  const cost = papers.reduce((sum, { best }) => sum + (best?.priceMinor ?? 0), 0)
  return (
    <>
      <h1 className="text-4xl">Shopping list</h1>
      <p className="second mt-1 max-w-prose">
        What all open projects together are short of: packs at least cost, and the last day to order them so
        that folding and drying still end in time.
      </p>
      {papers.length === 0 && short.length === 0 ? (
        <EmptyState
          title="Nothing to buy"
          text="There are sheets for every piece that is planned, and supplies for what is kept."
        />
      ) : null}
      {papers.length === 0 ? null : (
        <section aria-labelledby="papers-title" className="mt-6">
          <h2 id="papers-title" className="text-2xl">
            Papers{cost > 0 ? `, ${formatMoney(cost, preferences)}` : ''}
          </h2>
          <ul className="mt-2">
            {papers.map((one) => (
              <ToBuy key={one.paper.id} one={one} preferences={preferences} />
            ))}
          </ul>
        </section>
      )}
      {short.length === 0 ? null : (
        <section aria-labelledby="supplies-title" className="mt-8">
          <h2 id="supplies-title" className="text-2xl">
            Supplies
          </h2>
          <ul className="mt-2">
            {short.map(({ wanted, standing }) => (
              <li
                key={wanted}
                className="flex flex-wrap justify-between gap-4 border-t hairline py-3 last:border-b"
              >
                <span>{wanted}</span>
                <span className="font-semibold">{standing}</span>
              </li>
            ))}
          </ul>
          <p className="mt-2">
            <Link href="/papers/supplies" className="underline">
              Supplies
            </Link>
          </p>
        </section>
      )}
    </>
  )
}

interface ToBuyProps {
  readonly one: PaperToBuy
  readonly preferences: Preferences
}

function ToBuy({ one, preferences }: ToBuyProps) {
  const { paper, pieces, by, best, others } = one
  return (
    <li className="grid gap-x-6 gap-y-2 border-t hairline py-4 last:border-b tablet:grid-cols-[14rem_1fr_14rem]">
      <div>
        <p className="flex items-center gap-3 font-semibold">
          <Swatch front={paper.frontColour} back={paper.backColour} className="h-7 w-10" />
          <Link href={`/papers/${paper.id}`} className="hover:underline">
            {paper.name}
          </Link>
        </p>
        <ul className="second mt-1 text-sm">
          {by.map(({ projectId, name, pieces: own }) => (
            <li key={projectId}>
              <Link href={`/projects/${projectId}/paper`} className="underline">
                {name}
              </Link>
              : {countOf(own, 'piece')} short
            </li>
          ))}
        </ul>
      </div>
      {best === null ? (
        <p>
          {one.tooLarge
            ? `No pack it is sold in gives pieces as large as these ${pieces}.`
            : `${countOf(pieces, 'piece')} have no sheet. Say what it is sold in, or ask the shop:`}{' '}
          <Link href={`/papers/${paper.id}#sold`} className="underline">
            packs of {paper.name}
          </Link>
        </p>
      ) : (
        <div>
          <p className="text-lg font-semibold">{packWords(best, preferences)}</p>
          <p className="second">
            {plural(best.sheetsWanted, 'sheet')} wanted
            {best.sheetsOver > 0 ? `, ${best.sheetsOver} over for the drawer` : ''}
          </p>
          {others.length === 0 ? null : (
            <details className="mt-1">
              <summary className="cursor-pointer">Other packs</summary>
              <ul className="mt-1">
                {others.map((choice) => (
                  <li key={`${choice.sizeUm.widthUm} ${choice.sizeUm.heightUm}`}>
                    {packWords(choice, preferences)}, {formatMoney(choice.priceMinor, preferences)},{' '}
                    {plural(choice.leadDays, 'day')}
                  </li>
                ))}
              </ul>
            </details>
          )}
        </div>
      )}
      {best === null ? null : (
        <div className="flex flex-col gap-1 tablet:items-end tablet:text-right">
          <p className="figure text-xl">{formatMoney(best.priceMinor, preferences)}</p>
          <p className={lateBy(one, preferences) > 0 ? 'font-semibold text-error' : ''}>
            {orderWords(one, best, preferences)}
          </p>
          <DeedButton
            className="btn btn-sm btn-outline mt-1"
            label={`They have come: put the packs of ${paper.name} in`}
            act={takeInPacksAction.bind(null, {
              packs: best.packs.map(({ pack, count }) => ({ packId: pack.id, count })),
              there: one.sheetsThere,
            })}
          >
            They have come
          </DeedButton>
        </div>
      )}
    </li>
  )
}

/** `2 packs of 50 A4 and 1 pack of 10 A4`. */
function packWords({ packs, sizeUm }: PackChoice, preferences: Preferences): string {
  const [widthMm, heightMm] = [mmFromUm(sizeUm.widthUm), mmFromUm(sizeUm.heightUm)]
  const size = formatOf(widthMm, heightMm)?.label ?? formatSheet(widthMm, heightMm, preferences)
  return packs.map(({ pack, count }) => `${plural(count, 'pack')} of ${pack.sheets}, ${size}`).join(' and ')
}

const lateBy = ({ orderOn }: PaperToBuy, preferences: Preferences): number =>
  orderOn === null ? 0 : Math.max(0, -daysUntil(orderOn, preferences))

function orderWords(one: PaperToBuy, { leadDays }: PackChoice, preferences: Preferences): string {
  const { orderOn, neededOn } = one
  if (orderOn === null || neededOn === null) return `here in ${plural(leadDays, 'day')}`
  const late = lateBy(one, preferences)
  return late > 0
    ? `${plural(late, 'day')} too late: wanted by ${formatDay(neededOn, preferences)}`
    : `Order by ${formatDay(orderOn, preferences)}`
}
