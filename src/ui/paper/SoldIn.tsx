import type { z } from 'zod'
import { PACK_FORMS } from '@/core/paper'
import type { DeedResult } from '@/flows/deed'
import type { PackView } from '@/flows/read/packs'
import type { packFields } from '@/schema/paper'
import { formatMoney, formatSheet, plural, type Preferences } from '../format'
import { DeedButton } from '../forms/DeedButton'
import { AddPack } from './AddPack'

interface SoldInProps {
  readonly paperId: string
  readonly packs: readonly PackView[]
  readonly preferences: Preferences
  readonly save: (values: z.input<ReturnType<typeof packFields>>) => Promise<DeedResult<null>>
  readonly forget: (packId: string) => Promise<DeedResult<null>>
  readonly askShop: () => Promise<DeedResult<null>>
}

/** The packs a paper is sold in, typed in or as the shop that stands in has them. */
export function SoldIn({ paperId, packs, preferences, save, forget, askShop }: SoldInProps) {
  return (
    <>
      {packs.length === 0 ? (
        <p className="second mt-2">Not said yet. The shopping list chooses among these packs.</p>
      ) : (
        <ul className="mt-2">
          {packs.map((pack) => (
            <PackItem key={pack.id} pack={pack} preferences={preferences} forget={forget} />
          ))}
        </ul>
      )}
      <div className="mt-3">
        <DeedButton act={askShop} className="btn btn-outline btn-sm">
          Ask the stand-in shop
        </DeedButton>
        <p className="second mt-1 text-sm">
          A shop that Kelpfield makes up, for trying things out: its prices and days are no real ones.
        </p>
      </div>
      <details className="mt-3">
        <summary className="cursor-pointer py-2">Say of a pack yourself</summary>
        <AddPack key={packs.length} paperId={paperId} preferences={preferences} save={save} />
      </details>
    </>
  )
}

interface PackItemProps extends Pick<SoldInProps, 'preferences' | 'forget'> {
  readonly pack: PackView
}

function PackItem({ pack, preferences, forget }: PackItemProps) {
  const size = pack.formatLabel ?? formatSheet(pack.widthMm, pack.heightMm, preferences)
  const what = `${pack.sheets} of ${size}, ${PACK_FORMS[pack.form].label}`
  return (
    <li className="flex min-h-12 flex-wrap items-center justify-between gap-3 border-t hairline py-1">
      <span>
        <span className="figure">{what}</span> at {formatMoney(pack.priceMinor, preferences)}
        <span className="second">
          , {pack.soldOut ? 'sold out, ' : ''}here in {plural(pack.leadDays, 'day')}
        </span>
      </span>
      <DeedButton
        act={forget.bind(null, pack.id)}
        className="btn btn-ghost btn-sm"
        label={`Forget the pack of ${what}`}
      >
        Forget
      </DeedButton>
    </li>
  )
}
