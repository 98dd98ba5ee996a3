import type { Metadata } from 'next'
import { openStation, type StationParams } from '@/app/_server/open-station'
import { readBriefDesign, readDesignChoices, readPinnedDesigns } from '@/flows/read/brief-designs'
import { readNewer } from '@/flows/read/newer'
import { readDrawer } from '@/flows/read/papers'
import type { ProjectView } from '@/flows/read/project'
import { BriefForm } from '@/ui/brief/BriefForm'
import { briefMark } from '@/flows/brief-mark'
import { briefValues } from '@/ui/brief/form-values'
import { NewerDesigns } from '@/ui/brief/NewerDesigns'
import { DeedButton } from '@/ui/forms/DeedButton'
import { StationFrame } from '@/ui/project/StationFrame'
import { leadOf } from '@/flows/read/recurring'
import { formatDay } from '@/ui/format'
import type { BegunLine } from '@/ui/brief/spoiled-words'
import { leadWords } from '@/ui/project/lead-words'
import {
  archiveProjectAction,
  loadDesignAction,
  passOverAction,
  saveBriefAction,
  takeNewerDesignAction,
  planAgainAction,
} from '../../actions'

/** Good units there are of a line, up to those that are wanted. */
const goodUnits = (papers: ProjectView['lines'][number]['papers']): number =>
  papers.reduce((sum, { usableUnits, goodUnits: wanted }) => sum + Math.min(usableUnits, wanted), 0)

/** What is cut and folded of a line already. */
const begunOf = ({
  design,
  variantKey,
  sheetMm,
  parts,
  papers,
}: ProjectView['lines'][number]): BegunLine => ({
  designId: design.id,
  variantKey,
  sheetMm,
  unitsPerPiece: parts[0]?.unitsPerPiece ?? 1,
  papers: papers.map(({ paper, usableUnits, waitingUnits }) => ({
    paperId: paper.id,
    name: paper.name,
    folded: usableUnits,
    waiting: waitingUnits,
  })),
})

export const metadata: Metadata = { title: 'Brief' }

export default async function BriefPage(props: StationParams) {
  const { context, settings, preferences, project } = await openStation(props)
  const { choices, first } = await readDesignChoices(context)
  const pinned = await readPinnedDesigns(context, project.lines)
  const begin = pinned.length > 0 || first === null ? null : await readBriefDesign(context, first)
  const papers = await readDrawer(context)
  const seen = (await briefMark(context, project.id)) ?? ''
  return (
    <StationFrame
      project={project}
      open="brief"
      preferences={preferences}
      planAgain={planAgainAction.bind(null, project.id)}
    >
      <NewerDesigns
        newer={await readNewer(context, project.id)}
        preferences={preferences}
        take={(lineId) => takeNewerDesignAction.bind(null, project.id, lineId)}
      />
      <BriefForm
        initial={briefValues(project, seen, preferences)}
        choices={choices}
        designs={begin === null ? pinned : [begin]}
        loadDesign={loadDesignAction}
        papers={papers}
        preferences={{ ...preferences, zone: project.zone }}
        time={{
          eveningSeconds: 60 * Number(settings.evening),
          foldedUnits: Object.fromEntries(project.lines.map(({ id, papers }) => [id, goodUnits(papers)])),
        }}
        tools={settings.cutting}
        begun={Object.fromEntries(project.lines.map((line) => [line.id, begunOf(line)]))}
        lead={leadWords(
          leadOf(project, {
            eveningSeconds: 60 * Number(settings.evening),
            shoppingDays: project.shoppingDays,
          }),
        )}
        save={saveBriefAction.bind(null, project.id)}
        deed="Save the brief"
      />
      {project.passedOver === null ? null : (
        <div className="note mt-6 flex flex-wrap items-center gap-4">
          Passed over on {formatDay(project.passedOver, preferences)}.
          <DeedButton act={passOverAction.bind(null, project.id, null)} className="btn btn-outline btn-sm">
            Do not pass it over
          </DeedButton>
        </div>
      )}
      <div className="mt-8 border-t hairline pt-5">
        <DeedButton
          act={archiveProjectAction.bind(null, project.id, !project.archived)}
          className="btn btn-ghost"
        >
          {project.archived ? 'Take this project out of the archive' : 'Archive this project'}
        </DeedButton>
        <p className="second text-sm">Nothing is deleted; its log stays.</p>
      </div>
    </StationFrame>
  )
}
