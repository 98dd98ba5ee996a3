import { Link } from '../shell/Link'
import type { ProjectView } from '@/flows/read/project'
import type { Station, StationKey, StationState } from '@/core/plan'
import { countOf, sheetsText } from '../format'
import { unitNoun } from './unit-noun'

const NAMES: Readonly<Record<StationKey, string>> = {
  brief: 'Brief',
  colour: 'Colour',
  paper: 'Paper',
  cut: 'Cut',
  fold: 'Fold',
  join: 'Join',
  deliver: 'Deliver',
}

const DOT: Readonly<Record<StationState, string>> = {
  done: 'bg-accent border-accent',
  wanting: 'border-warning border-[3px]',
  planned: 'border-accent border-[3px]',
  'not yet': 'border-[var(--ink-second)]',
}

/** The big number of a station, in words. */
/** All sheets are the piece already: there is nothing to cut. */
const allReady = ({ facts }: ProjectView): boolean =>
  facts.readySheets > 0 &&
  facts.readySheets === facts.sheetsToCut + facts.offcutsToCut &&
  facts.sheetsCut + facts.offcutsCut === 0

function figureText({ key, state, figure: { count, of } }: Station, project: ProjectView): string {
  switch (key) {
    case 'brief':
      return countOf(count, unitNoun(project))
    case 'colour':
      return countOf(count, 'paper')
    case 'paper':
      return project.facts.shortUnits > 0
        ? `${count} short`
        : state === 'done'
          ? 'Enough'
          : project.facts.lines === 0
            ? 'None yet'
            : 'To plan'
    case 'cut':
      return of === 0 ? (allReady(project) ? 'None' : 'None yet') : `${count} of ${of}`
    case 'fold':
    case 'join':
      return of === 0 ? 'None' : `${count} of ${of}`
    case 'deliver':
      return of === 0 ? 'None' : `${count} of ${of}`
  }
}

function lineText({ key, state }: Station, project: ProjectView): string {
  const { facts, lines } = project
  switch (key) {
    case 'brief':
      return countOf(lines.length, 'line')
    case 'colour':
      return facts.ordersWanted === 0
        ? 'nothing to put in order'
        : facts.ordersChosen === facts.ordersWanted
          ? 'order chosen'
          : 'order planned'
    case 'paper':
      return facts.shortUnits > 0
        ? facts.shortSheets === null
          ? 'pieces with no sheet'
          : 'sheets to get'
        : sheetsText(facts.sheetsToCut + facts.sheetsCut, facts.offcutsToCut + facts.offcutsCut)
    case 'cut':
      if (allReady(project)) return 'the right size already'
      return facts.proofsToJudge > 0
        ? 'proof piece to judge'
        : facts.offcutsToCut + facts.offcutsCut > 0
          ? 'sheets and offcuts cut'
          : 'sheets cut'
    case 'fold':
      return facts.openRuns > 0 ? 'a tray is waiting' : `${unitNoun(project)}s folded`
    case 'join':
      return facts.joinsWanted === 0 ? 'nothing to join' : 'pieces joined'
    case 'deliver':
      return state === 'done' ? 'all delivered' : facts.ready > 0 ? `${facts.ready} ready to go` : 'delivered'
  }
}

/** The project's spine: seven panels of a pleated strip, in working order. */
export function Spine({ project, open }: { readonly project: ProjectView; readonly open: StationKey }) {
  return (
    <nav aria-label="Stations" className="pleats isolate mt-6">
      {project.stations.map((station) => (
        <Link
          key={station.key}
          href={`/projects/${project.id}/${station.key}`}
          className="pleat"
          aria-current={station.key === open ? 'page' : undefined}
        >
          <span className="flex items-center justify-between font-semibold">
            {NAMES[station.key]}
            <span className={`size-3 shrink-0 rounded-full border-2 ${DOT[station.state]}`} aria-hidden />
            <span className="sr-only">{station.state}</span>
          </span>
          <span className="figure mt-2 block text-[1.6rem] leading-tight">
            {figureText(station, project)}
          </span>
          <span className="second mt-1 block text-sm">{lineText(station, project)}</span>
        </Link>
      ))}
    </nav>
  )
}
