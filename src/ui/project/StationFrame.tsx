import { Link } from '../shell/Link'
import type { ReactNode } from 'react'
import type { StationKey } from '@/core/plan'
import type { ProjectView } from '@/flows/read/project'
import { daysUntil, formatCertainty, formatDay, formatDaysLeft, type Preferences } from '../format'
import type { DeedResult } from '@/flows/deed'
import { BeingPlanned } from './BeingPlanned'
import { Spine } from './Spine'
import { deedHref, deedWords } from './deed-words'

interface StationFrameProps {
  readonly project: ProjectView
  readonly open: StationKey
  readonly preferences: Preferences
  /** Plans the project's cuts anew, where that was given up. */
  readonly planAgain: (press: string) => Promise<DeedResult<unknown>>
  readonly children: ReactNode
}

/** A project's page: its name and date, the spine, and the open station grown into the page below. */
export function StationFrame({ project, open, preferences, planAgain, children }: StationFrameProps) {
  const { dueOn, zone, next } = project
  const days = dueOn === null ? null : daysUntil(dueOn, { ...preferences, zone })
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-4">
        <div>
          <h1 className="text-4xl">{project.name}</h1>
          <p className="second mt-1">
            {dueOn === null || days === null
              ? 'No date set.'
              : `${formatDay(dueOn, preferences)}, ${formatDaysLeft(days)}.`}{' '}
            Spares to be {formatCertainty(project.certainty)} sure.{project.archived ? ' Archived.' : ''}
          </p>
        </div>
        <div className="flex gap-3">
          <Link href={`/projects/${project.id}/log`} className="btn btn-ghost">
            Log
          </Link>
          {next.station === open || next.deed === 'nothing left' ? null : (
            <Link href={deedHref(project.id, next.station)} className="btn btn-primary">
              Next: {deedWords(next.deed).toLowerCase()}
            </Link>
          )}
        </div>
      </div>
      <Spine project={project} open={open} />
      <div className="station p-5 tablet:p-8">
        <BeingPlanned state={project.planning} planAgain={planAgain} />
        {children}
      </div>
    </>
  )
}
