import { canBeJoined } from '@/schema/following'
import { inAnotherSize, ROLLED_STEM, rolledStems, withIt, type LineValues } from './form-values'
import type { LineFieldsProps } from './line-props'

/** What else can be said of a line: what goes on its pieces or with them, and the same in another size. */
export function FurtherDeeds({
  index,
  line,
  add,
  load,
  remove,
  choices,
  preferences,
}: LineFieldsProps & { readonly line: LineValues }) {
  const rollStems = () =>
    void load(ROLLED_STEM).then((design) => {
      if (design) add(rolledStems(line, design.document, preferences), true)
    })
  const deeds: readonly (readonly [says: string, label: string, does: () => void])[] = [
    ...(line.attachedTo === ''
      ? [['Glue to each', 'Glue something to each of', () => add({ attachedTo: line.id })] as const]
      : []),
    ...(canBeJoined(line)
      ? [['Another in each', 'Put another flower with', () => add(withIt(line))] as const]
      : []),
    ...(line.made === 'bouquet' && choices.some(({ id }) => id === ROLLED_STEM)
      ? [['Roll its stems', 'Roll a stem for each of', rollStems] as const]
      : []),
    ...(line.sizeOf === ''
      ? [['In another size', 'In another size: all of', () => add(inAnotherSize(line), true)] as const]
      : []),
    ['Remove', 'Remove', remove] as const,
  ]
  return deeds.map(([says, label, does]) => (
    <button
      key={says}
      type="button"
      className="btn btn-ghost btn-sm"
      onClick={does}
      aria-label={`${label} line ${index + 1}`}
    >
      {says}
    </button>
  ))
}
