import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { openPage } from '@/app/_server/guard'
import { mmFromUm, umFromMm } from '@/core/units'
import { readDesignChoices, type DesignChoice } from '@/flows/read/brief-designs'
import { readFits, type Fits } from '@/flows/read/offcut-ideas'
import { readDrawerPaper } from '@/flows/read/papers'
import { readProjectName } from '@/flows/read/project'
import { lengthText } from '@/schema/fields'
import { Field } from '@/ui/forms/Field'
import { countOf, formatExact, formatSheet, lengthInput, type Preferences } from '@/ui/format'
import { cutHref } from '@/ui/paper/fits-href'
import { IdeaCards } from '@/ui/paper/IdeaCards'
import { Link } from '@/ui/shell/Link'

export const metadata: Metadata = { title: 'What fits this strip' }

interface FitsParams {
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>
}

export default async function FitsPage({ searchParams }: FitsParams) {
  const { context, preferences } = await openPage()
  const query = await searchParams
  const text = (key: string) => (typeof query[key] === 'string' ? query[key].slice(0, 40) : '')
  const paper = await readDrawerPaper(context, text('paper'))
  if (!paper) notFound()
  const largest = paper.sheets.find(({ offcut, amount }) => offcut && amount > 0)
  const typed = {
    width: text('width') || (largest ? lengthInput(largest.widthMm, preferences) : ''),
    height: text('height') || (largest ? lengthInput(largest.heightMm, preferences) : ''),
  }
  const side = (name: string, value: string) =>
    lengthText({ name, unit: preferences.unit, minMm: 10, maxMm: 5000 }).safeParse(value)
  const [width, height] = [side('the width', typed.width), side('the height', typed.height)]
  const fits =
    width.success && height.success
      ? await readFits(context, paper, { widthUm: umFromMm(width.data), heightUm: umFromMm(height.data) })
      : null
  const wrong = (read: typeof width) =>
    typed.width === '' && typed.height === '' ? undefined : read.error?.issues[0]?.message
  return (
    <>
      <h1 className="text-4xl">What fits this strip</h1>
      <p className="second mt-1">
        Of{' '}
        <Link href={`/papers/${paper.id}`} className="underline">
          {paper.name}
        </Link>
        .
      </p>
      <form className="mt-4 flex flex-wrap items-start gap-3">
        <input type="hidden" name="paper" value={paper.id} />
        {text('for') === '' ? null : <input type="hidden" name="for" value={text('for')} />}
        <Field id="strip-width" label={`Width (${preferences.unit})`} error={wrong(width)}>
          {(aria) => (
            <input
              {...aria}
              name="width"
              className="input w-32"
              defaultValue={typed.width}
              autoComplete="off"
            />
          )}
        </Field>
        <Field id="strip-height" label={`Height (${preferences.unit})`} error={wrong(height)}>
          {(aria) => (
            <input
              {...aria}
              name="height"
              className="input w-32"
              defaultValue={typed.height}
              autoComplete="off"
            />
          )}
        </Field>
        <button className="btn btn-primary mt-6">Look</button>
      </form>
      {fits === null ? (
        <p className="second mt-6">Say how large it is.</p>
      ) : (
        <WhatFits
          fits={fits}
          paperId={paper.id}
          project={await readProjectName(context, text('for'))}
          choices={(await readDesignChoices(context)).choices}
          preferences={preferences}
        />
      )}
    </>
  )
}

interface WhatFitsProps {
  readonly fits: Fits
  readonly paperId: string
  /** The project it is asked for. */
  readonly project: { readonly id: string; readonly name: string } | null
  readonly choices: readonly DesignChoice[]
  readonly preferences: Preferences
}

function WhatFits({ fits, paperId, project, choices, preferences }: WhatFitsProps) {
  return (
    <>
      <Wanted fits={fits} preferences={preferences} />
      <section aria-labelledby="squares" className="mt-8">
        <h2 id="squares" className="text-2xl">
          Squares off its end
        </h2>
        {fits.squares.length === 0 ? <p className="mt-1">None of 2 cm or more.</p> : null}
        <ul className="mt-1">
          {fits.squares.map(({ count, sideMm }) => (
            <li key={sideMm} className="flex flex-wrap gap-x-4">
              {countOf(count, 'square')} of {formatExact(sideMm, preferences)}
              {project ? (
                <Link
                  className="underline"
                  href={cutHref(
                    project.id,
                    { name: 'Square', widthMm: sideMm, heightMm: sideMm, pieces: count },
                    preferences,
                    paperId,
                  )}
                >
                  Cut {count === 1 ? 'it' : 'them'} with {project.name}
                </Link>
              ) : null}
            </li>
          ))}
        </ul>
      </section>
      <section aria-labelledby="ideas" className="mt-8">
        <h2 id="ideas" className="mb-3 text-2xl">
          What else it could become
        </h2>
        {fits.ideas.length === 0 ? (
          <p>No design can be folded of so little in this paper.</p>
        ) : (
          <IdeaCards
            label="What else it could become"
            ideas={fits.ideas}
            choices={choices}
            preferences={preferences}
          />
        )}
      </section>
    </>
  )
}

/** What open projects still want of it and would come out of it. */
function Wanted({ fits, preferences }: { readonly fits: Fits; readonly preferences: Preferences }) {
  return (
    <section aria-labelledby="wanted" className="mt-8">
      <h2 id="wanted" className="text-2xl">
        Still wanted of this paper
      </h2>
      {fits.wanted.length === 0 ? (
        <p className="second mt-1">No open project wants a piece that comes out of it.</p>
      ) : (
        <ul className="mt-1">
          {fits.wanted.map(({ projectId, projectName, designName, sizeUm, wanted, fits: count }) => (
            <li
              key={`${projectId} ${designName} ${sizeUm.widthUm}`}
              className="border-t hairline py-2 last:border-b"
            >
              <span className="figure">{count}</span> of {wanted}{' '}
              {formatSheet(mmFromUm(sizeUm.widthUm), mmFromUm(sizeUm.heightUm), preferences)} for the{' '}
              {designName.toLowerCase()},{' '}
              <Link href={`/projects/${projectId}/cut`} className="underline">
                {projectName}
              </Link>
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}
