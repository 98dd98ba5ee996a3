import { Fragment } from 'react'
import type { Metadata } from 'next'
import { openStation, type StationParams } from '@/app/_server/open-station'
import type { CutTools } from '@/core/cut'
import { withoutWords } from '@/core/design'
import { sweepPapers } from '@/flows/read/sweep-papers'
import { edgesShown } from '@/flows/read/edges-shown'
import { readPaperNames } from '@/flows/read/papers'
import { readProofs, standInOf } from '@/flows/read/proofs'
import type { ProjectView } from '@/flows/read/project'
import { type Preferences } from '@/ui/format'
import { BetterPlan } from '@/ui/cut/BetterPlan'
import { ComparePlans } from '@/ui/cut/ComparePlans'
import { CuttingTools } from '@/ui/cut/CuttingTools'
import { CutStanding } from '@/ui/cut/CutStanding'
import { SizeSweep } from '@/ui/cut/SizeSweep'
import { DeedButton } from '@/ui/forms/DeedButton'
import { Link } from '@/ui/shell/Link'
import { pagedBy, type Paged } from '@/ui/shell/paged'
import { Pages } from '@/ui/shell/Pages'
import { StationFrame } from '@/ui/project/StationFrame'
import { WhyNotFewer } from '@/ui/cut/WhyNotFewer'
import { cutApartAction, planAgainAction, saveCuttingAction, takeFoundPlanAction } from '../../actions'
import { CutsDone } from './cuts-done'
import { Layouts } from './layouts'
import { PlainPieces, type PlainQuery } from './plain-pieces'
import { LineProof, lineTitle, proofOpen } from './proofs'

/** Lines whose proof piece, and whose other sizes, one page shows. */
const [PROOFS_A_PAGE, SIZES_A_PAGE] = [6, 6]

export const metadata: Metadata = { title: 'Cut' }

interface ProjectProps {
  readonly project: ProjectView
  readonly preferences: Preferences
}

export default async function CutPage(props: StationParams & { readonly searchParams: Promise<PlainQuery> }) {
  const { context, preferences, project, settings } = await openStation(props)
  const query = await props.searchParams
  const proofs = pagedBy(
    project.lines.filter((line) => proofOpen(line, project) || line.proof.status !== 'none'),
    query['proofs'],
    PROOFS_A_PAGE,
  )
  const open = proofs.shown.filter((line) => line.proof.status === 'none')
  const choices = await readProofs(
    context,
    project.id,
    open.map(({ id }) => id),
  )
  return (
    <StationFrame
      project={project}
      open="cut"
      preferences={preferences}
      planAgain={planAgainAction.bind(null, project.id)}
    >
      <div className="flex flex-col gap-10">
        <Planning
          project={project}
          preferences={preferences}
          tools={settings.cutting}
          tears={settings.tears}
        />
        {settings.tears ? <Torn shown={await edgesShown(context, project.lines)} /> : null}
        {await Promise.all(
          proofs.shown.map(async (line) => (
            <LineProof
              key={line.id}
              project={project}
              line={line}
              preferences={preferences}
              choice={choices.get(line.id) ?? null}
              standIn={await standInOf(context, line)}
            />
          )),
        )}
        <OfMany of="proof pieces" name="proofs" list={proofs} projectId={project.id} />
        <Layouts project={project} preferences={preferences} asked={query['layouts']} />
        <PlainPieces
          project={project}
          papers={await readPaperNames(context)}
          query={query}
          preferences={preferences}
        />
        <OtherSizes
          project={project}
          preferences={preferences}
          tools={settings.cutting}
          asked={query['sizes']}
        />
        <CutsDone project={project} preferences={preferences} asked={query['done']} />
      </div>
    </StationFrame>
  )
}

