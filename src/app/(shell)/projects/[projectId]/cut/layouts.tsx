import { mmFromUm } from '@/core/units'
import type { ProjectView } from '@/flows/read/project'
import { CutDrawing } from '@/ui/cut/CutDrawing'
import { CutSteps } from '@/ui/cut/CutSteps'
import { rulerMarks } from '@/ui/cut/cut-words'
import {
  becomes,
  besideCuts,
  countedPieces,
  grainIn,
  hexagonsIn,
  layoutText,
  mixedSquares,
  otherWords,
  piecesOf,
  type LayoutView,
} from '@/ui/cut/layout-words'
import { TickCut } from '@/ui/cut/TickCut'
import { countOf, formatSheet, plural, type Preferences } from '@/ui/format'
import { fitsHref } from '@/ui/paper/fits-href'
import { Swatch } from '@/ui/paper/Swatch'
import { Link } from '@/ui/shell/Link'
import { pagedBy } from '@/ui/shell/paged'
import { Pages } from '@/ui/shell/Pages'
import { tickCutAction } from '../../actions'
import { proofOpen } from './proofs'

interface ProjectProps {
  readonly project: ProjectView
  readonly preferences: Preferences
}

/** Layouts that one page shows: as many as one cuts without looking up. */
const LAYOUTS_A_PAGE = 8

/** What is to be cut, paper by paper, as the stored plan has it; a stretch of it where it is long. */
export function Layouts({
  project,
  preferences,
  asked,
}: ProjectProps & { readonly asked: string | string[] | undefined }) {
  const { cutPlan } = project
  if (cutPlan === null) return null
  const inOrder = project.papers.flatMap((paper) =>
    cutPlan.layouts.filter(({ paperId }) => paperId === paper.id),
  )
  const { shown, page, pages } = pagedBy(inOrder, asked, LAYOUTS_A_PAGE)
  const papers = project.papers.flatMap((paper) => {
    const layouts = shown.filter(({ paperId }) => paperId === paper.id)
    const missing = project.lines
      .flatMap((line) => line.papers)
      .filter((row) => row.paper.id === paper.id)
      .reduce((sum, row) => sum + row.shortage.units, 0)
    return layouts.length === 0 && (missing === 0 || page > 1) ? [] : [{ paper, layouts, missing }]
  })
  if (papers.length === 0) {
    const waiting = project.lines.flatMap(({ papers: rows }) => rows.filter((row) => row.waitingUnits > 0))
    return (
      <section aria-labelledby="all-cut">
        <h2 id="all-cut" className="text-2xl">
          All is cut
        </h2>
        <ul className="second mt-1">
          {waiting.map(({ part, paper, waitingUnits }) => (
            <li key={`${part.key} ${paper.id}`}>
              {countOf(waitingUnits, part.name)} of {paper.name} to fold
            </li>
          ))}
        </ul>
      </section>
    )
  }
  const more =
    pages > 1 ? (
      <Pages href={`/projects/${project.id}/cut`} name="layouts" of="layouts" page={page} pages={pages} />
    ) : null
  const sections = papers.map(({ paper, layouts, missing }) => (
    <section key={paper.id} aria-labelledby={`paper-${paper.id}`} className="border-t hairline pt-4">
      <h2 id={`paper-${paper.id}`} className="flex flex-wrap items-center gap-3 text-2xl">
        <Swatch front={paper.frontColour} back={paper.backColour} />
        {paper.name}
      </h2>
      {mixedSquares(project, paper.id) === null ? null : (
        <p className="note mt-3">{mixedSquares(project, paper.id)}</p>
      )}
      {missing > 0 ? (
        <p className="note mt-3">
          There is no sheet for {countOf(missing, 'piece')} of this paper. Cut what there is; the Paper
          station says what to get.
        </p>
      ) : null}
      <ul className="mt-3 flex flex-col gap-8">
        {layouts.map((layout) => (
          <LayoutItem
            key={layout.id}
            project={project}
            planId={cutPlan.id}
            layout={layout}
            colour={paper.frontColour}
            paperName={paper.name}
            preferences={preferences}
          />
        ))}
      </ul>
    </section>
  ))
  return (
    <>
      {sections}
      {more}
    </>
  )
}

interface LayoutProps extends ProjectProps {
  readonly planId: string
  readonly layout: LayoutView
  readonly colour: string
  readonly paperName: string
}

function LayoutItem({ project, planId, layout, colour, paperName, preferences }: LayoutProps) {
  const counted = countedPieces(project, layout)
  const waits = counted.find(({ line, other }) => line && proofOpen(line, other ?? project))
  const text = layoutText(layout, counted, preferences)
  const of = `${plural(layout.sheets, layout.offcut ? 'offcut' : 'sheet')} of ${paperName} for ${counted.map((one) => `${becomes(one)}${otherWords(one)}`).join(' and ')}`
  return (
    <li className="grid gap-x-8 gap-y-3 tablet:grid-cols-[minmax(14rem,26rem)_1fr]">
      <CutDrawing
        layout={layout}
        sizes={project.cutPlan?.sizes ?? new Map()}
        colour={colour}
        describe={text}
        marks={layout.order && !layout.ready ? rulerMarks(layout.order, preferences) : []}
        hexagons={hexagonsIn(project, layout)}
        grain={grainIn(project, layout)}
      />
      <div className="flex flex-col gap-2">
        <p>
          <span className="figure text-2xl">{plural(layout.sheets, layout.offcut ? 'offcut' : 'sheet')}</span>
          <span className="second">
            {' '}
            of {formatSheet(mmFromUm(layout.sheetUm.widthUm), mmFromUm(layout.sheetUm.heightUm), preferences)}
            {layout.sheets < layout.planned ? `, ${layout.planned - layout.sheets} cut already` : ''}
          </span>
        </p>
        <p>{layout.ready ? 'They are the right size already: only take them out.' : text}</p>
        {layout.order && !layout.ready ? (
          <CutSteps
            order={layout.order}
            sheetUm={layout.sheetUm}
            piecesOf={(count, demand) => piecesOf(project, count, demand)}
            preferences={preferences}
          />
        ) : null}
        {besideCuts(project, layout, preferences).map((words) => (
          <p key={words}>{words}</p>
        ))}
        {layout.offcuts.length === 0 ? null : (
          <p className="flex flex-wrap gap-x-4 text-sm">
            {layout.offcuts.map(({ widthUm, heightUm }, index) => {
              const size = { widthMm: mmFromUm(widthUm), heightMm: mmFromUm(heightUm) }
              return (
                <Link
                  key={index}
                  href={fitsHref(layout.paperId, size, preferences, project.id)}
                  className="underline"
                >
                  What fits {formatSheet(size.widthMm, size.heightMm, preferences)}
                </Link>
              )
            })}
          </p>
        )}
        {layout.ready ? null : (
          <p className="text-sm">
            <a href={`/api/cut-cards/${project.id}?layout=${layout.id}`} className="underline">
              Save this card as SVG
            </a>
          </p>
        )}
        {waits ? (
          <p className="second">
            After the proof piece of the {waits.line?.design.name.toLowerCase()}
            {otherWords(waits)}.
          </p>
        ) : (
          <TickCut
            planId={planId}
            layoutId={layout.id}
            sheets={layout.sheets}
            from={layout.offcut ? 'offcut' : 'sheet'}
            what={of}
            tick={tickCutAction.bind(null, project.id)}
          />
        )}
      </div>
    </li>
  )
}
