import type { Metadata } from 'next'
import { openStation, type StationParams } from '@/app/_server/open-station'
import { readTogether, type Companion, type TogetherFigures } from '@/flows/read/together'
import { MOST_TOGETHER } from '@/schema/cut'
import { FIGURE_COLUMNS, figureRow } from '@/ui/cut/figure-table'
import { formatDay, plural, type Preferences } from '@/ui/format'
import { DeedButton } from '@/ui/forms/DeedButton'
import { Swatch } from '@/ui/paper/Swatch'
import { StationFrame } from '@/ui/project/StationFrame'
import { Link } from '@/ui/shell/Link'
import { DataTable } from '@/ui/table/DataTable'
import { cutTogetherAction, planAgainAction } from '../../../actions'

export const metadata: Metadata = { title: 'Cut together' }

interface TogetherParams extends StationParams {
  readonly searchParams: Promise<{ readonly with?: string | string[] }>
}

export default async function TogetherPage(props: TogetherParams) {
  const { context, preferences, project } = await openStation(props)
  const query = (await props.searchParams).with ?? []
  const chosen = (Array.isArray(query) ? query : [query]).slice(0, MOST_TOGETHER - 1)
  const { companions, asked } = await readTogether(context, project.id, chosen)
  const names = companions.filter(({ id }) => chosen.includes(id)).map(({ name }) => name)
  const back = `/projects/${project.id}/cut`
  return (
    <StationFrame
      project={project}
      open="cut"
      preferences={preferences}
      planAgain={planAgainAction.bind(null, project.id)}
    >
      <h2 className="text-2xl">Cut together with other projects</h2>
      <p className="second mt-1 max-w-prose">
        A sheet may then hold pieces of several projects, and one setting of the trimmer serves them all. For
        paper they count as one, with the earliest of their days. Each keeps its pieces, its spares and its
        runs.
      </p>
      {companions.length === 0 ? (
        <p className="mt-6">
          No other project has anything to cut from the same papers.{' '}
          <Link href={back} className="underline">
            Back to the cuts
          </Link>
        </p>
      ) : (
        <>
          {asked ? (
            <section aria-labelledby="asked" className="mt-6 flex flex-col gap-3">
              <h3 id="asked" className="text-xl">
                {project.name} with {names.join(' and ')}
              </h3>
              <DataTable
                className="w-auto"
                caption="Cut each by itself, and together"
                columns={FIGURE_COLUMNS}
                rows={[
                  figureRow('Each by itself, as planned', asked.now),
                  figureRow('Together', asked.together),
                ]}
              />
              <div className="flex flex-wrap items-center gap-3">
                <DeedButton
                  act={cutTogetherAction.bind(null, project.id, { projects: chosen })}
                  className="btn btn-primary"
                >
                  Cut these together
                </DeedButton>
                <Link href={back} className="underline">
                  Back to the cuts
                </Link>
              </div>
            </section>
          ) : null}
          <form className="mt-6 flex flex-col gap-3">
            <fieldset>
              <legend className="text-xl">Which ones?</legend>
              <ul className="mt-2">
                {companions.map((one) => (
                  <CompanionItem
                    key={one.id}
                    companion={one}
                    chosen={chosen.includes(one.id)}
                    preferences={preferences}
                  />
                ))}
              </ul>
            </fieldset>
            <button className="btn btn-outline self-start">Work out what it saves</button>
          </form>
        </>
      )}
    </StationFrame>
  )
}

interface CompanionProps {
  readonly companion: Companion
  readonly chosen: boolean
  readonly preferences: Preferences
}

function CompanionItem({ companion, chosen, preferences }: CompanionProps) {
  const { id, name, dueOn, papers, joined, figures } = companion
  return (
    <li className="border-t hairline py-3 last:border-b">
      <label className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <input
          type="checkbox"
          name="with"
          value={id}
          className="checkbox"
          defaultChecked={chosen || joined}
          disabled={joined}
        />
        <span className="font-semibold">{name}</span>
        <span className="second">{dueOn === null ? 'No date' : formatDay(dueOn, preferences)}</span>
        <span className="flex flex-wrap items-center gap-2">
          {papers.map((paper) => (
            <span key={paper.id} className="flex items-center gap-1 text-sm">
              <Swatch front={paper.frontColour} back={paper.backColour} />
              {paper.name}
            </span>
          ))}
        </span>
      </label>
      <p className="second mt-1 ml-10">{joined ? 'Cut together already.' : savingWords(figures)}</p>
    </li>
  )
}

/** What cutting two together saves, in words. */
function savingWords(figures: TogetherFigures | null): string {
  if (figures === null) return 'Choose it to see what it saves.'
  const { now, together } = figures
  const [pieces, sheets, layouts] = [
    now.missing - together.missing,
    now.sheets - together.sheets,
    now.layouts - together.layouts,
  ]
  const words = [
    ...(pieces > 0 ? [`${plural(pieces, 'piece')} that are missing now would be there`] : []),
    ...(pieces < 0 ? [`${plural(-pieces, 'piece')} more would be missing`] : []),
    ...(sheets === 0 ? [] : [`${plural(Math.abs(sheets), 'sheet')} ${sheets > 0 ? 'fewer' : 'more'}`]),
    ...(layouts === 0 ? [] : [`${plural(Math.abs(layouts), 'layout')} ${layouts > 0 ? 'fewer' : 'more'}`]),
  ]
  return words.length === 0 ? 'Saves neither sheets nor layouts.' : `${words.join(', ')}.`
}
