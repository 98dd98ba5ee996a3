import { outlineSizeMm, variantOf } from '@/core/design'
import { suppliesOf } from '@/core/plan'
import type { ProjectView } from '@/flows/read/project'
import type { SupplyNeed } from '@/flows/read/supplies'
import { supplyWords, type Preferences } from '../format'
import { Link } from '../shell/Link'
import { cutHref } from './fits-href'
import { needWords } from './supply-words'

/** What is not folded: string, stems, cards, pins. */
export function AlsoToGet({
  project,
  needs,
  preferences,
}: {
  readonly project: ProjectView
  /** The same, thing by thing, against what is kept of it. */
  readonly needs: readonly SupplyNeed[]
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
    const cards = measured.filter(({ what }) => what === 'card')
    return words.length === 0 ? [] : [{ line, words, cards }]
  })
  if (wanted.length === 0) return null
  return (
    <section aria-labelledby="also-to-get" className="mt-8">
      <h2 id="also-to-get" className="text-2xl">
        Also to get
      </h2>
      <ul className="mt-2 flex flex-col">
        {wanted.map(({ line, words, cards }) => (
          <li
            key={line.id}
            className="grid gap-x-6 border-t hairline py-3 last:border-b tablet:grid-cols-[13rem_1fr]"
          >
            <span className="font-semibold">{line.design.name}</span>
            <span>
              {words.join('; ')}
              {cards.map(({ count, eachMm, highMm = eachMm }) => (
                <Link
                  key={`${eachMm} ${highMm}`}
                  href={cutHref(
                    project.id,
                    { name: 'Card', widthMm: eachMm, heightMm: highMm, pieces: count },
                    preferences,
                  )}
                  className="ml-2 underline"
                >
                  Cut the cards from a paper
                </Link>
              ))}
            </span>
          </li>
        ))}
      </ul>
      <ul className="mt-3 flex flex-wrap gap-x-8 gap-y-1" aria-label="What of it is there">
        {needs.map((need) => {
          const { wanted, standing, short } = needWords(need, preferences)
          return (
            <li key={need.what}>
              {wanted}: <span className={short ? 'font-semibold' : 'second'}>{standing}</span>
            </li>
          )
        })}
      </ul>
      <p className="mt-2">
        <Link href="/papers/supplies" className="underline">
          Your supplies
        </Link>
      </p>
    </section>
  )
}
