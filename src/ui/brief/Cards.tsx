import type { Made, Making } from '@/core/arrange'
import { caliperOf, USUAL_CALIPER_MM } from '@/core/paper'
import { largest } from '@/core/numeric'
import type { BriefDesign } from '@/flows/read/brief-designs'
import { CardMessage } from './CardMessage'
import { cardOf, cardWords } from './card-words'
import type { LineValues } from './form-values'
import type { LineFieldsProps } from './line-props'

interface CardsProps extends LineFieldsProps {
  readonly line: LineValues
  readonly found: BriefDesign
  readonly worked: { readonly making: Making; readonly made: Made }
}

/** What pieces go on: how the cards are cut and sent, and what is written on them. */
export function Cards(props: CardsProps) {
  const { line, found, worked, papers, preferences } = props
  const card = cardOf(worked)
  if (!card) return null
  const used = papers.filter(({ id }) => line.papers.some(({ paperId }) => paperId === id))
  const caliperMm = used.length === 0 ? USUAL_CALIPER_MM : largest(used.map(caliperOf))
  const words = cardWords({
    ...worked,
    layers: found.layers[line.variantKey] ?? null,
    caliperMm,
    preferences,
  })
  const within = (mm: number) => Math.max(1, mm - 2 * card.marginMm)
  return (
    <>
      {words.map((text) => (
        <p key={text}>{text}</p>
      ))}
      <CardMessage {...props} panel={{ widthMm: within(card.widthMm), highMm: within(card.highMm) }} />
    </>
  )
}
