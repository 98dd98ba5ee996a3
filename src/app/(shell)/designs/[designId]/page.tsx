import type { Metadata } from 'next'
import Link from 'next/link'
import { notFound } from 'next/navigation'
import { openPage } from '@/app/_server/guard'
import { defaultGauges, mainPart, stagesOf, variantOf, type DesignDocument } from '@/core/design'
import { shownSheetMm } from '@/flows/figures'
import { readLibrary } from '@/flows/read/designs'
import { readEnd, type FoldedEndView } from '@/flows/read/folds'
import { readHistory } from '@/flows/read/history'
import { readDrawer } from '@/flows/read/papers'
import { JustFold } from '@/ui/design/JustFold'
import { SizeDial } from '@/ui/design/SizeDial'
import { formatPace, plural } from '@/ui/format'
import { startLooseRunAction } from '../actions'

export const metadata: Metadata = { title: 'Design' }

export default async function DesignPage({ params }: { readonly params: Promise<{ designId: string }> }) {
  const { context, preferences, settings } = await openPage()
  const { designId } = await params
  const found = (await readLibrary(context)).find((one) => one.document.id === designId)
  if (!found) notFound()
  const design = found.document
  const papers = await readDrawer(context)
  const pace = (await readHistory(context)).pace(design)
  const part = mainPart(design)
  const ends: Record<string, FoldedEndView> = {}
  for (const { key } of design.variants) {
    const sheetMm = shownSheetMm(design)
    const end = await readEnd(context, found.hash, {
      variantKey: key,
      sheetMm,
      gauges: defaultGauges(design),
    })
    if (end) ends[key] = end
  }
  const followed = Object.keys(ends).length > 0
  return (
    <>
      <h1 className="text-4xl italic">{design.name}</h1>
      <p className="mt-1 text-lg">{design.summary}</p>
      <p className="second">
        {design.origin}. {formatPace(pace.secondsPerPiece)} a piece,{' '}
        {pace.loggedPieces === 0
          ? 'the usual pace; your log will set its own'
          : `with ${plural(pace.loggedPieces, 'piece')} in your log`}
        .
      </p>
      <div className="mt-6 grid gap-6 tablet:grid-cols-[1.15fr_1fr]">
        <div className="sheet-panel p-6">
          <SizeDial design={design} papers={papers} ends={ends} preferences={preferences} />
        </div>
        <div className="flex flex-col gap-6">
          <section aria-labelledby="side-up">
            <h2 id="side-up" className="text-2xl">
              Start with {part.sideUp}
            </h2>
            <p className="mt-1">{part.sideUpReason}</p>
            {followed ? (
              <Link href={`/designs/${design.id}/steps`} className="btn mt-4 btn-primary">
                Follow the folds in pictures
              </Link>
            ) : null}
          </section>
          <section aria-labelledby="just-fold" className="border-t hairline pt-5">
            <h2 id="just-fold" className="mb-3 text-2xl">
              Just fold
            </h2>
            <JustFold
              design={design}
              papers={papers}
              preferences={preferences}
              hand={settings.hand}
              start={startLooseRunAction}
            />
          </section>
        </div>
      </div>
      <Steps design={design} />
    </>
  )
}

function Steps({ design }: { readonly design: DesignDocument }) {
  const [first] = design.variants
  if (!first) return null
  return (
    <section aria-labelledby="steps" className="mt-10">
      <h2 id="steps" className="text-2xl">
        Steps, {first.name}
      </h2>
      <ol className="mt-3 grid gap-x-10 tablet:grid-cols-2">
        {stagesOf(mainPart(design), variantOf(design, first.key)).map((stage) => (
          <li key={stage.key} className="border-t hairline py-3">
            <h3 className="text-lg">{stage.name}</h3>
            <ul>
              {stage.steps.map((step) => (
                <li key={step.key} className="grid grid-cols-[3.5rem_1fr] py-1">
                  <span className="figure text-xl">{step.repeats === 1 ? '' : `${step.repeats} x`}</span>
                  <span>
                    {step.say}
                    <span className="second">
                      {' '}
                      ({step.rigour}
                      {step.crease === 'none' ? '' : `, ${step.crease}`})
                    </span>
                    {step.note === undefined ? null : (
                      <span className="second block text-sm">{step.note}</span>
                    )}
                  </span>
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ol>
    </section>
  )
}
