import type { ProjectView } from '@/flows/read/project'
import { formatSheet, plural, type Preferences } from '../format'

const OFFCUTS_SHOWN = 3

/** What lies in the drawer: whole sheets and the largest offcuts, small ones one step away. */
export function InDrawer({
  sheets,
  preferences,
}: {
  readonly sheets: ProjectView['papers'][number]['sheets']
  readonly preferences: Preferences
}) {
  const there = sheets.filter(({ amount }) => amount > 0)
  if (there.length === 0) return <p className="second">none in the drawer</p>
  const whole = there.filter(({ offcut }) => !offcut)
  const offcuts = there
    .filter(({ offcut }) => offcut)
    .toSorted((a, b) => b.widthMm * b.heightMm - a.widthMm * a.heightMm)
  const small = offcuts.slice(OFFCUTS_SHOWN)
  const row = (sheet: (typeof there)[number]) => (
    <li key={sheet.stockItemId}>
      {sheet.amount} x {sheet.formatLabel ?? formatSheet(sheet.widthMm, sheet.heightMm, preferences)}
      {sheet.offcut ? ', offcut' : ''}
      {sheet.heldElsewhere > 0 ? `, ${sheet.heldElsewhere} held for other projects` : ''}
    </li>
  )
  return (
    <div className="second">
      <ul>{[...whole, ...offcuts.slice(0, OFFCUTS_SHOWN)].map(row)}</ul>
      {small.length === 0 ? null : (
        <details>
          <summary className="cursor-pointer">
            {plural(
              small.reduce((sum, { amount }) => sum + amount, 0),
              'smaller offcut',
            )}
          </summary>
          <ul>{small.map(row)}</ul>
        </details>
      )}
    </div>
  )
}
