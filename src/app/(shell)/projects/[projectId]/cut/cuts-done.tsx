import type { ProjectView } from '@/flows/read/project'
import { countOf, formatMoment, plural, type Preferences } from '@/ui/format'
import { cutFor, otherWords } from '@/ui/cut/layout-words'
import { pagedBy } from '@/ui/shell/paged'
import { Pages } from '@/ui/shell/Pages'
import { DeedButton } from '@/ui/forms/DeedButton'
import { undoCutAction } from '../../actions'

const CUTS_A_PAGE = 20

interface CutsDoneProps {
  readonly project: ProjectView
  readonly preferences: Preferences
  readonly asked: string | string[] | undefined
}

/** What was cut, newest first; any of it can be taken back. */
export function CutsDone({ project, preferences, asked }: CutsDoneProps) {
  if (project.cuts.length === 0) return null
  const { shown, page, pages } = pagedBy(project.cuts, asked, CUTS_A_PAGE)
  return (
    <section aria-labelledby="cuts-done">
      <h2 id="cuts-done" className="text-2xl">
        Cut already
      </h2>
      <ul className="mt-3">
        {shown.map((cut) => {
          const paper = project.papers.find(({ id }) => id === cut.paperId)
          const pieces = cut.pieces.map(({ lineId, partKey, count }) => {
            const { part, plain, ...whose } = cutFor(project, { lineId, partKey })
            const named = plain ? `${count} x ${plain.name}` : countOf(count, part?.name ?? 'piece')
            return `${named}${otherWords(whose)}`
          })
          const what = `${pieces.join(' and ')}, ${paper?.name ?? 'a paper no longer used here'}`
          return (
            <li
              key={cut.id}
              className="flex flex-wrap items-center justify-between gap-3 border-t hairline py-2"
            >
              <span>
                {cut.proof ? 'Proof piece: ' : ''}
                {what}{' '}
                <span className="second">
                  from {plural(cut.sheets, cut.offcut ? 'offcut' : 'sheet')},{' '}
                  {formatMoment(cut.atMs, preferences)}
                </span>
              </span>
              <DeedButton
                act={undoCutAction.bind(null, project.id, cut.id)}
                className="btn btn-ghost btn-sm"
                label={`Undo cut: ${what}`}
              >
                Undo
              </DeedButton>
            </li>
          )
        })}
      </ul>
      {pages > 1 ? (
        <Pages href={`/projects/${project.id}/cut`} name="done" of="cuts done" page={page} pages={pages} />
      ) : null}
    </section>
  )
}
