import type { Metadata } from 'next'
import type { Shape } from '@/core/arrange'
import { HARD_TO_TELL, LIGHTS, type Light, type WayOfSeeing } from '@/core/colour'
import type { Pattern } from '@/core/paper'
import { openStation, type StationParams } from '@/app/_server/open-station'
import {
  chooseOrderAction,
  choosePlannedOrdersAction,
  swapPapersAction,
  undoOrderAction,
  planAgainAction,
} from '../../actions'
import { readDrawer, type PaperView } from '@/flows/read/papers'
import { readColours, type AlikeView } from '@/flows/read/colours'
import type { ProjectView } from '@/flows/read/project'
import { LineColours } from '@/ui/colour/LineColours'
import { SaveViews } from '@/ui/arrange/SaveViews'
import { FindPapers } from '@/ui/colour/FindPapers'
import { SidesShown } from '@/ui/colour/SidesShown'
import { countOf } from '@/ui/format'
import { DeedButton } from '@/ui/forms/DeedButton'
import { Swatch } from '@/ui/paper/Swatch'
import { StationFrame } from '@/ui/project/StationFrame'
import { Link } from '@/ui/shell/Link'

export const metadata: Metadata = { title: 'Colour' }

interface ColourPageProps extends StationParams {
  readonly searchParams: Promise<Readonly<Record<'in' | 'light', string | readonly string[] | undefined>>>
}

export default async function ColourPage(props: ColourPageProps) {
  const { context, preferences, project } = await openStation(props)
  const asked = await props.searchParams
  const shape: Shape = asked.in === 'line' ? 'line' : 'ring'
  const light = LIGHTS.find((one) => one === asked.light) ?? 'daylight'
  const drawer = await readDrawer(context)
  const { orders, sides, alike } = await readColours(context, project, shape)
  const ordered = new Set(orders.map(({ line }) => line.id))
  const planAgain = planAgainAction.bind(null, project.id)
  return (
    <StationFrame project={project} open="colour" preferences={preferences} planAgain={planAgain}>
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-2">
        <h2 className="text-2xl">
          {orders.length === 0 ? 'Papers chosen' : 'How the colours follow each other'}
        </h2>
        {orders.every(({ hung, line }) => hung !== null || line.making.inTurn) ? null : (
          <Choices
            label="How the pieces follow each other"
            options={SHAPES}
            chosen={shape}
            hrefOf={(key) => addressOf(project, key, light)}
          />
        )}
        {orders.length === 0 ? null : (
          <Choices
            label="What light they are seen by"
            options={LIGHT_WORDS}
            chosen={light}
            hrefOf={(key) => addressOf(project, shape, key)}
          />
        )}
        {project.facts.ordersChosen < project.facts.ordersWanted ? (
          <DeedButton
            act={choosePlannedOrdersAction.bind(null, project.id)}
            className="btn btn-primary btn-sm ml-auto"
          >
            {project.facts.ordersWanted === 1 ? 'Choose it as planned' : 'Choose all as planned'}
          </DeedButton>
        ) : null}
      </div>
      {alike.map((pair) => (
        <Alike key={pair.papers.map(({ id }) => id).join(' ')} pair={pair} />
      ))}
      <Patterned papers={project.papers} />
      <div className="mt-4">
        {orders.map((of) => (
          <LineColours
            key={of.line.id}
            of={of}
            light={light}
            alone={orders.length === 1}
            preferences={preferences}
            choose={chooseOrderAction.bind(null, project.id)}
            undo={undoOrderAction.bind(null, project.id)}
            swap={swapPapersAction.bind(null, project.id)}
            drawer={drawer.map(colourOf)}
          />
        ))}
      </div>
      {orders.length === 0 ? null : <SaveViews name={project.name} />}
      <OfOnePaper lines={project.lines.filter(({ id }) => !ordered.has(id))} />
      <SidesShown sides={sides} preferences={preferences} />
      <FindPapers
        papers={drawer.map(colourOf)}
        chosen={{ name: project.name, papers: project.papers.map(colourOf) }}
        preferences={preferences}
      />
      <p className="note mt-6">
        Papers and their shares are chosen in the{' '}
        <Link href={`/projects/${project.id}/brief`} className="underline">
          brief
        </Link>
        . An order that is chosen is kept with the project; one that is planned follows the brief. How colours
        look by a lamp is estimated.
      </p>
    </StationFrame>
  )
}

