import type { DeedResult } from '@/flows/deed'
import type { NewerView } from '@/flows/read/newer'
import { formatLength, type Preferences } from '../format'
import { DeedButton } from '../forms/DeedButton'

interface NewerDesignsProps {
  readonly newer: readonly NewerView[]
  readonly preferences: Preferences
  readonly take: (lineId: string) => (press: string) => Promise<DeedResult<unknown>>
}

/** What a newer version of a design would change; nothing is taken by itself. */
export function NewerDesigns({ newer, preferences, take }: NewerDesignsProps) {
  const told = (mm: number | null) => (mm === null ? 'not given' : formatLength(mm, preferences))
  return newer.map(({ lineId, name, words, sizes, lost }) => (
    <div key={lineId} className="note mb-4 flex flex-wrap items-center justify-between gap-3">
      <div>
        <p>
          <strong>
            There is a newer {words ? 'version' : 'measurement'} of {name.toLowerCase()}.
          </strong>{' '}
          {lost
            ? 'What this was planned with did not come with the backup: the sizes shown are measured anew, the sheets stay as they were planned.'
            : sizes.length === 0
              ? 'All sizes stay as they are.'
              : ''}
        </p>
        <ul>
          {sizes.map(({ label, wasMm, isMm }) => (
            <li key={label}>
              {label}: {told(wasMm)} now, {told(isMm)} then
            </li>
          ))}
        </ul>
      </div>
      <DeedButton act={take(lineId)} className="btn btn-outline" label={`Take the newer ${name}`}>
        Take it
      </DeedButton>
    </div>
  ))
}