/** How good the plan is, whether a better one is looked for, and what is cut with. */
function Planning({
  project,
  preferences,
  tools,
  tears,
}: ProjectProps & { readonly tools: CutTools; readonly tears: boolean }) {
  const { cutPlan, standing } = project
  const open = standing.status === 'current' && cutPlan?.plan.status !== 'short' ? cutPlan?.open : null
  return (
    <div className="flex flex-col gap-3">
      <CutStanding
        project={project}
        preferences={preferences}
        planAgain={planAgainAction.bind(null, project.id)}
      />
      <CutTogether project={project} />
      {cutPlan && cutPlan.layouts.some(({ ready }) => !ready) ? (
        <p>
          <a href={`/api/cut-cards/${project.id}`} className="underline">
            Cut cards to print (PDF)
          </a>
        </p>
      ) : null}
      {cutPlan && open && cutPlan.layouts.length > 0 ? (
        <WhyNotFewer project={project} preferences={preferences} />
      ) : null}
      {cutPlan && open && cutPlan.layouts.length > 0 ? (
        <BetterPlan
          planId={cutPlan.id}
          problem={open}
          atOnce={cutPlan.plan.status === 'within'}
          take={takeFoundPlanAction.bind(null, project.id)}
        />
      ) : null}
      {cutPlan && open && cutPlan.layouts.length > 0 ? (
        <ComparePlans problem={open} plan={cutPlan.plan} />
      ) : null}
      <CuttingTools
        tools={tools}
        tears={tears}
        unit={preferences.unit}
        save={saveCuttingAction.bind(null, project.id)}
      />
    </div>
  )
}

/** Which projects it is cut together with, and where that is chosen. */
function CutTogether({ project }: { readonly project: ProjectView }) {
  const { id, together, facts } = project
  const page = `/projects/${id}/cut/together`
  if (together.length === 0)
    return facts.sheetsToCut + facts.offcutsToCut === 0 ? null : (
      <p>
        <Link href={page} className="underline">
          Cut together with another project
        </Link>
      </p>
    )
  return (
    <p className="note">
      Cut together with{' '}
      {together.map((other, index) => (
        <Fragment key={other.id}>
          {index === 0 ? '' : index === together.length - 1 ? ' and ' : ', '}
          <Link href={`/projects/${other.id}/cut`} className="underline">
            {other.name}
          </Link>
        </Fragment>
      ))}
      : a sheet may hold pieces of each.{' '}
      <DeedButton act={cutApartAction.bind(null, id)} className="btn btn-ghost btn-sm">
        Cut apart again
      </DeedButton>
    </p>
  )
}

/** What to mind where sheets are torn, and on which pieces the tear would show. */
const Torn = ({ shown }: { readonly shown: readonly string[] }) => (
  <p className="note">
    Crease at each mark with a nail, forth and back, then tear along it over the edge of a table.{' '}
    {shown.length === 0
      ? 'No edge of the sheet is in sight on what you fold: a tear does not show.'
      : `The edge of the sheet is in sight on: ${shown.join(', ')}. Cut these, if a rough edge would be seen.`}
  </p>
)

/** The way through a list that is longer than this page shows of it. */
function OfMany({
  of,
  name,
  list: { page, pages },
  projectId,
}: {
  readonly of: string
  readonly name: string
  readonly list: Pick<Paged<unknown>, 'page' | 'pages'>
  readonly projectId: string
}) {
  return pages > 1 ? (
    <Pages href={`/projects/${projectId}/cut`} name={name} of={of} page={page} pages={pages} />
  ) : null
}

/** Whether another size would save sheets, line by line. */
function OtherSizes({
  project,
  preferences,
  tools,
  asked,
}: ProjectProps & { readonly tools: CutTools; readonly asked: string | string[] | undefined }) {
  const wanted = project.lines.filter(({ papers }) => papers.some((row) => row.unitsToCut > 0))
  if (wanted.length === 0) return null
  const list = pagedBy(wanted, asked, SIZES_A_PAGE)
  const lines = list.shown
  return (
    <section aria-labelledby="other-sizes">
      <h2 id="other-sizes" className="text-2xl">
        Would another size save sheets?
      </h2>
      <ul className="mt-2 flex flex-col gap-3">
        {lines.map((line) => (
          <li key={line.id} className="border-t hairline pt-3">
            <SizeSweep
              papers={sweepPapers(project, line)}
              sideMm={line.sheetMm}
              tools={tools}
              finished={{
                design: withoutWords(line.design),
                variantKey: line.variantKey,
                gauges: line.gauges,
                axis: line.axis,
                askedMm: line.sizing === 'finished' ? line.askedMm : null,
              }}
              preferences={preferences}
              part={line.parts[0]?.name ?? 'piece'}
              what={lineTitle(line, preferences)}
            />
          </li>
        ))}
      </ul>
      <OfMany of="sizes" name="sizes" list={list} projectId={project.id} />
    </section>
  )
}
