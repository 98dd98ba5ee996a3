import type { Metadata } from 'next'
import { Link } from '@/ui/shell/Link'
import { notFound } from 'next/navigation'
import { openPage } from '@/app/_server/guard'
import { grammageOf } from '@/core/paper'
import { mixedPairOf, nominalGapMm } from '@/core/units'
import { readPacks } from '@/flows/read/packs'
import { readDrawerPaper, readMoves, type DrawerPaper, type SheetView } from '@/flows/read/papers'
import { DeedButton } from '@/ui/forms/DeedButton'
import { formatMoney, formatSheet, plural, type Preferences } from '@/ui/format'
import { projectNameOf } from '@/flows/read/project-list'
import { readShortQuery } from '@/schema/short-query'
import { AddSheets } from '@/ui/paper/AddSheets'
import { CountSheets } from '@/ui/paper/CountSheets'
import type { PaperTyped } from '@/ui/paper/PaperFields'
import { PaperForm } from '@/ui/paper/PaperForm'
import { Ledger } from '@/ui/paper/Ledger'
import { fitsHref } from '@/ui/paper/fits-href'
import { SoldIn } from '@/ui/paper/SoldIn'
import { TakeSheets } from '@/ui/paper/TakeSheets'
import { WeighSheets } from '@/ui/paper/WeighSheets'
import {
  addSheetsAction,
  askShopAction,
  countSheetsAction,
  forgetPackAction,
  keepForStemsAction,
  putPaperAwayAction,
  savePackAction,
  savePaperAction,
  takeSheetsAction,
  undoMoveAction,
} from '../actions'

export const metadata: Metadata = { title: 'Paper' }

interface PaperParams {
  readonly params: Promise<{ paperId: string }>
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>
}

export default async function PaperPage({ params, searchParams }: PaperParams) {
  const { context, preferences } = await openPage()
  const asked = readShortQuery(await searchParams)
  const projectName = asked.projectId === null ? null : await projectNameOf(context, asked.projectId)
  const paper = await readDrawerPaper(context, (await params).paperId)
  if (!paper) notFound()
  const sheets = inUse(paper)
  const mixed = mixedPair(paper)
  const moves = await readMoves(context, paper.id)
  return (
    <>
      <h1 className="text-4xl">{paper.name}</h1>
      <p className="second mt-1">
        {paper.feelLabel}, {paper.caliperMm.toFixed(2)} mm thick
        {paper.caliperMeasuredMm === null ? ' (taken from how it feels)' : ''}: eight layers are{' '}
        {(8 * paper.caliperMm).toFixed(1)} mm.
      </p>
      <div className="mt-6 grid gap-6 tablet:grid-cols-2">
        <div className="flex flex-col gap-6">
          <section className="sheet-panel p-6" aria-labelledby="sheets-title">
            <h2 id="sheets-title" className="text-2xl">
              In the drawer
            </h2>
            {mixed === null ? null : <p className="note mt-3">{mixed}</p>}
            {sheets.length === 0 ? <p className="second mt-2">No sheets yet.</p> : null}
            <ul className="mt-2">
              {sheets.map((sheet) => (
                <SheetItem
                  key={sheet.stockItemId}
                  paperId={paper.id}
                  sheet={sheet}
                  preferences={preferences}
                />
              ))}
            </ul>
            <InAndOut
              paper={paper}
              asked={asked}
              projectName={projectName}
              latestMove={moves[0]?.id}
              preferences={preferences}
            />
          </section>
          {moves.length === 0 ? null : (
            <section className="sheet-panel p-6" aria-labelledby="ledger-title">
              <h2 id="ledger-title" className="text-2xl">
                In and out
              </h2>
              <Ledger moves={moves} preferences={preferences} undo={undoMoveAction} />
            </section>
          )}
        </div>
        <div className="flex flex-col gap-6">
          <section className="sheet-panel p-6" aria-labelledby="paper-title">
            <h2 id="paper-title" className="mb-4 text-2xl">
              The paper
            </h2>
            <PaperForm initial={typedPaper(paper)} save={savePaperAction.bind(null, paper.id)} />
            <PutAway paperId={paper.id} />
          </section>
          <section className="sheet-panel p-6" aria-labelledby="sold">
            <h2 id="sold" className="text-2xl">
              Sold in
            </h2>
            <SoldIn
              paperId={paper.id}
              packs={await readPacks(context, paper.id)}
              preferences={preferences}
              save={savePackAction}
              forget={forgetPackAction}
              askShop={askShopAction.bind(null, paper.id)}
            />
          </section>
        </div>
      </div>
    </>
  )
}

/** A size that is used up can be counted again; an offcut that is gone is gone. */
const inUse = ({ sheets }: DrawerPaper): readonly SheetView[] =>
  sheets.filter(({ offcut, amount }) => !offcut || amount > 0)

/** What sheets of one size are called. */
const sheetName = (sheet: SheetView, preferences: Preferences): string => {
  const { formatLabel, widthMm, heightMm, offcut, soldAs } = sheet
  const name = soldAs === '' ? '' : `, sold as ${soldAs}`
  return `${formatLabel ?? formatSheet(widthMm, heightMm, preferences)}${name}${offcut ? ', offcut' : ''}`
}

