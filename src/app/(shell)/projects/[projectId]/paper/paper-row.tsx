import { squaresFor } from '@/core/batch'
import { formatOf } from '@/core/sheet'
import { mmFromUm } from '@/core/units'
import type { LinePaperView, LineView, ShortageView } from '@/flows/read/line-view'
import type { PlainView, ProjectView } from '@/flows/read/project'
import {
  countOf,
  formatExact,
  formatMoney,
  formatPiece,
  formatSheet,
  plural,
  type Preferences,
} from '@/ui/format'
import { DeedButton } from '@/ui/forms/DeedButton'
import { amountWords } from '@/ui/paper/amounts'
import { InDrawer } from '@/ui/paper/InDrawer'
import { Swatch } from '@/ui/paper/Swatch'
import { Link } from '@/ui/shell/Link'
import { holdPaperFirstAction, putBackOnShelfAction, takeOffShelfAction } from '../../actions'

interface Demand {
  readonly line: LineView
  readonly row: LinePaperView
}

interface PaperRowProps {
  readonly project: ProjectView
  readonly paper: ProjectView['papers'][number]
  readonly demand: readonly Demand[]
  readonly plain: readonly PlainView[]
  readonly preferences: Preferences
}

export function PaperRow({ project, paper, demand, plain, preferences }: PaperRowProps) {
  const shortages = [...demand.map(({ row }) => row.shortage), ...plain.map(({ shortage }) => shortage)]
  const missingUnits = shortages.reduce((sum, { units }) => sum + units, 0)
  const missing = shortages.map(({ sheets }) => sheets)
  const missingSheets = missing.includes(null)
    ? null
    : missing.reduce<number>((sum, count) => sum + (count ?? 0), 0)
  const allCut = demand.every(({ row }) => row.unitsToCut === 0) && plain.every(({ toCut }) => toCut === 0)
  const layouts = (project.cutPlan?.layouts ?? []).filter(({ paperId }) => paperId === paper.id)
  const price = paper.sheets.find((sheet) => !sheet.offcut && sheet.priceMinor !== null)?.priceMinor ?? null
  return (
    <li className="grid gap-x-6 gap-y-2 border-t hairline py-4 last:border-b tablet:grid-cols-[13rem_1fr_1fr_11rem]">
      <p className="flex items-center gap-3 self-start font-semibold">
        <Swatch front={paper.frontColour} back={paper.backColour} className="h-7 w-10" />
        <Link href={`/papers/${paper.id}`} className="hover:underline">
          {paper.name}
        </Link>
      </p>
      <ul>
        {demand.map(({ line, row }) => (
          <li key={`${line.id} ${row.part.key}`}>
            {demandText(row)}
            <span className="second">
              {' '}
              of {formatPiece(row.part.sheetMm, row.part.highPerWide, preferences)}
            </span>
            <FromShelf projectId={project.id} line={line} row={row} />
            {row.part.perSquare === 4 && row.unitsToCut > 0 ? (
              <span className="second">
                , as {plural(squaresFor(row.unitsToCut, 4), 'square')} of{' '}
                {formatExact(2 * row.part.sheetMm, preferences)} quartered would give
              </span>
            ) : null}
          </li>
        ))}
        {plain.map((one) => (
          <PlainWanted key={one.id} plain={one} preferences={preferences} />
        ))}
      </ul>
      <InDrawer sheets={paper.sheets} preferences={preferences} />
      <div className="tablet:text-right">
        {missingUnits === 0 ? (
          <>
            <p className="figure text-xl">{takesText(layouts, allCut, preferences)}</p>
            <p className="second text-sm">
              {layouts.some(({ share }) => share < 1)
                ? `enough, pieces of ${project.together.map(({ name }) => name).join(' and ')} on them too`
                : 'enough'}
            </p>
          </>
        ) : (
          <>
            <p className="figure text-xl">
              {missingSheets === null ? countOf(missingUnits, 'piece') : `${missingSheets} short`}
            </p>
            <p className="second text-sm">
              {missingSheets === null
                ? fitWords(demand, preferences)
                : price === null
                  ? plural(missingSheets, 'sheet')
                  : formatMoney(missingSheets * price, preferences)}
            </p>
            <Holders project={project} shortages={shortages} />
            <Link
              href={addHref(project, paper.id, missingSheets, shortages)}
              className="btn btn-sm btn-outline mt-1"
              aria-label={`Add sheets of ${paper.name}`}
            >
              Add sheets
            </Link>
          </>
        )}
      </div>
    </li>
  )
}

/** What a paper's plan still takes, as people count: `2 A4 and 5 offcuts`. */
function takesText(
  layouts: NonNullable<ProjectView['cutPlan']>['layouts'],
  allCut: boolean,
  preferences: Preferences,
): string {
  if (layouts.length === 0) return allCut ? 'all cut' : 'not planned'
  const taken = new Map<string, Parameters<typeof amountWords>[0][number]>()
  for (const { stockId, sheetUm, offcut, sheets } of layouts) {
    const [widthMm, heightMm] = [mmFromUm(sheetUm.widthUm), mmFromUm(sheetUm.heightUm)]
    const formatLabel = formatOf(widthMm, heightMm)?.label ?? null
    const amount = sheets + (taken.get(stockId)?.amount ?? 0)
    taken.set(stockId, { widthMm, heightMm, formatLabel, offcut, amount })
  }
  return amountWords([...taken.values()], preferences)
}

