import type { Metadata } from 'next'
import Link from 'next/link'
import { openStation, type StationParams } from '@/app/_server/open-station'
import { countOf, formatMoment } from '@/ui/format'
import { DeedButton } from '@/ui/forms/DeedButton'
import { HandOver } from '@/ui/project/HandOver'
import { StationFrame } from '@/ui/project/StationFrame'
import { handOverAction, undoHandOverAction } from '../../actions'
import { unitNoun } from '@/ui/project/unit-noun'

export const metadata: Metadata = { title: 'Deliver' }

export default async function DeliverPage(props: StationParams) {
  const { preferences, project } = await openStation(props)
  const { delivery, facts } = project
  const inZone = { ...preferences, zone: project.zone }
  return (
    <StationFrame project={project} open="deliver" preferences={preferences}>
      {delivery ? (
        <>
          <h2 className="text-2xl">Handed over {formatMoment(delivery.handed_over_at_ms, inZone)}</h2>
          <p className="mt-1">
            {countOf(delivery.pieces, 'piece')}
            {delivery.note === '' ? '.' : `: ${delivery.note}`}
          </p>
          <div className="mt-5 flex gap-3">
            <Link href={`/projects/${project.id}/log`} className="btn btn-primary">
              Read what it took
            </Link>
            <DeedButton act={undoHandOverAction.bind(null, project.id)} className="btn btn-ghost">
              Not handed over after all
            </DeedButton>
          </div>
        </>
      ) : (
        <>
          <h2 className="text-2xl">
            {facts.foldedUnits} of {countOf(facts.units, unitNoun(project))} folded
            {facts.joinsWanted > 0 ? `, ${facts.joined} of ${facts.joinsWanted} joined` : ''}
          </h2>
          {facts.foldedUnits < facts.units || facts.joined < facts.joinsWanted ? (
            <p className="note mt-3 max-w-xl">
              Not all is ready. What is there can be handed over all the same.
            </p>
          ) : null}
          <div className="mt-5">
            <HandOver handOver={handOverAction.bind(null, project.id)} />
          </div>
        </>
      )}
      <p className="second mt-8 text-sm">Packing lists, labels and message cards will stand here too.</p>
    </StationFrame>
  )
}
