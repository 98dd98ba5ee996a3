import type { Metadata } from 'next'
import { Link } from '@/ui/shell/Link'
import { openStation, type StationParams } from '@/app/_server/open-station'
import { meanRejectRate, NO_HISTORY } from '@/core/batch'
import type { LineView } from '@/flows/read/line-view'
import type { ProjectView } from '@/flows/read/project'
import { needsOfSupplies, readSupplies, wantedOf } from '@/flows/read/supplies'
import { countOf, formatCertainty, formatShare, plural, type Preferences } from '@/ui/format'
import { AlsoToGet } from '@/ui/paper/AlsoToGet'
import { CutStanding } from '@/ui/cut/CutStanding'
import { StationFrame } from '@/ui/project/StationFrame'
import { planAgainAction } from '../../actions'
import { PaperRow } from './paper-row'

export const metadata: Metadata = { title: 'Paper' }

export default async function PaperPage(props: StationParams) {
  const { context, preferences, project } = await openStation(props)
  const needs = needsOfSupplies(wantedOf(project.lines), await readSupplies(context))
  const { shortUnits, shortSheets } = project.facts
  return (
    <StationFrame
      project={project}
      open="paper"
      preferences={preferences}
      planAgain={planAgainAction.bind(null, project.id)}
    >
      <h2 className="text-2xl">
        {shortUnits === 0
          ? 'There is enough paper'
          : shortSheets === null
            ? `${countOf(shortUnits, 'piece')} have no sheet to come from`
            : `${plural(shortSheets, 'sheet')} short`}
      </h2>
      <div className="mt-2">
        <CutStanding
          project={project}
          preferences={preferences}
          planAgain={planAgainAction.bind(null, project.id)}
        />
      </div>
      {shortUnits === 0 ? null : (
        <p className="mt-2">
          <Link href="/papers/shopping" className="underline">
            Shopping list
          </Link>
          : packs at least cost for all projects together, and by when to order them.
        </p>
      )}
      <p
        aria-hidden
        className="second mt-4 hidden gap-x-6 text-sm tablet:grid tablet:grid-cols-[13rem_1fr_1fr_11rem]"
      >
        <span>Paper</span>
        <span>Wanted</span>
        <span>There</span>
        <span className="text-right">Takes, or is short of</span>
      </p>
      <ul className="mt-1 flex flex-col">
        {project.papers.map((paper) => (
          <PaperRow
            key={paper.id}
            project={project}
            paper={paper}
            demand={project.lines.flatMap((line) =>
              line.papers.filter((row) => row.paper.id === paper.id).map((row) => ({ line, row })),
            )}
            plain={project.plain.filter(({ paperId }) => paperId === paper.id)}
            preferences={preferences}
          />
        ))}
      </ul>
      <AlsoToGet project={project} needs={needs} preferences={preferences} />
      <Derivation project={project} preferences={preferences} />
    </StationFrame>
  )
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
      <summary className="cursor-pointer font-semibold">Why these spares</summary>
      <div className="mt-2 flex max-w-prose flex-col gap-2">
        <p>
          As few spares as will do: with them you can be {formatCertainty(project.certainty)} sure that every
          paper of a line ends with enough good pieces. How many are spoiled is learnt from your log, family
          by family; before you have folded any, it is taken to be one in twenty.
        </p>
        <ul className="list-disc pl-5">
          {project.lines.map((line) => (
            <li key={line.id}>
              {line.design.name}: about {formatShare(meanRejectRate(line.rate), preferences.locale)} rejects
              expected, from {countOf(loggedPieces(line), 'logged piece')} of this family.
            </li>
          ))}
        </ul>
      </div>
    </details>
  )
}

/** Pieces of the family that were logged: what the rate holds beyond what it starts with. */
const loggedPieces = ({ rate }: LineView): number =>
  Math.round(rate.alpha + rate.beta - NO_HISTORY.alpha - NO_HISTORY.beta)
