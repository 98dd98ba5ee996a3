import { mmFromUm } from '@/core/units'
import type { ProjectView } from '@/flows/read/project'
import { AddPlain, type PlainTyped } from '@/ui/cut/AddPlain'
import { formatSheet, type Preferences } from '@/ui/format'
import { DeedButton } from '@/ui/forms/DeedButton'
import { addPlainLineAction, dropPlainLineAction } from '../../actions'

/** What the form begins with, as a link may have filled it in (`cutHref`): its fields as they are typed. */
export type PlainQuery = Readonly<Record<string, string | string[] | undefined>>

interface PlainPiecesProps {
  readonly project: ProjectView
  readonly papers: readonly { readonly id: string; readonly name: string }[]
  readonly query: PlainQuery
  readonly preferences: Preferences
}

/** Pieces that are cut and not folded: what is asked for, how far it is, and more of them. */
export function PlainPieces({ project, papers, query, preferences }: PlainPiecesProps) {
  const text = (key: string) => (typeof query[key] === 'string' ? query[key].slice(0, 60) : '')
  const asked = papers.find(({ id }) => id === text('paperId'))?.id ?? ''
  const initial: PlainTyped = {
    name: text('name'),
    paperId: (asked || project.papers[0]?.id) ?? papers[0]?.id ?? '',
    width: text('width'),
    height: text('height'),
    pieces: text('pieces'),
  }
  const paperName = (id: string) => papers.find((paper) => paper.id === id)?.name ?? 'a paper put away'
  return (
    <section aria-labelledby="not-folded" id="plain">
      <h2 id="not-folded" className="text-2xl">
        Cut and not folded
      </h2>
      <p className="second">Card blanks, tags, strips: cut from the same sheets, in the same plan.</p>
      {project.plain.length === 0 ? null : (
        <ul className="mt-2">
          {project.plain.map(({ id, name, paperId, sizeUm, pieces, cut, toCut, shortage }) => (
            <li
              key={id}
              className="flex flex-wrap items-center justify-between gap-3 border-t hairline py-2 last:border-b"
            >
              <span>
                <span className="font-semibold">{name}</span>, {pieces} of{' '}
                {formatSheet(mmFromUm(sizeUm.widthUm), mmFromUm(sizeUm.heightUm), preferences)},{' '}
                {paperName(paperId)}
                <span className="second">
                  {cut === 0 ? '' : `: ${cut} cut`}
                  {toCut === 0 ? ', all there' : ''}
                </span>
                {shortage.units > 0 ? (
                  <span className="font-semibold">: no sheet for {shortage.units}</span>
                ) : null}
              </span>
              {toCut === 0 ? null : (
                <DeedButton
                  act={dropPlainLineAction.bind(null, project.id, id)}
                  className="btn btn-ghost btn-sm"
                  label={`${cut === 0 ? 'Do without' : 'Cut no more of'} ${name}`}
                >
                  {cut === 0 ? 'Do without' : 'Cut no more'}
                </DeedButton>
              )}
            </li>
          ))}
        </ul>
      )}
      {papers.length === 0 ? (
        <p className="mt-2">Put a paper into the drawer first.</p>
      ) : (
        <details open={initial.name !== ''} className="mt-2">
          <summary className="cursor-pointer py-2">Cut something else too</summary>
          <AddPlain
            papers={papers}
            initial={initial}
            preferences={preferences}
            add={addPlainLineAction.bind(null, project.id)}
          />
        </details>
      )}
    </section>
  )
}
