import { useWatch } from 'react-hook-form'
import { seenFromAbove } from '@/core/arrange'
import { mainPart, outlineMm, siblingGauges, variantOf } from '@/core/design'
import { readGauges } from '@/schema/asked-size'
import { withHost } from '@/schema/following'
import { ANY_PAPER } from '../diagram/faces'
import type { LineValues } from './form-values'
import { previewLine } from './line-preview'
import type { LineFieldsProps } from './line-props'
import { MadePicture, type MadeOf } from './MadePicture'
import { NO_PAPER_COLOUR } from './no-paper'
import { typedCount } from './wanted-pieces'
import { whatFollows } from './what-follows'

interface ArrangedProps extends LineFieldsProps {
  readonly line: LineValues
}

/** A line as it goes into what is made; `null` while something of it is missing. */
function madeOf(
  line: LineValues,
  { designs, papers, preferences }: Pick<LineFieldsProps, 'designs' | 'papers' | 'preferences'>,
): MadeOf | null {
  const found = designs.find(({ document }) => document.id === line.designId)
  const preview = found ? previewLine(line, found, papers, preferences) : null
  if (!found || preview?.kind !== 'sheet') return null
  const design = found.document
  const worked = whatFollows(line, { design, preview, papers, preferences })?.worked
  if (!worked) return null
  const gauges = readGauges(line.gauges, preferences.unit)
  return {
    ...worked,
    outlines: siblingGauges(design, {
      sheetMm: preview.sheetMm,
      gauges,
      character: line.character,
      ruler: preferences.ruler,
    }).map((kind) => outlineMm(design, variantOf(design, line.variantKey), preview.sheetMm, kind)),
    look: {
      painted: found.looks[line.variantKey]?.[seenFromAbove(worked.making) ? 'above' : 'faceOn'] ?? null,
      sheetMm: preview.sheetMm,
      sideUp: mainPart(design).sideUp,
    },
    papers: line.papers.map(({ paperId, pieces }) => ({
      paper: papers.find(({ id }) => id === paperId) ?? { ...ANY_PAPER, frontColour: NO_PAPER_COLOUR },
      pieces: typedCount(pieces) ?? 0,
    })),
  }
}

/** How it will hang, as it is typed; with what goes into the same bouquets or places, at the line they go with. */
export function Arranged(props: ArrangedProps) {
  const { form, line, preferences } = props
  const lines = useWatch({ control: form.control, name: 'lines' })
  const own = madeOf(line, props)
  if (!own || withHost(lines, line)) return null
  const others = lines.filter((other) => withHost(lines, other)?.id === line.id)
  return (
    <MadePicture
      lines={[own, ...others.flatMap((other) => madeOf(other, props) ?? [])]}
      preferences={preferences}
    />
  )
}
