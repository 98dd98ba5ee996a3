import type { Metadata } from 'next'
import Link from 'next/link'
import { openPage } from '@/app/_server/guard'
import { defaultGauges, finishedSizes, mainPart, stagesOf, variantOf } from '@/core/design'
import { readLibrary } from '@/flows/read/designs'
import { readHistory } from '@/flows/read/history'
import { readDrawer } from '@/flows/read/papers'
import { Silhouette } from '@/ui/design/Silhouette'
import { countOf, formatExact, formatLength, formatPace } from '@/ui/format'

export const metadata: Metadata = { title: 'Designs' }

/** The sheet a design is shown at until one is chosen. */
const SHOWN_SHEET_MM = 150

export default async function DesignsPage() {
  const { context, preferences } = await openPage()
  const designs = await readLibrary(context)
  const history = await readHistory(context)
  const colours = (await readDrawer(context)).map((paper) => paper.frontColour)
  return (
    <>
      <h1 className="text-4xl">Designs</h1>
      <p className="second mt-1">Sizes are worked out from the folds, here for a 15 cm sheet.</p>
      <ul className="mt-6 grid gap-6 tablet:grid-cols-3">
        {designs.map(({ document: design }, index) => {
          const [first] = design.variants
          if (!first) return null
          const part = mainPart(design)
          const sheetMm = SHOWN_SHEET_MM / Math.sqrt(part.perSquare)
          const gauges = defaultGauges(design)
          const [size] = finishedSizes(design, first, sheetMm, gauges)
          const folds = stagesOf(part, variantOf(design, first.key)).flatMap((stage) => stage.steps)
          const pace = history.pace(design)
          return (
            <li key={design.id} className="sheet-panel flex flex-col p-5">
              <span className="strip-of-tape mx-auto mb-3" aria-hidden />
              <Silhouette
                design={design}
                variantKey={first.key}
                sheetMm={sheetMm}
                gauges={gauges}
                colour={colours[index % Math.max(1, colours.length)] ?? '#7f9563'}
              />
              <h2 className="mt-4 text-2xl italic">
                <Link href={`/designs/${design.id}`} className="hover:underline">
                  {design.name}
                </Link>
              </h2>
              <p className="second mt-1">{design.summary}</p>
              <dl className="mt-4 grid grid-cols-2 gap-y-1">
                <dt className="sr-only">Sheet</dt>
                <dd className="second">
                  {part.perSquare === 4 ? 'quarter of ' : ''}
                  {formatExact(SHOWN_SHEET_MM, preferences)}
                </dd>
                <dt className="sr-only">Finished size</dt>
                <dd className="text-right font-semibold">
                  {size ? `${formatLength(size.sizeMm, preferences)} ${size.label}` : ''}
                </dd>
                <dt className="sr-only">Folds</dt>
                <dd className="second">
                  {countOf(
                    folds.reduce((sum, step) => sum + step.repeats, 0),
                    'fold',
                  )}
                </dd>
                <dt className="sr-only">Time</dt>
                <dd className="text-right font-semibold">
                  {formatPace(pace.secondsPerPiece)}
                  {pace.loggedPieces === 0 ? <span className="second font-normal"> usual</span> : null}
                </dd>
              </dl>
            </li>
          )
        })}
      </ul>
    </>
  )
}
