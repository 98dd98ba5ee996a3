import { least } from '@/core/numeric'
import type { Metadata } from 'next'
import { Link } from '@/ui/shell/Link'
import { openPage } from '@/app/_server/guard'
import {
  defaultGauges,
  FAMILIES,
  finishedSizes,
  highPerWide,
  locksHold,
  mainPart,
  SHOWN_SHEET_MM,
  shownSheetMm,
  stagesOf,
  unitsOf,
  type DesignDocument,
  type FinishedSize,
  type Variant,
} from '@/core/design'
import { CoreError } from '@/core/errors'
import type { Pace } from '@/core/time'
import { choose, type Choice } from '@/flows/read/choosing'
import { readLibrary, type PinnedDesign } from '@/flows/designs'
import type { FlowContext } from '@/flows/flow-context'
import { readBases, readEnd, type FoldedEndView } from '@/flows/read/folds'
import { readLessons } from '@/flows/lessons'
import { readDrawer, type DrawerPaper } from '@/flows/read/papers'
import { readLibraryQuery, type Query } from '@/schema/designs-query'
import { ANY_PAPER, facesOf } from '@/ui/diagram/faces'
import { FoldDiagram } from '@/ui/diagram/FoldDiagram'
import { LibraryWishes } from '@/ui/design/LibraryWishes'
import { Silhouette } from '@/ui/design/Silhouette'
import { Pages } from '@/ui/shell/Pages'
import {
  countOf,
  formatDuration,
  formatExact,
  formatLength,
  formatPiece,
  plural,
  type Preferences,
} from '@/ui/format'

export const metadata: Metadata = { title: 'Designs' }

const CARDS_ON_A_PAGE = 24

/** This page with all that was asked of it but which page. */
function hrefOf(query: Query): string {
  const asked = Object.entries(query).flatMap(([key, value]) =>
    key !== 'page' && typeof value === 'string' && value !== '' ? [[key, value]] : [],
  )
  return asked.length === 0 ? '/designs' : `/designs?${new URLSearchParams(asked).toString()}`
}

interface DesignsPageProps {
  readonly searchParams: Promise<Query>
}

export default async function DesignsPage({ searchParams }: DesignsPageProps) {
  const { context, preferences } = await openPage()
  const library = await readLibrary(context)
  const all = library.filter(({ document }) => locksHold(document))
  const withheld = library.filter(({ document }) => !locksHold(document))
  const families = FAMILIES.filter((family) => all.some(({ document }) => document.family === family))
  const query = await searchParams
  const asked = readLibraryQuery(query, families, preferences.unit)
  const papers = await readDrawer(context)
  const paper = papers.find(({ id }) => id === asked.value.paperId) ?? null
  const cards = await readCards(context, all, { ...asked.value, paper })
  const stay = cards.filter(({ choice }) => choice.leftOut === null)
  const pages = Math.max(1, Math.ceil(stay.length / CARDS_ON_A_PAGE))
  const page = Math.min(pages, Math.max(1, Math.floor(Number(query['page'] ?? 1)) || 1))
  const shown = stay.slice((page - 1) * CARDS_ON_A_PAGE, page * CARDS_ON_A_PAGE)
  return (
    <>
      <h1 className="text-4xl">Designs</h1>
      <p className="second mt-1">
        Sizes are worked out from the folds, here for a{' '}
        {formatExact(asked.value.sheetMm ?? SHOWN_SHEET_MM, preferences)} sheet.
      </p>
      <LibraryWishes families={families} papers={papers} asked={asked} unit={preferences.unit} />
      <Found cards={cards} stay={stay.length} />
      <ul className="mt-6 grid gap-6 sm:grid-cols-2 tablet:grid-cols-3">
        {shown.map((card, index) => (
          <DesignCard
            key={card.design.id}
            card={card}
            paper={paper ?? papers[index % Math.max(1, papers.length)] ?? ANY_PAPER}
            preferences={preferences}
          />
        ))}
      </ul>
      {pages > 1 ? <Pages href={hrefOf(query)} page={page} pages={pages} /> : null}
      <Withheld designs={withheld.map(({ document }) => document)} />
      <Bases bases={await readBases(context)} papers={papers} />
    </>
  )
}

interface Card {
  readonly design: DesignDocument
  readonly variant: Variant
  readonly sheetMm: number
  readonly end: FoldedEndView | null
  readonly pace: Pace
  readonly choice: Choice
}

/** Every design with what it becomes, as it was asked. */
async function readCards(
  context: FlowContext,
  designs: readonly PinnedDesign[],
  asked: Parameters<typeof choose>[1],
): Promise<readonly Card[]> {
  const lessons = await readLessons(context)
  const cards: Card[] = []
  for (const { document: design, hash } of designs) {
    const [variant] = design.variants
    if (!variant) continue
    const sheetMm = sheetFor(design, asked.sheetMm)
    const shown = { variantKey: variant.key, sheetMm: shownSheetMm(design), gauges: defaultGauges(design) }
    const end = await readEnd(context, hash, shown)
    const pace = lessons.pace(design)
    const work = { secondsPerUnit: pace.secondsPerPiece, hardest: end?.hardest ?? [], sheetMm }
    cards.push({ design, variant, sheetMm, end, pace, choice: choose(design, asked, work) })
  }
  return cards
}

