import type { Metadata } from 'next'
import { openStation, type StationParams } from '@/app/_server/open-station'
import { variantOf } from '@/core/design'
import type { JoinView } from '@/flows/read/project'
import { flowContext } from '@/flows/context'
import { currentSettings } from '@/flows/settings'
import { readEnd, type FoldedEndView } from '@/flows/read/folds'
import { JoiningFigures } from '@/ui/design/JoiningFigures'
import { ANY_PAPER, facesOf } from '@/ui/diagram/faces'
import { countOf, formatLength, type Preferences } from '@/ui/format'
import { JoinButtons } from '@/ui/project/JoinButtons'
import { StationFrame } from '@/ui/project/StationFrame'
import { recordJoinAction, planAgainAction } from '../../actions'

export const metadata: Metadata = { title: 'Join' }

export default async function JoinPage(props: StationParams) {
  const { preferences, project } = await openStation(props)
  const { hand } = await currentSettings(await flowContext())
  return (
    <StationFrame
      project={project}
      open="join"
      preferences={preferences}
      planAgain={planAgainAction.bind(null, project.id)}
    >
      {project.joins.length === 0 ? (
        <>
          <h2 className="text-2xl">Nothing to join</h2>
          <p className="second mt-1">Nothing is glued to anything, and no piece is made of several units.</p>
        </>
      ) : (
        <ul className="flex flex-col gap-8">
          {await Promise.all(
            project.joins.map(async (join) => (
              <JoinLine
                key={join.line.id}
                join={join}
                end={await endOf(join)}
                projectId={project.id}
                hand={hand}
                preferences={preferences}
              />
            )),
          )}
        </ul>
      )}
    </StationFrame>
  )
}

/** How a line's piece is made of its units, as it was sized; `null` where it is of one. */
async function endOf({ line }: JoinView): Promise<FoldedEndView | null> {
  const { designHash, variantKey, sheetMm, gauges } = line
  return variantOf(line.design, variantKey).assembly
    ? readEnd(await flowContext(), designHash, { variantKey, sheetMm, gauges })
    : null
}

function JoinLine({
  join,
  end,
  projectId,
  hand,
  preferences,
}: {
  readonly join: JoinView
  readonly hand: 'right' | 'left'
  readonly end: FoldedEndView | null
  readonly projectId: string
  readonly preferences: Preferences
}) {
  const { line } = join
  const [paper] = line.papers
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
      {end?.joining ? (
        <JoiningFigures
          joining={end.joining}
          says={says}
          faces={facesOf(paper?.paper ?? ANY_PAPER, end.sideUp)}
          leftHanded={hand === 'left'}
          length={(share) => formatLength(share * line.sheetMm, preferences)}
        />
      ) : null}
      <JoinButtons what={what} join={joinOne.bind(null, projectId, join.line.id)} />
    </li>
  )
}

async function joinOne(projectId: string, lineId: string, delta: 1 | -1, press: string) {
  'use server'
  return recordJoinAction(projectId, { id: press, lineId, delta }, press)
}
