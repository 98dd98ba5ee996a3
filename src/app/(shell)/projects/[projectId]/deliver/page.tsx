import type { Metadata } from 'next'
import { Link } from '@/ui/shell/Link'
import { openStation, type StationParams } from '@/app/_server/open-station'
import { allDelivered } from '@/core/plan'
import type { ProjectView } from '@/flows/read/project'
import { countOf, formatMoment, nounMany, plural, type Preferences } from '@/ui/format'
import { DeedButton } from '@/ui/forms/DeedButton'
import { HandOver, type HandOverLine } from '@/ui/project/HandOver'
import { StationFrame } from '@/ui/project/StationFrame'
import { handOverAction, undoHandOverAction, planAgainAction } from '../../actions'

export const metadata: Metadata = { title: 'Deliver' }

export default async function DeliverPage(props: StationParams) {
  const { preferences, project } = await openStation(props)
  const { facts, owed } = project
  const inZone = { ...preferences, zone: project.zone }
  const lines = owed.map(({ line, pieces, handedOver, ready, most }): HandOverLine => ({
    lineId: line.id,
    name: nounMany(line.design.name.toLowerCase()),
    pieces,
    handedOver,
    ready,
    most,
  }))
  return (
    <StationFrame
      project={project}
      open="deliver"
      preferences={preferences}
      planAgain={planAgainAction.bind(null, project.id)}
    >
      {allDelivered(facts) ? (
        <>
          <h2 className="text-2xl">Everything is delivered</h2>
          <div className="mt-4">
            <Link href={`/projects/${project.id}/log`} className="btn btn-primary">
              Read what it took
            </Link>
          </div>
        </>
      ) : (
        <>
          <h2 className="text-2xl">
            {facts.handedOver} of {plural(facts.ordered, 'piece')} delivered
          </h2>
          <p className="second mt-1">
            {facts.ready === 0
              ? 'Nothing more is ready yet.'
              : `${plural(facts.ready, 'piece')} ready to go.`}
          </p>
          {lines.some(({ most }) => most > 0) ? (
            <div className="mt-5">
              {/* Begun anew after each hand-over: what is ready has changed. */}
              <HandOver
                key={project.deliveries.length}
                lines={lines}
                handOver={handOverAction.bind(null, project.id)}
              />
            </div>
          ) : null}
        </>
      )}
      <Deliveries project={project} preferences={inZone} />
    </StationFrame>
  )
}

function Deliveries({
  project,
  preferences,
}: {
  readonly project: ProjectView
  readonly preferences: Preferences
}) {
  if (project.deliveries.length === 0) return null
  return (
    <section aria-labelledby="handed-over" className="mt-8">
      <h3 id="handed-over" className="text-xl">
        Handed over
      </h3>
      <ul className="mt-2">
        {project.deliveries.toReversed().map(({ id, atMs, note, lines }) => {
          const what = lines
            .map(({ lineId, pieces }) => {
              const line = project.lines.find((one) => one.id === lineId)
              return countOf(pieces, line?.design.name.toLowerCase() ?? 'piece')
            })
            .join(', ')
          return (
            <li
              key={id}
              className="flex flex-wrap items-center justify-between gap-3 border-t hairline py-2 last:border-b"
            >
              <span>
                {formatMoment(atMs, preferences)}: {what}
                {note === '' ? '' : `, ${note}`}
              </span>
              <DeedButton
                act={undoHandOverAction.bind(null, project.id, id)}
                className="btn btn-ghost btn-sm"
                label={`Undo the hand-over of ${what}`}
              >
                Undo
              </DeedButton>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
