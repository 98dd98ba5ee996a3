import type { RecurringView } from '@/flows/read/recurring'
import { formatDuration, plural } from '../format'

/** How early to begin, and what for: "12 days: 7 for shopping, 4 evenings of folding (6 h 40 min, as logged), 1 to dry." */
export function leadWords({
  lead,
  foldingSeconds,
  logged,
}: Pick<RecurringView, 'lead' | 'foldingSeconds' | 'logged'>): string {
  const { days, shoppingDays, foldingDays, dryingDays } = lead
  const parts = [
    ...(shoppingDays > 0 ? [`${shoppingDays} for shopping`] : []),
    `${plural(foldingDays, 'evening')} of folding (${formatDuration(foldingSeconds)}, ${logged ? 'as it was logged' : 'estimated'})`,
    ...(dryingDays > 0 ? [`${dryingDays} to dry`] : []),
  ]
  return `It takes ${plural(days, 'day')}: ${parts.join(', ')}.`
}
