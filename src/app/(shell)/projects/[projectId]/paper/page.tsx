import type { Metadata } from 'next'
import Link from 'next/link'
import { openStation, type StationParams } from '@/app/_server/open-station'
import { squaresFor } from '@/core/batch'
import { meanRejectRate } from '@/core/batch'
import type { ProjectView } from '@/flows/read/project'
import type { LinePaperView, LineView } from '@/flows/read/project-lines'
import {
  countOf,
  formatCertainty,
  formatExact,
  formatMoney,
  formatPiece,
  formatShare,
  formatSheet,
  plural,
  type Preferences,
} from '@/ui/format'
import { Swatch } from '@/ui/paper/Swatch'
import { StationFrame } from '@/ui/project/StationFrame'

export const metadata: Metadata = { title: 'Paper' }

interface Demand {
  readonly line: LineView
  readonly row: LinePaperView
}

export default async function PaperPage(props: StationParams) {
  const { preferences, project } = await openStation(props)
  const { shortUnits, shortSheets } = project.facts
  return (
    <StationFrame project={project} open="paper" preferences={preferences}>
      <h2 className="text-2xl">
        {shortUnits === 0
          ? 'There is enough paper'
          : shortSheets === null
            ? `${countOf(shortUnits, 'piece')} have no sheet to come from`
            : `${plural(shortSheets, 'sheet')} short`}
      </h2>
      <ul className="mt-4 flex flex-col">
        {project.papers.map((paper) => (
          <PaperRow
            key={paper.id}
            paper={paper}
            demand={project.lines.flatMap((line) =>
              line.papers.filter((row) => row.paper.id === paper.id).map((row) => ({ line, row })),
            )}
            preferences={preferences}
          />
        ))}
      </ul>
      <Derivation project={project} preferences={preferences} />
    </StationFrame>
  )
}

interface PaperRowProps {
  readonly paper: ProjectView['papers'][number]
  readonly demand: readonly Demand[]
  readonly preferences: Preferences
}

function PaperRow({ paper, demand, preferences }: PaperRowProps) {
  const missingUnits = demand.reduce((sum, { row }) => sum + row.missingUnits, 0)
  const missing = demand.map(({ row }) => row.missingSheets)
  const missingSheets = missing.includes(null)
    ? null
    : missing.reduce<number>((sum, count) => sum + (count ?? 0), 0)
  const planned = demand.reduce(
    (sum, { row }) => sum + row.layouts.reduce((sheets, layout) => sheets + layout.sheets, 0),
    0,
  )
  const price = paper.sheets.find((sheet) => !sheet.offcut && sheet.priceMinor !== null)?.priceMinor ?? null
  return (
    <li className="grid gap-x-6 gap-y-2 border-t hairline py-4 last:border-b tablet:grid-cols-[13rem_1fr_1fr_9rem]">
      <p className="flex items-center gap-3 font-semibold">
        <Swatch front={paper.frontColour} back={paper.backColour} className="h-7 w-10" />
        <Link href={`/papers/${paper.id}`} className="hover:underline">
          {paper.name}
        </Link>
      </p>
      <ul>
        {demand.map(({ line, row }) => (
          <li key={line.id}>
            {demandText(line, row)}
            <span className="second"> of {formatPiece(line.sheetMm, line.highPerWide, preferences)}</span>
            {line.perSquare === 4 && row.unitsToCut > 0 ? (
              <span className="second">
                : four from each of {plural(squaresFor(row.unitsToCut, 4), 'square')} of{' '}
                {formatExact(2 * line.sheetMm, preferences)}
              </span>
            ) : null}
          </li>
        ))}
      </ul>
      <ul className="second">
        {paper.sheets.filter((sheet) => sheet.amount > 0).length === 0 ? <li>none in the drawer</li> : null}
        {paper.sheets
          .filter((sheet) => sheet.amount > 0)
          .map((sheet) => (
            <li key={sheet.stockItemId}>
              {sheet.amount} x {sheet.formatLabel ?? formatSheet(sheet.widthMm, sheet.heightMm, preferences)}
              {sheet.offcut ? ', offcut' : ''}
            </li>
          ))}
      </ul>
      <div className="tablet:text-right">
        {missingUnits === 0 ? (
          <>
            <p className="figure text-xl">{planned === 0 ? 'all cut' : plural(planned, 'sheet')}</p>
            <p className="second text-sm">enough</p>
          </>
        ) : (
          <>
            <p className="figure text-xl">
              {missingSheets === null ? countOf(missingUnits, 'piece') : `${missingSheets} short`}
            </p>
            <p className="second text-sm">
              {missingSheets === null
                ? 'no sheet size gives one'
                : price === null
                  ? plural(missingSheets, 'sheet')
                  : formatMoney(missingSheets * price, preferences)}
            </p>
            <Link
              href={`/papers/${paper.id}`}
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

function demandText(line: LineView, row: LinePaperView): string {
  const left = Math.max(0, row.goodUnits - row.usableUnits)
  if (left === 0) return `all ${countOf(row.goodUnits, line.partName)} folded`
  return `${left} good + ${row.spareUnits} spare = ${countOf(left + row.spareUnits, line.partName)}`
}

function Derivation({
  project,
  preferences,
}: {
  readonly project: ProjectView
  readonly preferences: Preferences
}) {
  return (
    <details className="mt-6">
      <summary className="cursor-pointer font-semibold">How the spares are got</summary>
      <div className="mt-2 flex max-w-prose flex-col gap-2">
        <p>
          The least number of spares with which every paper of a line has enough good pieces, all together, in{' '}
          {formatCertainty(project.certainty)}. Rejects follow a Beta-binomial law; the rate is learnt from
          your log, by family. With nothing logged it is one in twenty.
        </p>
        <ul className="list-disc pl-5">
          {project.lines.map((line) => (
            <li key={line.id}>
              {line.design.name}: about {formatShare(meanRejectRate(line.rate), preferences.locale)} rejects
              expected, from {countOf(Math.round(line.rate.alpha + line.rate.beta - 20), 'logged piece')} of
              this family.
            </li>
          ))}
        </ul>
      </div>
    </details>
  )
}