/** Designs of which a lock does not hold. */
function Withheld({ designs }: { readonly designs: readonly DesignDocument[] }) {
  if (designs.length === 0) return null
  return (
    <section aria-labelledby="withheld" className="mt-12">
      <h2 id="withheld" className="text-2xl">
        Not offered for now
      </h2>
      <p className="second">A lock of these does not hold. Projects that use them already still open.</p>
      <ul className="mt-2 flex flex-wrap gap-4">
        {designs.map(({ id, name }) => (
          <li key={id}>
            <Link href={`/designs/${id}`} className="underline">
              {name}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  )
}

interface BasesProps {
  readonly bases: Awaited<ReturnType<typeof readBases>>
  readonly papers: readonly DrawerPaper[]
}

/** What many designs begin with. */
function Bases({ bases, papers }: BasesProps) {
  return (
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
  )
}

/** The side a design's parts are cut at: what was asked, quartered where a design quarters. */
const sheetFor = (design: DesignDocument, askedMm: number | null): number =>
  askedMm === null ? shownSheetMm(design) : askedMm / Math.sqrt(mainPart(design).perSquare)

const REASONS = {
  time: 'take longer than that',
  supplies: 'need glue or supplies',
  thickness: 'would be too thick in that paper',
  small: 'would be too small to fold',
  sheet: 'need a larger sheet than that paper has',
} as const

/** How many designs stay, and why others do not. */
function Found({ cards, stay }: { readonly cards: readonly Card[]; readonly stay: number }) {
  const reasons = (Object.keys(REASONS) as (keyof typeof REASONS)[]).flatMap((reason) => {
    const count = cards.filter(({ choice }) => choice.leftOut === reason).length
    return count === 0 ? [] : [`${count} ${REASONS[reason]}`]
  })
  return (
    <p className="mt-4" role="status">
      {stay === 0 ? 'No design is like that. Ask for less at once.' : countOf(stay, 'design')}
      {reasons.length === 0 ? '' : `; ${reasons.join(', ')}`}.
    </p>
  )
}

function DesignCard({
  card: { design, variant, sheetMm, end, pace, choice },
  paper,
  preferences,
}: {
  readonly card: Card
  readonly paper: { readonly frontColour: string; readonly backColour: string }
  readonly preferences: Preferences
}) {
  const part = mainPart(design)
  const gauges = defaultGauges(design)
  const [size] = sizesOrNone([design, variant, sheetMm, gauges])
  const folds = stagesOf(part, variant).flatMap((stage) => stage.steps)
  const units = unitsOf(part, variant)
  return (
    <li className="sheet-panel flex flex-col p-5">
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
          variantKey={variant.key}
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
          {formatPiece(sheetMm * Math.sqrt(part.perSquare), highPerWide(part), preferences)}
          {units === 1 ? '' : ` x ${units}`}
        </dd>
        <dt className="sr-only">Finished size</dt>
        <dd className="text-right font-semibold">
          {size ? `${formatLength(size.sizeMm, preferences)} ${size.label}` : 'not at this size'}
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
          {formatDuration(pace.secondsPerPiece * units)}
          {pace.loggedPieces === 0 ? <span className="second font-normal"> usual</span> : null}
        </dd>
        {design.guide ? (
          <>
            <dt className="sr-only">Skill</dt>
            <dd className="second">{design.guide.skill}</dd>
          </>
        ) : null}
        <Becomes choice={choice} />
      </dl>
    </li>
  )
}

/** What the paper and the time become. */
function Becomes({ choice: { byTime, byPaper } }: { readonly choice: Choice }) {
  const counts = [byTime, byPaper].flatMap((count) => (count === null ? [] : [count]))
  if (counts.length === 0) return null
  return (
    <>
      <dt className="sr-only">That becomes</dt>
      <dd className="figure text-right text-xl">
        {plural(least(counts), 'piece')}
        {byTime !== null && byPaper !== null && byTime !== byPaper ? (
          <span className="second block text-sm">
            {byTime < byPaper ? `the paper is enough for ${byPaper}` : `the time is enough for ${byTime}`}
          </span>
        ) : null}
      </dd>
    </>
  )
}

/** Finished sizes; none where a gauge does not fit the sheet asked. */
function sizesOrNone([design, variant, sheetMm, gauges]: Parameters<
  typeof finishedSizes
>): readonly FinishedSize[] {
  try {
    return finishedSizes(design, variant, sheetMm, gauges)
  } catch (error) {
    if (error instanceof CoreError) return []
    throw error
  }
}
