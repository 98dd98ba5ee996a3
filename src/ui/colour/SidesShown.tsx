import type { SideAdvice } from '@/core/colour'
import type { SideForm } from '@/core/fold'
import type { SidesView } from '@/flows/read/colours'
import { formatShare, type Preferences } from '../format'
import { Swatch } from '../paper/Swatch'

const ADVICE: Readonly<Record<SideAdvice, string>> = {
  'one side': 'The other side is not seen.',
  alike: 'Both sides of it look alike.',
  'turn the sheet': 'More of its other side shows: begin with the sheet turned over to see its main colour.',
  'two-sided paper': 'A paper of one colour on both sides would hide the other.',
}

const FORM_WORDS: Readonly<Record<SideForm, string>> = {
  border: 'as a border along the edge',
  line: 'in narrow lines within, as seams and veins do',
  area: 'in whole areas',
}

/** In what forms a side is seen, the largest first. */
const formWords = (forms: SidesView['forms'], locale: string): string =>
  [...forms]
    .sort((one, other) => other.share - one.share)
    .map(({ form, share }) => `${FORM_WORDS[form]} (${formatShare(share, locale)})`)
    .join(', ')

interface SidesShownProps {
  readonly sides: readonly SidesView[]
  readonly preferences: Preferences
}

/** Which side of the paper shows, worked out from the folds. */
export function SidesShown({ sides, preferences }: SidesShownProps) {
  const share = (of: number) => formatShare(of, preferences.locale)
  return (
    <section aria-labelledby="sides" className="mt-8">
      <h2 id="sides" className="text-2xl">
        Which side shows
      </h2>
      <ul className="mt-3 flex flex-col">
        {sides.map(({ line, above, behind, forms, sideUp, papers }) => (
          <li
            key={line.id}
            className="grid gap-x-6 gap-y-1 border-t hairline py-3 last:border-b tablet:grid-cols-[18rem_1fr]"
          >
            <h3 className="text-xl">{line.design.name}</h3>
            <div>
              <p>
                {share(above)} of what is seen from above is the main side; from behind {share(behind)}.
              </p>
              {forms.length === 0 || above === 1 ? null : (
                <p>The other side shows {formWords(forms, preferences.locale)}.</p>
              )}
              <p className="second">{sideUp}</p>
              {[...new Set(papers.map(({ advice }) => advice))].map((advice) => (
                <p key={advice} className="second flex flex-wrap items-center gap-2">
                  {papers
                    .filter((one) => one.advice === advice)
                    .map(({ paper }) => (
                      <Swatch key={paper.id} front={paper.frontColour} back={paper.backColour} />
                    ))}
                  <span>{ADVICE[advice]}</span>
                </p>
              ))}
            </div>
          </li>
        ))}
      </ul>
    </section>
  )
}