/** As much of a paper as its colour needs. */
const colourOf = ({ id, name, frontColour, backColour }: PaperView) => ({
  id,
  name,
  frontColour,
  backColour,
})

const SHAPES = [
  ['ring', 'In a ring'],
  ['line', 'In a line'],
] as const

const LIGHT_WORDS = [
  ['daylight', 'Daylight'],
  ['lamplight', 'Lamplight'],
  ['dim light', 'Dim light'],
] as const

/** The same page, the pieces otherwise or by another light. */
function addressOf(project: ProjectView, shape: Shape, light: Light): string {
  const asked = new URLSearchParams({
    ...(shape === 'line' ? { in: shape } : {}),
    ...(light === 'daylight' ? {} : { light }),
  }).toString()
  return `/projects/${project.id}/colour${asked === '' ? '' : `?${asked}`}`
}

interface ChoicesProps<Key extends string> {
  readonly label: string
  readonly options: readonly (readonly [Key, string])[]
  readonly chosen: Key
  readonly hrefOf: (key: Key) => string
}

/** Ways to see the same pieces. */
function Choices<Key extends string>({ label, options, chosen, hrefOf }: ChoicesProps<Key>) {
  return (
    <nav aria-label={label} className="flex gap-4">
      {options.map(([key, words]) => (
        <Link
          key={key}
          href={hrefOf(key)}
          aria-current={key === chosen ? 'page' : undefined}
          className={key === chosen ? 'border-b-2 border-primary font-semibold' : 'underline'}
        >
          {words}
        </Link>
      ))}
    </nav>
  )
}

const TO_WHOM: Readonly<Record<WayOfSeeing, string>> = {
  'all colours': '',
  lamplight: ' by lamplight',
  'dim light': ' in dim light',
  'no red cones': ' for people who do not see red',
  'no green cones': ' for people who do not see green',
  'no blue cones': ' for people who do not see blue',
}

/** Two papers that look alike. */
function Alike({ pair: { papers, difference, way } }: { readonly pair: AlikeView }) {
  const [one, other] = papers
  return (
    <p className="note mt-3 flex items-center gap-2">
      <Swatch front={one.frontColour} back={other.frontColour} />
      {one.name} and {other.name} are hard to tell apart{TO_WHOM[way]}: the difference is{' '}
      {difference.toFixed(1)}, and {HARD_TO_TELL} is needed.
    </p>
  )
}

const PATTERN_WORDS: Readonly<Record<Exclude<Pattern, 'plain'>, string>> = {
  fine: 'has a fine pattern: creases are seen from near only. Fold the first ones in a plain paper.',
  bold: 'has a bold pattern: it hides creases, and small shapes are lost in it. Fold the first ones in a plain paper, and keep it for large, simple pieces.',
}

/** Papers whose pattern hides something. */
const Patterned = ({ papers }: { readonly papers: ProjectView['papers'] }) =>
  papers.map(({ id, name, pattern, frontColour, backColour }) =>
    pattern === 'plain' ? null : (
      <p key={id} className="note mt-3 flex items-center gap-2">
        <Swatch front={frontColour} back={backColour} />
        {name} {PATTERN_WORDS[pattern]}
      </p>
    ),
  )

/** Lines that have nothing to put in order. */
function OfOnePaper({ lines }: { readonly lines: ProjectView['lines'] }) {
  return (
    <ul className="mt-6 flex flex-col gap-3">
      {lines.map((line) => (
        <li key={line.id} className="grid gap-2 border-t hairline pt-3 tablet:grid-cols-[18rem_1fr]">
          <h3 className="text-xl">{line.design.name}</h3>
          <span className="flex flex-wrap gap-5">
            {line.papers.map((row) => (
              <span key={`${row.part.key} ${row.paper.id}`} className="flex items-center gap-2">
                <Swatch front={row.paper.frontColour} back={row.paper.backColour} />
                {row.paper.name}, {countOf(row.goodUnits, row.part.name)}
              </span>
            ))}
          </span>
        </li>
      ))}
    </ul>
  )
}
