import { leadTime, type LeadTime } from '@/core/plan'
import { yearlyWithoutNext } from '@/data/repositories/projects'
import { daysOn, nextYearly } from '@/schema/days'
import type { FlowContext } from '../flow-context'
import { currentSettings } from '../settings'
import { readProject, type ProjectView } from './project'

/** Those whose day comes first are looked at: a household has a handful. */
const MOST_LOOKED_AT = 6
/** Nobody folds longer than this for one occasion: what lies further off besides its shopping is not looked at yet. */
const LONGEST_FOLDING_DAYS = 120

/** An occasion of an earlier year that comes again, and how early to begin. */
export interface RecurringView {
  readonly id: string
  readonly name: string
  readonly dueOn: string
  readonly beginOn: string
  readonly lead: LeadTime
  /** What folding it took, or would take. */
  readonly foldingSeconds: number
  readonly logged: boolean
}

/** Folding that a project took, brought up to all its units; as the pace has it where nothing was logged. */
function foldingOf({ lines, runs, facts }: ProjectView): {
  readonly seconds: number
  readonly logged: boolean
} {
  const loggedSeconds = runs.reduce((sum, { activeMs }) => sum + activeMs, 0) / 1000
  const logged = loggedSeconds > 0 && facts.foldedUnits > 0
  return logged
    ? { seconds: (loggedSeconds * facts.units) / facts.foldedUnits, logged }
    : { seconds: lines.reduce((sum, { units, secondsPerUnit }) => sum + units * secondsPerUnit, 0), logged }
}

/** How early an occasion has to be begun. */
export function leadOf(
  project: ProjectView,
  { eveningSeconds, shoppingDays }: { readonly eveningSeconds: number; readonly shoppingDays: number },
): Pick<RecurringView, 'lead' | 'foldingSeconds' | 'logged'> {
  const { seconds, logged } = foldingOf(project)
  const dryingMinutes = project.lines.reduce(
    (most, { design }) => Math.max(most, design.guide?.dryingMinutes ?? 0),
    0,
  )
  const lead = leadTime({ foldingSeconds: seconds, eveningSeconds, dryingMinutes, shoppingDays })
  return { lead, foldingSeconds: seconds, logged }
}

/** Occasions that come again and that it is time to begin with, by date; `today` is a local date. */
export async function readRecurring(context: FlowContext, today: string): Promise<readonly RecurringView[]> {
  const rows = (await yearlyWithoutNext(context.db, today))
    .map((row) => {
      const after = row.passed_over === null ? today : daysOn(row.passed_over, 1)
      return { row, dueOn: nextYearly(row.due_on, after > today ? after : today) }
    })
    .filter(({ row, dueOn }) => daysOn(dueOn, -row.shopping_days - LONGEST_FOLDING_DAYS) <= today)
    .sort((one, other) => (one.dueOn < other.dueOn ? -1 : 1))
    .slice(0, MOST_LOOKED_AT)
  if (rows.length === 0) return []
  const eveningSeconds = 60 * Number((await currentSettings(context)).evening)
  const found: RecurringView[] = []
  for (const { row, dueOn } of rows) {
    const project = await readProject(context, row.id)
    if (!project) continue
    const lead = leadOf(project, { eveningSeconds, shoppingDays: row.shopping_days })
    const beginOn = daysOn(dueOn, -lead.lead.days)
    if (beginOn <= today) found.push({ id: row.id, name: row.name, dueOn, beginOn, ...lead })
  }
  return found
}
