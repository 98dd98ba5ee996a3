import type { Metadata } from 'next'
import { Link } from '@/ui/shell/Link'
import { notFound } from 'next/navigation'
import { openPage } from '@/app/_server/guard'
import { defaultGauges, locksHold, mainPart, shownSheetMm, unitsOf, type DesignDocument } from '@/core/design'
import { BASES } from '@/core/fold'
import type { Pace } from '@/core/time'
import { readLibrary, type PinnedDesign } from '@/flows/designs'
import type { FlowContext } from '@/flows/flow-context'
import { readEnd, type FoldedEndView } from '@/flows/read/folds'
import { readLessons } from '@/flows/lessons'
import { readDrawer } from '@/flows/read/papers'
import { readSamples } from '@/flows/read/samples'
import { ANY_PAPER, facesOf } from '@/ui/diagram/faces'
import { ChosenJoining, ChosenLayOut, ChosenSteps, FollowsDial } from '@/ui/design/chosen-size'
import { GuideWords } from '@/ui/design/GuideWords'
import { JustFold } from '@/ui/design/JustFold'
import { SizeDial } from '@/ui/design/SizeDial'
import { Variants } from '@/ui/design/Variants'
import { formatDuration, formatPace, plural } from '@/ui/format'
import { startLooseRunAction } from '../actions'

export const metadata: Metadata = { title: 'Design' }

export default async function DesignPage({ params }: { readonly params: Promise<{ designId: string }> }) {
  const { context, preferences, settings } = await openPage()
  const { designId } = await params
  const library = await readLibrary(context)
  const found = library.find((one) => one.document.id === designId)
  if (!found) notFound()
  const design = found.document
  const papers = await readDrawer(context)
  const pace = (await readLessons(context)).pace(design)
  const samples = await readSamples(context, design.id)
  const sheetMm = shownSheetMm(design)
  const ends = await readEnds(context, found)
  const followed = Object.keys(ends).length > 0
  const [first] = design.variants
  return (
    <FollowsDial start={{ variantKey: first?.key ?? '', sheetMm }}>
      <h1 className="text-4xl italic">{design.name}</h1>
      <p className="mt-1 text-lg">{design.summary}</p>
      <OriginAndPace design={design} pace={pace} />
      {locksHold(design) ? null : (
        <p className="note mt-4 max-w-2xl font-semibold">
          It is not offered for new briefs: a lock of it does not hold. Its steps say which.
        </p>
      )}
      <div className="mt-6 grid gap-6 tablet:grid-cols-[1.15fr_1fr]">
        <div className="sheet-panel p-6">
          <SizeDial design={design} papers={papers} ends={ends} samples={samples} preferences={preferences} />
        </div>
        <div className="flex flex-col gap-6">
          <HowItStarts design={design} followed={followed} />
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
          <ChosenLayOut design={design} ends={ends} preferences={preferences} />
        </div>
      </div>
      <Variants
        design={design}
        ends={ends}
        facesFor={(sideUp) => facesOf(papers[0] ?? ANY_PAPER, sideUp)}
        sheetMm={sheetMm}
        preferences={preferences}
      />
      <ChosenJoining
        design={design}
        ends={ends}
        partName={mainPart(design).name}
        mount={
          library.find(({ document }) => document.id === first?.assembly?.mount?.designId)?.document ?? null
        }
        preferences={preferences}
      />
      <GuideWords design={design} />
      <ChosenSteps design={design} />
    </FollowsDial>
  )
}

/** How each variant ends, by its key. */
async function readEnds(
  context: FlowContext,
  { hash, document: design }: PinnedDesign,
): Promise<Readonly<Record<string, FoldedEndView>>> {
  const ends: Record<string, FoldedEndView> = {}
  const shown = { sheetMm: shownSheetMm(design), gauges: defaultGauges(design) }
  for (const { key } of design.variants) {
    const end = await readEnd(context, hash, { variantKey: key, ...shown })
    if (end) ends[key] = end
  }
  return ends
}

interface OfDesign {
  readonly design: DesignDocument
}

/** Where a design comes from, and how long it takes. */
function OriginAndPace({ design, pace }: OfDesign & { readonly pace: Pace }) {
  const part = mainPart(design)
  const [first] = design.variants
  const units = first ? unitsOf(part, first) : 1
  return (
    <p className="second">
      {design.origin.charAt(0).toUpperCase() + design.origin.slice(1)}. {formatPace(pace.secondsPerPiece)} a{' '}
      {units === 1 ? 'piece' : part.name}
      {units === 1 ? '' : `, ${formatDuration(pace.secondsPerPiece * units)} for ${units}`},{' '}
      {pace.loggedPieces === 0
        ? 'the usual pace; your log will set its own'
        : `with ${plural(pace.loggedPieces, 'piece')} in your log`}
      .
    </p>
  )
}

/** Which side is up, and what it begins with. */
function HowItStarts({ design, followed }: OfDesign & { readonly followed: boolean }) {
  const part = mainPart(design)
  const base = part.base?.id
  return (
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
      {base === undefined ? null : (
        <p className="second mt-2">
          It begins with the{' '}
          <Link href={`/bases/${base}`} className="underline">
            {BASES.find(({ id }) => id === base)?.name.toLowerCase() ?? base}
          </Link>
          . Who has that base starts after it: choose “I have the base” below.
        </p>
      )}
    </section>
  )
}