/** That no sheet is large enough, and how much smaller the piece would have to be. */
function fitWords(demand: readonly Demand[], preferences: Preferences): string {
  const worst = demand
    .filter(({ row }) => row.shortage.fitsAt !== null)
    .toSorted((a, b) => (a.row.shortage.fitsAt ?? 1) - (b.row.shortage.fitsAt ?? 1))[0]
  const scale = worst?.row.shortage.fitsAt
  if (!worst || scale == null) return 'no sheet here is large enough'
  // Down to a whole per cent: a hair more would not fit.
  const percent = Math.floor(100 * scale)
  const { sheetMm, highPerWide } = worst.row.part
  return `no sheet here is large enough: at ${percent} % it would fit, ${formatPiece((sheetMm * percent) / 100, highPerWide, preferences)}`
}

/** The paper's page with the sheets that are short already filled in. */
function addHref(
  project: ProjectView,
  paperId: string,
  sheets: number | null,
  shortages: readonly ShortageView[],
): string {
  const wanted = shortages.find(({ sheetUm }) => sheetUm !== null)?.sheetUm
  const query = new URLSearchParams({ for: project.id })
  if (sheets !== null && sheets > 0) query.set('sheets', String(sheets))
  if (wanted) {
    query.set('widthMm', String(mmFromUm(wanted.widthUm)))
    query.set('heightMm', String(mmFromUm(wanted.heightUm)))
  }
  return `/papers/${paperId}?${query.toString()}#add`
}

/** Who has been promised sheets that would do, and how to have them first. */
function Holders({
  project,
  shortages,
}: {
  readonly project: ProjectView
  readonly shortages: readonly ShortageView[]
}) {
  const holders = new Map(
    shortages.flatMap((one) => one.holders.map((holder) => [holder.projectId, holder] as const)),
  )
  if (holders.size === 0) return null
  return (
    <div className="my-1 flex flex-col gap-1 tablet:items-end">
      <ul className="text-sm">
        {[...holders.values()].map(({ projectId, name, sheets }) => (
          <li key={projectId}>
            <Link href={`/projects/${projectId}/paper`} className="underline">
              {name}
            </Link>{' '}
            holds {sheets}
          </li>
        ))}
      </ul>
      {project.holdFirst ? null : (
        <DeedButton act={holdPaperFirstAction.bind(null, project.id, true)} className="btn btn-sm btn-ghost">
          This project first
        </DeedButton>
      )}
    </div>
  )
}

/** How a number comes about: pieces, the units each takes, what is good already, spares. */
function demandText(row: LinePaperView): string {
  const left = Math.max(0, row.goodUnits - row.usableUnits)
  if (left === 0) return `all ${countOf(row.goodUnits, row.part.name)} folded`
  const each = row.part.unitsPerPiece
  const whole = row.goodUnits / each
  const good = each > 1 && Number.isInteger(whole) ? `good (${whole} x ${each})` : 'good'
  const wanted = row.usableUnits === 0 ? good : `of ${row.goodUnits} still to fold`
  return `${left} ${wanted} + ${row.spareUnits} spare = ${countOf(left + row.spareUnits, row.part.name)}`
}

/** Pieces that are only cut, and how many of them are still wanted. */
function PlainWanted({
  plain: { name, sizeUm, pieces, cut },
  preferences,
}: {
  readonly plain: PlainView
  readonly preferences: Preferences
}) {
  return (
    <li>
      {cut < pieces
        ? `${pieces - cut} ${cut > 0 ? `of ${pieces} ` : ''}x ${name}`
        : `all ${pieces} x ${name} cut`}
      <span className="second">
        {' '}
        of {formatSheet(mmFromUm(sizeUm.widthUm), mmFromUm(sizeUm.heightUm), preferences)}, not folded
      </span>
    </li>
  )
}

/** Good ones of just this that lie on the shelf, before any sheet is cut; or those that were taken already. */
function FromShelf({
  projectId,
  line,
  row,
}: {
  readonly projectId: string
  readonly line: LineView
  readonly row: LinePaperView
}) {
  const place = { lineId: line.id, partKey: row.part.key, paperId: row.paper.id }
  const wanted = row.goodUnits - row.usableUnits
  return (
    <>
      {row.onShelf > 0 && wanted > 0 ? (
        <p className="my-1 flex flex-wrap items-center gap-2">
          {row.onShelf} of these lie on the shelf.
          <DeedButton
            act={takeOffShelfAction.bind(null, projectId, place)}
            className="btn btn-sm btn-outline"
          >
            Use {Math.min(row.onShelf, wanted)}
          </DeedButton>
        </p>
      ) : null}
      {row.fromShelf > 0 ? (
        <p className="my-1 flex flex-wrap items-center gap-2">
          {row.fromShelf} from the shelf.
          <DeedButton
            act={putBackOnShelfAction.bind(null, projectId, place)}
            className="btn btn-sm btn-ghost"
          >
            Put back
          </DeedButton>
        </p>
      ) : null}
    </>
  )
}
