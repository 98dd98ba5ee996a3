import type { Metadata } from 'next'
import { Link } from '@/ui/shell/Link'
import { openStation, type StationParams } from '@/app/_server/open-station'
import { countOf } from '@/ui/format'
import { Swatch } from '@/ui/paper/Swatch'
import { StationFrame } from '@/ui/project/StationFrame'

export const metadata: Metadata = { title: 'Colour' }

export default async function ColourPage(props: StationParams) {
  const { preferences, project } = await openStation(props)
  return (
    <StationFrame project={project} open="colour" preferences={preferences}>
      <h2 className="text-2xl">Papers chosen</h2>
      <ul className="mt-4 flex flex-col gap-3">
        {project.lines.map((line) => (
          <li key={line.id} className="grid gap-2 border-t hairline pt-3 tablet:grid-cols-[16rem_1fr]">
            <span className="font-semibold">{line.design.name}</span>
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
      <p className="note mt-6">
        This station will plan palettes: which side shows, fair counts, and an order in which no neighbours
        are alike. Until then the papers are chosen in the{' '}
        <Link href={`/projects/${project.id}/brief`} className="underline">
          brief
        </Link>
        .
      </p>
    </StationFrame>
  )
}
