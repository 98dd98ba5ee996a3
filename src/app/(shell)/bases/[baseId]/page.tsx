import { SHOWN_SHEET_MM } from '@/core/design'
import type { Metadata } from 'next'
import { Link } from '@/ui/shell/Link'
import { notFound } from 'next/navigation'
import { openPage } from '@/app/_server/guard'
import { readBase } from '@/flows/read/folds'
import { readDrawer } from '@/flows/read/papers'
import { paperOf, startOf, type Query } from '@/schema/designs-query'
import { pack } from '@/ui/packed'
import { StepThrough } from '@/ui/steps/StepThrough'
import { formatExact } from '@/ui/format'

export const metadata: Metadata = { title: 'Base' }

interface BasePageProps {
  readonly params: Promise<{ readonly baseId: string }>
  readonly searchParams: Promise<Query>
}

export default async function BasePage({ params, searchParams }: BasePageProps) {
  const { context, preferences, settings } = await openPage()
  const found = await readBase(context, (await params).baseId)
  if (!found) notFound()
  const query = await searchParams
  const papers = await readDrawer(context)
  const { base, folds } = found
  return (
    <>
      <p className="second">
        <Link href="/designs#bases" className="underline">
          Bases
        </Link>
      </p>
      <h1 className="text-3xl italic">{base.name}</h1>
      <p className="second mb-4">
        {base.alsoCalled.length === 0 ? '' : `Also called ${base.alsoCalled.join(', ')}. `}
        Begin with {folds.sideUp}. Lengths for a sheet of {formatExact(SHOWN_SHEET_MM, preferences)}.
      </p>
      <StepThrough
        name={base.name}
        folds={{
          sideUp: folds.sideUp,
          words: folds.words,
          shaping: folds.shaping,
          forms: folds.forms,
        }}
        shown={pack(folds.shown)}
        sheetMm={SHOWN_SHEET_MM}
        papers={papers}
        paperId={paperOf(query) ?? papers[0]?.id ?? null}
        hand={settings.hand}
        fileAddress={`/api/fold-file/base/${base.id}?`}
        programAddress={`/api/fold-program/base/${base.id}?`}
        start={startOf(query)}
        preferences={preferences}
      />
    </>
  )
}
