import type { Metadata } from 'next'
import Link from 'next/link'
import { openPage } from '@/app/_server/guard'
import { defaultGauges, FAMILIES, finishedSizes, mainPart, stagesOf, variantOf } from '@/core/design'
import { SHOWN_SHEET_MM, shownSheetMm } from '@/flows/figures'
import { readLibrary } from '@/flows/read/designs'
import { readBases, readEnd, type FoldedEndView } from '@/flows/read/folds'
import { readHistory } from '@/flows/read/history'
import { readDrawer } from '@/flows/read/papers'
import { familyOf, type Query } from '@/schema/designs-query'
import { ANY_PAPER, facesOf } from '@/ui/diagram/faces'
import { FoldDiagram } from '@/ui/diagram/FoldDiagram'
import { Silhouette } from '@/ui/design/Silhouette'
import { countOf, nounMany, plural, formatExact, formatLength, formatPace } from '@/ui/format'

export const metadata: Metadata = { title: 'Designs' }

interface DesignsPageProps {
  readonly searchParams: Promise<Query>
}

export default async function DesignsPage({ searchParams }: DesignsPageProps) {
  const { context, preferences } = await openPage()
  const all = await readLibrary(context)
  const families = FAMILIES.filter((family) => all.some(({ document }) => document.family === family))
  const family = familyOf(await searchParams, families)
  const designs = all.filter(({ document }) => family === null || document.family === family)
  const history = await readHistory(context)
  const papers = await readDrawer(context)
  const bases = await readBases(context)
  const ends = new Map<string, FoldedEndView | null>()
  for (const { document: design, hash } of designs) {
    const [first] = design.variants
    if (!first) continue
    const sheetMm = shownSheetMm(design)
    const shown = { variantKey: first.key, sheetMm, gauges: defaultGauges(design) }
    ends.set(design.id, await readEnd(context, hash, shown))
  }
  return (
    <>
      <h1 className="text-4xl">Designs</h1>
      <p className="second mt-1">Sizes are worked out from the folds, here for a 15 cm sheet.</p>
      <nav aria-label="Families" className="mt-4 flex flex-wrap gap-2">
        {[null, ...families].map((one) => (
          <Link
            key={one ?? 'all'}
            href={one === null ? '/designs' : `/designs?family=${one}`}
            aria-current={one === family ? 'page' : undefined}
            className={`btn btn-sm ${one === family ? 'btn-primary' : 'btn-outline'}`}
          >
            {one === null ? 'all' : nounMany(one)}
          </Link>
        ))}
      </nav>
      <ul className="mt-6 grid gap-6 tablet:grid-cols-3">
        {designs.map(({ document: design }, index) => {
          const [first] = design.variants
          if (!first) return null
          const part = mainPart(design)
          const sheetMm = shownSheetMm(design)
          const gauges = defaultGauges(design)
          const [size] = finishedSizes(design, first, sheetMm, gauges)
          const folds = stagesOf(part, variantOf(design, first.key)).flatMap((stage) => stage.steps)
          const pace = history.pace(design)
          const end = ends.get(design.id)
          const paper = papers[index % Math.max(1, papers.length)] ?? ANY_PAPER
          return (
            <li key={design.id} className="sheet-panel flex flex-col p-5">
              <span className="strip-of-tape mx-auto mb-3" aria-hidden />
              {end ? (
                <FoldDiagram
                  picture={end.front}
                  faces={facesOf(paper, end.sideUp)}
                  title={`${design.name}, finished`}
                  small
                  className="h-40 w-full"
                />
              ) : (
                <Silhouette
                  design={design}
                  variantKey={first.key}
                  sheetMm={sheetMm}
                  gauges={gauges}
                  colour={paper.frontColour}
                />
              )}
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
                  {end ? `, ${plural(end.mostLayers, 'layer')}` : ''}
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
      <section id="bases" aria-labelledby="bases-title" className="mt-12">
        <h2 id="bases-title" className="text-2xl">
          Bases
        </h2>
        <p className="second">
          What many designs begin with, fold by fold. You can also{' '}
          <Link href="/designs/pattern" className="underline">
            read a crease pattern
          </Link>{' '}
          of your own.
        </p>
        <ul className="mt-4 grid grid-cols-2 gap-4 sm:grid-cols-3 tablet:grid-cols-6">
          {bases.map(({ base, end }, index) => (
            <li key={base.id}>
              <Link
                href={`/bases/${base.id}`}
                className="sheet-panel block h-full p-3 text-center hover:underline"
              >
                <FoldDiagram
                  picture={end.front}
                  faces={facesOf(papers[index % Math.max(1, papers.length)] ?? ANY_PAPER, end.sideUp)}
                  title=""
                  small
                  className="h-24 w-full"
                />
                <span className="mt-2 block leading-tight">{base.name}</span>
              </Link>
            </li>
          ))}
        </ul>
      </section>
    </>
  )
}