/** 15 cm and 6 in squares are sold as one size and must not be mixed in one ring. */
function mixedPair(paper: DrawerPaper): string | null {
  const squares = paper.sheets.filter((sheet) => sheet.widthMm === sheet.heightMm && sheet.amount > 0)
  const pair = mixedPairOf(squares.map(({ widthMm, soldAs }) => ({ sideMm: widthMm, soldAs })))
  return pair === undefined
    ? null
    : `${pair.cm} cm and ${pair.inch} in are sold as one size and differ by ${nominalGapMm(pair).toFixed(1)} mm. Do not mix them in one ring.`
}

const typedPaper = (paper: DrawerPaper): PaperTyped => ({
  name: paper.name,
  feel: paper.feel,
  pattern: paper.pattern,
  texture: paper.texture,
  grain: paper.grain,
  turning: paper.turnable ? 'either way' : 'one way',
  toleranceMm: paper.toleranceMm === null ? '' : String(paper.toleranceMm),
  grammageGsm: paper.grammageGsm === null ? '' : String(paper.grammageGsm),
  caliperMm: paper.caliperMeasuredMm === null ? '' : String(paper.caliperMeasuredMm),
  frontColour: paper.frontColour,
  backColour: paper.backColour,
  note: paper.note,
})

interface SheetItemProps {
  readonly paperId: string
  readonly sheet: SheetView
  readonly preferences: Preferences
}

/** Sheets of one size: how many, and how many there really are. */
function SheetItem({ paperId, sheet, preferences }: SheetItemProps) {
  const what = sheetName(sheet, preferences)
  return (
    <li className="flex flex-wrap items-end justify-between gap-3 border-t hairline py-3">
      <p>
        <span className="figure text-2xl">{sheet.amount}</span> x {what}
        {sheet.forStems ? <span className="second">, kept for stems</span> : null}
        {sheet.priceMinor === null ? null : (
          <span className="second"> at {formatMoney(sheet.priceMinor, preferences)}</span>
        )}
      </p>
      {sheet.offcut ? (
        <span className="flex flex-wrap items-center gap-2">
          <Link
            href={fitsHref(paperId, sheet, preferences)}
            className="underline"
            aria-label={`What fits ${what}`}
          >
            What fits
          </Link>
          <DeedButton
            act={keepForStemsAction.bind(null, sheet.stockItemId, !sheet.forStems)}
            className="btn btn-ghost btn-sm"
            label={sheet.forStems ? `Free ${what} for other pieces` : `Keep ${what} for stems`}
          >
            {sheet.forStems ? 'Free them' : 'Keep for stems'}
          </DeedButton>
        </span>
      ) : null}
      <CountSheets
        key={sheet.amount}
        stockItemId={sheet.stockItemId}
        amount={sheet.amount}
        what={what}
        count={countSheetsAction}
      />
    </li>
  )
}

interface OnTheWayProps {
  readonly asked: ReturnType<typeof readShortQuery>
  readonly projectName: string | null
  readonly any: boolean
}

/** The way back to where sheets were wanted. */
function OnTheWay({ asked, projectName, any }: OnTheWayProps) {
  return (
    <>
      {asked.thenProject && any ? (
        <p className="note mb-3">
          <Link href="/projects/new" className="font-semibold underline">
            Now start the project
          </Link>
        </p>
      ) : null}
      {projectName === null ? null : (
        <p className="note mb-3">
          {asked.sheets === null ? 'Sheets' : plural(asked.sheets, 'sheet')} wanted for {projectName}.{' '}
          <Link href={`/projects/${asked.projectId}/paper`} className="underline">
            Back to it
          </Link>
        </p>
      )}
    </>
  )
}

const PutAway = ({ paperId }: { readonly paperId: string }) => (
  <div className="mt-6 border-t hairline pt-4">
    <DeedButton act={putPaperAwayAction.bind(null, paperId, true)} className="btn btn-ghost">
      Archive this paper
    </DeedButton>
  </div>
)

interface InAndOutProps {
  readonly paper: DrawerPaper
  readonly asked: ReturnType<typeof readShortQuery>
  readonly projectName: string | null
  readonly latestMove: string | undefined
  readonly preferences: Preferences
}

/** Sheets put in, counted by their weight, and taken out. */
function InAndOut({ paper, asked, projectName, latestMove, preferences }: InAndOutProps) {
  const sheets = inUse(paper)
  const there = sheets.filter(({ amount }) => amount > 0)
  return (
    <>
      <h3 id="add" className="mt-6 mb-2 text-xl">
        Put sheets in
      </h3>
      <OnTheWay asked={asked} projectName={projectName} any={sheets.length > 0} />
      <AddSheets
        paperId={paper.id}
        preferences={preferences}
        add={addSheetsAction}
        wanted={{ sheets: asked.sheets, size: asked.size }}
      />
      {sheets.length === 0 ? null : (
        <>
          <h3 className="mt-6 mb-2 text-xl">Count by weight</h3>
          <WeighSheets
            key={latestMove}
            sizes={sheets.map((sheet) => ({ ...sheet, name: sheetName(sheet, preferences) }))}
            grammageGsm={grammageOf(paper)}
            grammageKnown={paper.grammageGsm !== null}
            count={countSheetsAction}
          />
        </>
      )}
      {there.length === 0 ? null : (
        <>
          <h3 className="mt-6 mb-2 text-xl">Take sheets out</h3>
          <TakeSheets
            key={latestMove}
            sizes={there.map((sheet) => [sheet.stockItemId, sheetName(sheet, preferences)])}
            take={takeSheetsAction}
          />
        </>
      )}
    </>
  )
}
