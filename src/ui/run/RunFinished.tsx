import { Link } from '../shell/Link'
import type { RunView } from '@/flows/read/run'
import { countOf, formatDuration, formatPace } from '../format'
import type { RunAtTable } from './useRun'

/** All wanted pieces are folded and looked over. */
export function RunFinished({ run, table }: { readonly run: RunView; readonly table: RunAtTable }) {
  const { usable, spoiled, activeMs } = table.state
  const activeS = activeMs / 1000
  return (
    <div className="flex grow flex-col justify-center gap-5 px-8 py-10 tablet:px-14">
      <h2 className="text-[4.5rem] leading-none">{countOf(usable, run.partName)} folded</h2>
      <p className="text-3xl">
        {activeS > 0 && usable > 0
          ? `${formatDuration(activeS)} with hands on paper, ${formatPace(activeS / usable)} each`
          : 'Times were not measured'}
        {spoiled > 0 ? `, ${spoiled} spoiled` : ''}.
      </p>
      <p className="flex flex-wrap gap-3">
        <Link href={`/logbook/${run.id}`} className="btn btn-primary btn-lg">
          Read the log
        </Link>
        {run.projectId === null ? null : (
          <Link href={`/projects/${run.projectId}/fold`} className="btn btn-outline btn-lg">
            Back to the project
          </Link>
        )}
        {spoiled > 0 && run.paper !== null ? (
          <Link href={`/logbook/${run.id}#rests`} className="btn btn-outline btn-lg">
            Keep what is left whole of spoiled sheets
          </Link>
        ) : null}
      </p>
    </div>
  )
}
