import type { Metadata } from 'next'
import { openStation, type StationParams } from '@/app/_server/open-station'
import { variantOf } from '@/core/design'
import type { JoinView } from '@/flows/read/project'
import { countOf } from '@/ui/format'
import { JoinButtons } from '@/ui/project/JoinButtons'
import { StationFrame } from '@/ui/project/StationFrame'
import { recordJoinAction } from '../../actions'

export const metadata: Metadata = { title: 'Join' }

export default async function JoinPage(props: StationParams) {
  const { preferences, project } = await openStation(props)
  return (
    <StationFrame project={project} open="join" preferences={preferences}>
      {project.joins.length === 0 ? (
        <>
          <h2 className="text-2xl">Nothing to join</h2>
          <p className="second mt-1">Nothing is glued to anything, and no piece is made of several units.</p>
        </>
      ) : (
        <ul className="flex flex-col gap-8">
          {project.joins.map((join) => (
            <JoinLine key={join.line.id} join={join} projectId={project.id} />
          ))}
        </ul>
      )}
    </StationFrame>
  )
}

function JoinLine({ join, projectId }: { readonly join: JoinView; readonly projectId: string }) {
  const { line } = join
  const name = line.design.name.toLowerCase()
  const parts = join.parts
    .map((part) => countOf(part.perPiece ?? 1, part.parts[0]?.name ?? 'piece'))
    .join(' and ')
  const what = [
    ...(line.unitsPerPiece > 1
      ? [`${countOf(line.unitsPerPiece, line.parts[0]?.name ?? 'unit')} to each ${name}`]
      : []),
    ...(parts === '' ? [] : [`${parts} glued to each ${name}`]),
  ].join('; ')
  const glued = parts !== '' || line.design.guide?.adhesive != null
  const says = variantOf(line.design, line.variantKey).assembly?.says
  return (
    <li>
      <p className="figure text-5xl">
        {join.joined} <span className="second text-2xl">of {join.pieces}</span>
      </p>
      <h2 className="mt-2 text-2xl">{what}</h2>
      <p className="second mb-4">
        {join.joined >= join.pieces
          ? 'All joined.'
          : `${join.joinable - join.joined} more can be joined with what is folded.${glued ? ' Let the glue dry before the next layer; keep it off the string.' : ''}`}
      </p>
      {says ? (
        <dl className="mb-4 grid gap-x-6 gap-y-1 tablet:grid-cols-[8rem_1fr]">
          <dt className="second">First join</dt>
          <dd>{says.first}</dd>
          <dt className="second">Every join</dt>
          <dd>{says.each}</dd>
          <dt className="second">Last join</dt>
          <dd className="font-semibold">{says.last}</dd>
        </dl>
      ) : null}
      <JoinButtons what={what} join={joinOne.bind(null, projectId, join.line.id)} />
    </li>
  )
}

async function joinOne(projectId: string, lineId: string, delta: 1 | -1, press: string) {
  'use server'
  return recordJoinAction(projectId, { id: press, lineId, delta }, press)
}
