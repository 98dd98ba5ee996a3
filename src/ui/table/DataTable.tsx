'use client'

import {
  createSortedRowModel,
  rowSortingFeature,
  sortFn_alphanumeric,
  sortFn_text,
  tableFeatures,
  useTable,
  type ColumnDef,
  type Header,
} from '@tanstack/react-table'
import { useMemo } from 'react'

export interface TableColumn {
  readonly key: string
  /** Empty where the cells say by themselves what they are. */
  readonly header: string
  /** Figures stand to the right. */
  readonly right?: boolean
}

/** A text, or a text with the number it is sorted by. */
export type TableCell = string | { readonly text: string; readonly by: number }

export interface TableRow {
  readonly id: string
  readonly cells: Readonly<Record<string, TableCell>>
}

interface DataTableProps {
  readonly caption: string
  /** The first one names the row. */
  readonly columns: readonly TableColumn[]
  readonly rows: readonly TableRow[]
  /** Where the order of the rows means nothing. */
  readonly sortable?: boolean
  readonly className?: string
}

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { alphanumeric: sortFn_alphanumeric, text: sortFn_text },
})
type Features = typeof features

const sortKey = (cell: TableCell | undefined): string | number =>
  cell === undefined ? '' : typeof cell === 'string' ? cell : cell.by
const cellText = (cell: TableCell | undefined): string =>
  cell === undefined ? '' : typeof cell === 'string' ? cell : cell.text

/** A table of texts and figures; a press on a heading sorts by it, up, down, and as it was. */
export function DataTable({ caption, columns, rows, sortable = false, className = '' }: DataTableProps) {
  const table = useTable({
    features,
    data: rows,
    columns: useMemo(
      () =>
        columns.map(({ key, header }): ColumnDef<Features, TableRow> => ({
          id: key,
          header,
          accessorFn: (row) => sortKey(row.cells[key]),
          enableSorting: sortable,
        })),
      [columns, sortable],
    ),
    getRowId: (row) => row.id,
  })
  const side = (index: number) => (columns[index]?.right === true ? 'text-right' : '')
  return (
    <div className="overflow-x-auto">
      <table className={`table max-tablet:table-sm ${className}`}>
        <caption className="sr-only">{caption}</caption>
        <thead>
          {table.getHeaderGroups().map((group) => (
            <tr key={group.id}>
              {group.headers.map((header, index) => (
                <Heading
                  key={header.id}
                  header={header}
                  text={columns[index]?.header ?? ''}
                  className={side(index)}
                />
              ))}
            </tr>
          ))}
        </thead>
        <tbody>
          {table.getRowModel().rows.map((row) => (
            <tr key={row.id}>
              {columns.map(({ key }, index) =>
                index === 0 ? (
                  <th key={key} scope="row" className="font-normal">
                    {cellText(row.original.cells[key])}
                  </th>
                ) : (
                  <td key={key} className={side(index)}>
                    {cellText(row.original.cells[key])}
                  </td>
                ),
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}

interface HeadingProps {
  readonly header: Header<Features, TableRow>
  readonly text: string
  readonly className: string
}

const SORTED = {
  asc: { aria: 'ascending', mark: '\u2191' },
  desc: { aria: 'descending', mark: '\u2193' },
} as const

function Heading({ header: { column }, text, className }: HeadingProps) {
  if (text === '') return <td />
  const order = column.getIsSorted()
  const sorted = order === false ? null : SORTED[order]
  return (
    <th scope="col" className={className} aria-sort={sorted?.aria}>
      {column.getCanSort() ? (
        <button
          type="button"
          className="min-h-6 cursor-pointer hover:underline"
          onClick={column.getToggleSortingHandler()}
        >
          {text}
          <span aria-hidden> {sorted?.mark}</span>
        </button>
      ) : (
        text
      )}
    </th>
  )
}
