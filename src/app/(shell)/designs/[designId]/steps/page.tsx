import type { Metadata } from 'next'
import { Link } from '@/ui/shell/Link'
import { notFound } from 'next/navigation'
import { openPage } from '@/app/_server/guard'
import { mainPart, shownSheetMm, waysOf } from '@/core/design'
import { CoreError } from '@/core/errors'
import { readLibrary } from '@/flows/designs'
import { readFolds } from '@/flows/read/folds'
import { readDrawer } from '@/flows/read/papers'
import { readStepsQuery, type Query } from '@/schema/designs-query'
import { foldProblem } from '@/ui/steps/fold-problem'
import { pack } from '@/ui/packed'
import { StepThrough } from '@/ui/steps/StepThrough'
import { StepsFor } from '@/ui/steps/StepsFor'

export const metadata: Metadata = { title: 'Steps' }

interface StepsPageProps {
  readonly params: Promise<{ readonly designId: string }>
  readonly searchParams: Promise<Query>
}

/** What was asked in the address, for the file of the same state. */
const addressOf = (typed: Readonly<Record<string, string>>): string =>
  Object.entries(typed)
    .filter(([, text]) => text !== '')
    .map(([key, text]) => `${key}=${encodeURIComponent(text)}&`)
    .join('')

export default async function StepsPage({ params, searchParams }: StepsPageProps) {
  const { context, preferences, settings } = await openPage()
  const { designId } = await params
  const found = (await readLibrary(context)).find((one) => one.document.id === designId)
  if (!found) notFound()
  const { document: design, hash } = found
  const query = await searchParams
  const usualMm = shownSheetMm(design)
  const { value, typed, fields } = readStepsQuery(query, design, { unit: preferences.unit, usualMm })
  const papers = await readDrawer(context)
  const folds = await readFolds(context, hash, value).catch((error: unknown) => {
    if (error instanceof CoreError) return error
    throw error
  })
  const variant = design.variants.find(({ key }) => key === value.variantKey)
  const ways = variant ? waysOf(mainPart(design), variant) : []
  const direct = value.way === 'direct'
  const otherWay = ways.includes('direct')
    ? {
        name: direct ? 'Every crease first' : 'Directly, in the air',
        address: `/designs/${design.id}/steps?${addressOf({ ...typed, way: direct ? 'whole' : 'direct' })}`,
      }
    : null
  return (
    <>
      <p className="second">
        <Link href={`/designs/${design.id}`} className="underline">
          {design.name}
        </Link>
      </p>
      <h1 className="sr-only">{design.name}, step by step</h1>
      {folds === null ? (
        <p className="note mt-4 max-w-xl">
          This design is told in words only: its steps are on the{' '}
          <Link href={`/designs/${design.id}#steps`} className="underline">
            page of the design
          </Link>
          .
        </p>
      ) : (
        <>
          <StepsFor design={design} value={value} typed={typed} fields={fields} preferences={preferences} />
          {folds instanceof CoreError ? (
            <p role="alert" className="note mt-4 max-w-2xl">
              {foldProblem(folds)} Take a larger sheet, or set the gauges nearer to their usual values.
            </p>
          ) : (
            <StepThrough
              otherWay={otherWay}
              name={design.name}
              folds={{
                sideUp: folds.sideUp,
                words: folds.words,
                shaping: folds.shaping,
                forms: folds.forms,
              }}
              shown={pack(folds.shown)}
              sheetMm={value.sheetMm}
              papers={papers}
              paperId={value.paperId ?? papers[0]?.id ?? null}
              hand={settings.hand}
              fileAddress={`/api/fold-file/design/${design.id}?${addressOf(typed)}`}
              programAddress={`/api/fold-program/design/${design.id}?${addressOf(typed)}`}
              start={value.left === null ? value.start : folds.shown.moves.length - value.left}
              onward={{ name: 'Fold some', address: `/designs/${design.id}#just-fold` }}
              preferences={preferences}
            />
          )}
        </>
      )}
    </>
  )
}
