import { useWatch } from 'react-hook-form'
import type { BriefDesign } from '@/flows/read/brief-designs'
import { DAY } from '@/schema/days'
import { daysUntil } from '../format'
import { dialTime } from './dial-time'
import type { LineValues } from './form-values'
import { wantedPieces } from './wanted-pieces'
import type { LinePreview } from './line-preview'
import type { LineFieldsProps } from './line-props'
import { TradeDial, type Taken } from './TradeDial'

interface LineDialProps extends LineFieldsProps {
  readonly line: LineValues
  readonly found: BriefDesign
  readonly preview: Extract<LinePreview, { kind: 'sheet' }>
}

/** The dial of a line, its time together with that of all others. */
export function LineDial({
  index,
  form,
  line,
  found,
  preview,
  designs,
  papers,
  preferences,
  time,
  tools,
}: LineDialProps) {
  const [lines, certainty, dueOn] = useWatch({ control: form.control, name: ['lines', 'certainty', 'dueOn'] })
  const daysLeft = DAY.test(dueOn) ? daysUntil(dueOn, preferences) : null
  const at = `lines.${index}` as const
  const take = ({ size, pieces, certainty: sure }: Taken) => {
    if (size !== undefined) form.setValue(`${at}.size`, size, { shouldDirty: true })
    if (pieces !== undefined) form.setValue(`${at}.pieces`, pieces, { shouldDirty: true })
    if (sure !== undefined) form.setValue('certainty', sure, { shouldDirty: true })
  }
  return (
    <TradeDial
      {...{ preview, papers, preferences, tools, take }}
      line={{ ...line, pieces: String(wantedPieces(line, lines) ?? '') }}
      design={found}
      certainty={Number(certainty)}
      counted={line.made === 'batch' && line.attachedTo === ''}
      time={dialTime(lines, index, designs, time, daysLeft)}
    />
  )
}
