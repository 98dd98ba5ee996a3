'use client'

import { useState } from 'react'
import { useWatch } from 'react-hook-form'
import { apportionTable, MOST_SHARED } from '@/core/colour'
import { readRatio } from '@/schema/ratio'
import type { DrawerPaper } from '@/flows/read/papers'
import type { DesignChoice } from '@/flows/read/brief-designs'
import { Swatch } from '../paper/Swatch'
import type { FormOf } from '../forms/useDeedForm'
import type { BriefValues, LineValues } from './form-values'
import { typedCount, wantedPieces } from './wanted-pieces'

interface ShareTableProps {
  readonly form: FormOf<BriefValues>
  readonly choices: readonly DesignChoice[]
  readonly papers: readonly DrawerPaper[]
}

/** Lines that a table has a row for, with their places among all lines: whole pieces, and a number of them. */
const rowsOf = (lines: readonly LineValues[]) =>
  lines.flatMap((line, at) => {
    const pieces = wantedPieces(line, lines) ?? 0
    return line.colours === 'whole' && pieces > 0 ? [{ line, at, pieces }] : []
  })

/** All lines by all their papers in one table, both totals beside it, shared at once in the same parts. */
export function ShareTable({ form, choices, papers }: ShareTableProps) {
  const lines = useWatch({ control: form.control, name: 'lines' })
  const rows = rowsOf(lines)
  const columns = papers.filter(({ id }) =>
    rows.some(({ line }) => line.papers.some(({ paperId }) => paperId === id)),
  )
  if (rows.length < 2 || columns.length < 2) return null
  return (
    <details className="border-t hairline pt-4">
      <summary className="cursor-pointer py-1 text-lg">All lines by their papers</summary>
      <Cells rows={rows} columns={columns} choices={choices} />
      <ShareAll form={form} rows={rows} columns={columns} />
    </details>
  )
}

interface TableProps {
  readonly rows: ReturnType<typeof rowsOf>
  readonly columns: readonly DrawerPaper[]
}

const piecesIn = (line: LineValues, paperId: string): number =>
  typedCount(line.papers.find((row) => row.paperId === paperId)?.pieces ?? '') ?? 0

/** How many of each line in each paper, and what both come to. */
const Cells = ({ rows, columns, choices }: TableProps & Pick<ShareTableProps, 'choices'>) => (
  <div className="mt-3 overflow-x-auto">
    <table className="table w-auto">
      <thead>
        <tr>
          <th scope="col">Line</th>
          {columns.map(({ id, name, frontColour, backColour }) => (
            <th scope="col" key={id}>
              <span className="flex items-center justify-end gap-2">
                <Swatch front={frontColour} back={backColour} />
                {name}
              </span>
            </th>
          ))}
          <th scope="col" className="text-right">
            Pieces
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ line, at, pieces }) => (
          <tr key={line.id}>
            <th scope="row" className="font-normal">
              {at + 1}. {choices.find(({ id }) => id === line.designId)?.name ?? ''}
            </th>
            {columns.map(({ id }) => (
              <Figure key={id} value={piecesIn(line, id)} />
            ))}
            <Figure value={pieces} strong />
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr>
          <th scope="row">Together</th>
          {columns.map(({ id }) => (
            <Figure key={id} value={rows.reduce((sum, { line }) => sum + piecesIn(line, id), 0)} strong />
          ))}
          <Figure value={rows.reduce((sum, { pieces }) => sum + pieces, 0)} strong />
        </tr>
      </tfoot>
    </table>
  </div>
)

const Figure = ({ value, strong = false }: { readonly value: number; readonly strong?: boolean }) => (
  <td className={`figure text-right ${strong ? 'font-semibold' : ''}`}>{value}</td>
)

/** The shares of all lines, written once. */
function ShareAll({ form, rows, columns }: TableProps & Pick<ShareTableProps, 'form'>) {
  const [text, setText] = useState('')
  const [wrong, setWrong] = useState<string | null>(null)
  const share = () => {
    const ratio = readRatio(text, columns.length)
    const all = rows.reduce((sum, { pieces }) => sum + pieces, 0)
    if (!ratio.ok) return setWrong(ratio.words)
    if (ratio.shares.some(({ locked }) => locked !== null))
      return setWrong('Hold numbers in the lines; here write parts, like 60/30/10.')
    if (all > MOST_SHARED) return setWrong(`At most ${MOST_SHARED} pieces can be shared out.`)
    setWrong(null)
    const { cells } = apportionTable(
      rows.map(({ pieces }) => pieces),
      ratio.shares.map(({ weight }) => weight),
      'largest remainder',
    )
    rows.forEach(({ at }, row) => {
      const counts = columns.flatMap(({ id: paperId }, column) => {
        const pieces = cells[row]?.[column] ?? 0
        return pieces > 0 ? [{ paperId, pieces: String(pieces) }] : []
      })
      form.setValue(`lines.${at}.papers`, counts, { shouldDirty: true })
      form.setValue(`lines.${at}.shares`, '')
    })
  }
  return (
    <>
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <label className="text-sm font-semibold">
          Share all of it as
          <input
            value={text}
            onChange={(event) => setText(event.target.value)}
            onKeyDown={(event) => {
              // Enter shares; it must not send the brief.
              if (event.key !== 'Enter') return
              event.preventDefault()
              share()
            }}
            placeholder={columns.length === 2 ? '60/40' : columns.length === 3 ? '60/30/10' : '3/2/1/1'}
            aria-invalid={wrong !== null}
            aria-describedby={wrong === null ? undefined : 'share-table-error'}
            className="input mt-1 block w-44 font-normal"
          />
        </label>
        <button type="button" className="btn btn-outline" onClick={share}>
          {text.trim() === '' ? 'Share evenly' : 'Share so'}
        </button>
        <p className="second max-w-prose text-sm">
          Every line keeps its pieces, every paper gets its share of all of them.
        </p>
      </div>
      {wrong === null ? null : (
        <p id="share-table-error" role="alert" className="mt-2 font-semibold text-error">
          {wrong}
        </p>
      )}
    </>
  )
}
