import type { CutPlan } from '@/core/cut'
import type { StaleBecause } from '@/core/plan'
import type { DeedResult } from '@/flows/deed'
import type { ProjectView } from '@/flows/read/project'
import { formatMoment, plural, type Preferences } from '../format'
import { DeedButton } from '../forms/DeedButton'

const BECAUSE: Readonly<Record<StaleBecause, string>> = {
  'more wanted': 'More has to be cut than this plan gives: pieces were spoiled since.',
  'other wishes': 'The brief asks for something else by now.',
  'sheets gone': 'Sheets it counted with are no longer there for this project.',
  'other paper': 'What is said of a paper has changed.',
  'other tools': 'You cut with something else by now.',
  'sheets came': 'There are sheets now that it had to do without.',
}

/** What is proven, in what was to be least; within the cuts of the tools it was planned for. */
function provenWords({ proofs = [] }: CutPlan): string {
  const least = new Set(proofs.map((proof) => proof.least))
  if (least.has('money')) return 'Proven: no way of cutting costs less.'
  return least.has('area')
    ? 'Proven: no way of cutting takes less paper.'
    : 'Proven: no way of cutting takes fewer sheets.'
}

/** Of projects cut together it may be another one's pieces that no sheet is there for. */
const shortWords = ({ facts, together, cutPlan }: CutStandingProps['project']): string => {
  const short = together.filter((one) => one.facts.shortUnits > 0).map(({ name }) => name)
  return facts.shortUnits > 0 || short.length === 0
    ? cutPlan?.plan.status === 'short' && cutPlan.plan.sure
      ? 'Proven: these sheets give no more of what is wanted.'
      : 'There are not sheets enough for all. Whether these could give more is open.'
    : `Enough for all of these; paper is missing for ${short.join(' and ')}.`
}

interface CutStandingProps {
  readonly project: Pick<ProjectView, 'cutPlan' | 'standing' | 'facts' | 'together' | 'planning'>
  readonly preferences: Preferences
  readonly planAgain: (press: string) => Promise<DeedResult<unknown>>
}

/** How good the stored plan is, when it was made, and whether it still holds. */
export function CutStanding({ project, preferences, planAgain }: CutStandingProps) {
  const { cutPlan, standing, facts, planning } = project
  // The head of the page says so.
  if (planning !== 'settled') return null
  if (standing.status === 'none')
    return (
      <div className="note flex flex-wrap items-center justify-between gap-3">
        <p>The cuts are not planned yet.</p>
        <DeedButton act={planAgain} className="btn btn-primary">
          Plan the cuts
        </DeedButton>
      </div>
    )
  if (standing.status === 'stale')
    return (
      <div className="note flex flex-wrap items-center justify-between gap-3" role="status">
        <p>
          <strong>This plan is out of date.</strong> {BECAUSE[standing.because]}
        </p>
        <DeedButton act={planAgain} className="btn btn-primary">
          Plan the cuts again
        </DeedButton>
      </div>
    )
  if (cutPlan === null || facts.sheetsToCut + facts.offcutsToCut === 0) return null
  return (
    <p className="second">
      {cutPlan.plan.status === 'proven'
        ? provenWords(cutPlan.plan)
        : cutPlan.plan.status === 'within'
          ? `At most ${plural(cutPlan.plan.sheets, 'sheet')} more than the fewest possible.`
          : shortWords(project)}{' '}
      Planned {formatMoment(cutPlan.madeAtMs, preferences)}.
    </p>
  )
}
