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
import { asksForFolds, choose, type Choice } from '@/flows/read/choosing'
import { readLibrary, type PinnedDesign } from '@/flows/designs'
import type { FlowContext } from '@/flows/flow-context'
import { readBases, readEnd, type FoldedEndView } from '@/flows/read/folds'
import { readLessons } from '@/flows/lessons'
import { readDrawer, type DrawerPaper } from '@/flows/read/papers'
import { readLibraryQuery, type Query } from '@/schema/designs-query'
import { ANY_PAPER, facesOf } from '@/ui/diagram/faces'
import { FoldDiagram } from '@/ui/diagram/FoldDiagram'
import { smallPicture } from '@/ui/diagram/view'
import { DesignCard, type DesignCardProps } from '@/ui/design/DesignCard'
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
  const shown = await withEnds(context, stay.slice((page - 1) * CARDS_ON_A_PAGE, page * CARDS_ON_A_PAGE))
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
          <ShownCard
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
  readonly hash: string
  readonly design: DesignDocument
  readonly variant: Variant
  readonly sheetMm: number
  /** What its folds come to; `null` also where nothing asked for it. */
  readonly end: FoldedEndView | null
  readonly pace: Pace
  readonly choice: Choice
}

const endOf = (context: FlowContext, { hash, design, variant }: Pick<Card, 'hash' | 'design' | 'variant'>) =>
  readEnd(context, hash, {
    variantKey: variant.key,
    sheetMm: shownSheetMm(design),
    gauges: defaultGauges(design),
  })

/** The cards that are shown, with their pictures. */
async function withEnds(context: FlowContext, cards: readonly Card[]): Promise<readonly Card[]> {
  const shown: Card[] = []
  for (const card of cards) shown.push({ ...card, end: card.end ?? (await endOf(context, card)) })
  return shown
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
    const end = asksForFolds(asked) ? await endOf(context, { hash, design, variant }) : null
    const pace = lessons.pace(design)
    const work = { secondsPerUnit: pace.secondsPerPiece, hardest: end?.hardest ?? [], sheetMm }
    cards.push({ hash, design, variant, sheetMm, end, pace, choice: choose(design, asked, work) })
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

interface ShownCardProps {
  readonly card: Card
  readonly paper: CardPaper
  readonly preferences: Preferences
}

function ShownCard({ card, paper, preferences }: ShownCardProps) {
  const { design, variant, sheetMm } = card
  return (
    <DesignCard {...cardProps(card, paper, preferences)}>
      {card.end ? null : (
        <Silhouette
          design={design}
          variantKey={variant.key}
          sheetMm={sheetMm}
          gauges={defaultGauges(design)}
          colour={paper.frontColour}
        />
      )}
    </DesignCard>
  )
}

type CardPaper = { readonly frontColour: string; readonly backColour: string }

/** What a card says, in the reader's words and units. */
function cardProps(card: Card, paper: CardPaper, preferences: Preferences): DesignCardProps {
  const { design, variant, sheetMm, end, pace, choice } = card
  const part = mainPart(design)
  const [size] = sizesOrNone([design, variant, sheetMm, defaultGauges(design)])
  const folds = stagesOf(part, variant)
    .flatMap((stage) => stage.steps)
    .reduce((sum, step) => sum + step.repeats, 0)
  const units = unitsOf(part, variant)
  const sheet = formatPiece(sheetMm * Math.sqrt(part.perSquare), highPerWide(part), preferences)
  return {
    id: design.id,
    name: design.name,
    summary: design.summary,
    painted: end?.forms?.views[end.forms.best] ?? null,
    drawing: end && !end.forms ? smallPicture(end.front, false) : null,
    faces: facesOf(paper, end?.sideUp ?? 'colour up'),
    sheet: `${part.perSquare === 4 ? 'quarter of ' : ''}${sheet}${units === 1 ? '' : ` x ${units}`}`,
    size: size ? `${formatLength(size.sizeMm, preferences)} ${size.label}` : 'not at this size',
    folds: `${countOf(folds, 'fold')}${end ? `, ${plural(end.mostLayers, 'layer')}` : ''}`,
    time: formatDuration(pace.secondsPerPiece * units),
    usual: pace.loggedPieces === 0,
    skill: design.guide?.skill ?? null,
    becomes: becomesOf(choice),
  }
}

/** What the paper and the time become. */
function becomesOf({ byTime, byPaper }: Choice): DesignCardProps['becomes'] {
  const counts = [byTime, byPaper].flatMap((count) => (count === null ? [] : [count]))
  if (counts.length === 0) return null
  const one = byTime === null || byPaper === null || byTime === byPaper
  const because =
    byTime !== null && byPaper !== null && byTime < byPaper
      ? `the paper is enough for ${byPaper}`
      : `the time is enough for ${byTime}`
  return { pieces: plural(least(counts), 'piece'), because: one ? '' : because }
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
