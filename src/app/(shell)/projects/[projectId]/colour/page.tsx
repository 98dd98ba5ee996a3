import type { Metadata } from 'next'
import type { Shape } from '@/core/arrange'
import { HARD_TO_TELL, type WayOfSeeing } from '@/core/colour'
import { openStation, type StationParams } from '@/app/_server/open-station'
import { readDrawer } from '@/flows/read/papers'
import { readColours, type AlikeView } from '@/flows/read/colours'
import type { ProjectView } from '@/flows/read/project'
import { LineColours } from '@/ui/colour/LineColours'
import { SaveViews } from '@/ui/arrange/SaveViews'
import { FromPicture } from '@/ui/colour/FromPicture'
import { SidesShown } from '@/ui/colour/SidesShown'
import { countOf } from '@/ui/format'
import { Swatch } from '@/ui/paper/Swatch'
import { StationFrame } from '@/ui/project/StationFrame'
import { Link } from '@/ui/shell/Link'

export const metadata: Metadata = { title: 'Colour' }

interface ColourPageProps extends StationParams {
  readonly searchParams: Promise<{ readonly in?: string | readonly string[] }>
}

export default async function ColourPage(props: ColourPageProps) {
  const { context, preferences, project } = await openStation(props)
  const shape: Shape = (await props.searchParams).in === 'line' ? 'line' : 'ring'
  const drawer = await readDrawer(context)
  const { orders, sides, alike } = await readColours(context, project, shape)
  const ordered = new Set(orders.map(({ line }) => line.id))
  return (
    <StationFrame project={project} open="colour" preferences={preferences}>
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-2">
        <h2 className="text-2xl">
          {orders.length === 0 ? 'Papers chosen' : 'How the colours follow each other'}
        </h2>
        {orders.every(({ hung, line }) => hung !== null || line.making.inTurn) ? null : (
          <Shapes project={project} shape={shape} />
        )}
      </div>
      {alike.map((pair) => (
        <Alike key={pair.papers.map(({ id }) => id).join(' ')} pair={pair} />
      ))}
      <div className="mt-4">
        {orders.map((of) => (
          <LineColours key={of.line.id} of={of} preferences={preferences} />
        ))}
      </div>
      {orders.length === 0 ? null : <SaveViews name={project.name} />}
      <OfOnePaper lines={project.lines.filter(({ id }) => !ordered.has(id))} />
      <SidesShown sides={sides} preferences={preferences} />
      <FromPicture
        papers={drawer.map(({ id, name, frontColour, backColour }) => ({
          id,
          name,
          frontColour,
          backColour,
        }))}
        preferences={preferences}
      />
      <p className="note mt-6">
        Papers and their shares are chosen in the{' '}
        <Link href={`/projects/${project.id}/brief`} className="underline">
          brief
        </Link>
        . The order is worked out anew from them; it is not kept with the project.
      </p>
    </StationFrame>
  )
}

const SHAPES = [
  ['ring', 'In a ring'],
  ['line', 'In a line'],
] as const

/** How the pieces will hang or lie. */
function Shapes({ project, shape }: { readonly project: ProjectView; readonly shape: Shape }) {
  return (
    <nav aria-label="How the pieces follow each other" className="flex gap-4">
      {SHAPES.map(([key, words]) => (
        <Link
          key={key}
          href={`/projects/${project.id}/colour${key === 'line' ? '?in=line' : ''}`}
          aria-current={key === shape ? 'page' : undefined}
          className={key === shape ? 'border-b-2 border-primary font-semibold' : 'underline'}
        >
          {words}
        </Link>
      ))}
    </nav>
  )
}

const TO_WHOM: Readonly<Record<WayOfSeeing, string>> = {
  'all colours': '',
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

/** Lines that have nothing to put in order. */
function OfOnePaper({ lines }: { readonly lines: ProjectView['lines'] }) {
  return (
    <ul className="flex flex-col gap-3">
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
