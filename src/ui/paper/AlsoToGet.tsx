import { outlineSizeMm, variantOf } from '@/core/design'
import { suppliesOf } from '@/core/plan'
import type { ProjectView } from '@/flows/read/project'
import { supplyWords, type Preferences } from '../format'

/** What is not folded: string, stems, cards, pins. */
export function AlsoToGet({
  project,
  preferences,
}: {
  readonly project: ProjectView
  readonly preferences: Preferences
}) {
  const wanted = project.lines.flatMap((line) => {
    const piece = outlineSizeMm(
      line.design,
      variantOf(line.design, line.variantKey),
      line.sheetMm,
      line.gauges,
    )
    const { measured, counted } = suppliesOf({ ...line, piece, guide: line.design.guide })
    const words = [
      ...measured.map((supply) => supplyWords(supply, preferences)),
      ...(line.making.message === undefined ? [] : [`written on each: “${line.making.message}”`]),
      ...counted.map(({ name, count }) => `${count} x ${name}`),
    ]
    return words.length === 0 ? [] : [{ line, words }]
  })
  if (wanted.length === 0) return null
  return (
    <section aria-labelledby="also-to-get" className="mt-8">
      <h2 id="also-to-get" className="text-2xl">
        Also to get
      </h2>
      <ul className="mt-2 flex flex-col">
        {wanted.map(({ line, words }) => (
          <li
            key={line.id}
            className="grid gap-x-6 border-t hairline py-3 last:border-b tablet:grid-cols-[13rem_1fr]"
          >
            <span className="font-semibold">{line.design.name}</span>
            <span>{words.join('; ')}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
