'use client'

import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import type { DrawerPreview, TableMeans } from '@/flows/drawer-table'
import { MOST_CSV_BYTES } from '@/formats/drawer-csv'
import { formatBytes, formatSheet, NO_ANSWER, plural, type Preferences } from '../format'
import { usePress } from '../forms/usePress'
import { figure } from '../table/cells'
import { DataTable, type TableColumn } from '../table/DataTable'
import { drawerFaultWords } from './drawer-words'

type Shown = Extract<DrawerPreview, { ok: true }>

type State =
  | { readonly kind: 'idle' }
  | { readonly kind: 'working'; readonly doing: 'Reading' | 'Taking in' }
  | { readonly kind: 'refused'; readonly message: string }
  | { readonly kind: 'shown'; readonly preview: Shown; readonly message: string | null }
  | { readonly kind: 'done'; readonly rows: number; readonly papers: number }

const MEANS: readonly (readonly [TableMeans, string])[] = [
  ['put in', 'sheets to put in, beside what is there'],
  ['counted', 'all there are: what is there is set to it'],
]

async function ask(text: string, query: Readonly<Record<string, string>>): Promise<unknown> {
  const response = await fetch(`/api/drawer?${new URLSearchParams(query).toString()}`, {
    method: 'POST',
    headers: { 'content-type': 'text/csv' },
    body: text,
  })
  return response.json()
}

const messageOf = (answer: unknown): string | null =>
  typeof answer === 'object' && answer !== null && 'message' in answer && typeof answer.message === 'string'
    ? answer.message
    : null

/** Reads a table of papers, shows what it would do row by row, and takes it in when told to. */
export function TakeTableIn({ preferences }: { readonly preferences: Preferences }) {
  const router = useRouter()
  const pressOnce = usePress()
  const [means, setMeans] = useState<TableMeans>('put in')
  const [state, setState] = useState<State>({ kind: 'idle' })
  const file = useRef<{ readonly name: string; readonly text: string } | null>(null)
  const preview = async (as: TableMeans) => {
    if (!file.current) return
    setState({ kind: 'working', doing: 'Reading' })
    try {
      const answer = await ask(file.current.text, { means: as })
      const message = messageOf(answer)
      const read = answer as DrawerPreview
      if (message !== null) setState({ kind: 'refused', message })
      else if (read.ok) setState({ kind: 'shown', preview: read, message: null })
      else setState({ kind: 'refused', message: drawerFaultWords(read.fault) })
    } catch {
      setState({ kind: 'refused', message: NO_ANSWER })
    }
  }
  const choose = async (chosen: File) => {
    if (chosen.size > MOST_CSV_BYTES) {
      const most = formatBytes(MOST_CSV_BYTES, preferences)
      setState({ kind: 'refused', message: `${chosen.name} is larger than ${most}. Nothing was changed.` })
      return
    }
    try {
      file.current = { name: chosen.name, text: await chosen.text() }
    } catch {
      setState({ kind: 'refused', message: `${chosen.name} could not be read. Choose it again.` })
      return
    }
    await preview(means)
  }
  const takeIn = async (shown: Shown) => {
    const text = file.current?.text ?? ''
    setState({ kind: 'working', doing: 'Taking in' })
    try {
      const answer = await pressOnce((press) => ask(text, { means, stamp: shown.stamp, press }))
      const message = messageOf(answer)
      if (message !== null) {
        setState({ kind: 'shown', preview: shown, message })
        return
      }
      const { value } = answer as { value: { rows: number; papers: number } }
      setState({ kind: 'done', ...value })
      router.refresh()
    } catch {
      setState({ kind: 'shown', preview: shown, message: NO_ANSWER })
    }
  }
  return (
    <div className="flex flex-col gap-5">
      <TableFields
        means={means}
        setMeans={(key) => {
          setMeans(key)
          void preview(key)
        }}
        choose={(chosen) => void choose(chosen)}
      />
      <div aria-live="polite">
        <Answer state={state} takeIn={takeIn} preferences={preferences} />
      </div>
    </div>
  )
}

interface TableFieldsProps {
  readonly means: TableMeans
  readonly setMeans: (means: TableMeans) => void
  readonly choose: (file: File) => void
}

/** What the numbers of the table are, and the file. */
function TableFields({ means, setMeans, choose }: TableFieldsProps) {
  return (
    <>
      <fieldset>
        <legend className="mb-1 font-semibold">The numbers in it are</legend>
        {MEANS.map(([key, label]) => (
          <label key={key} className="flex items-center gap-3 py-1">
            <input
              type="radio"
              name="means"
              className="radio"
              checked={means === key}
              onChange={() => setMeans(key)}
            />
            {label}
          </label>
        ))}
      </fieldset>
      <div>
        <label htmlFor="drawer-file" className="mb-1 block font-semibold">
          A table as a CSV file
        </label>
        <input
          id="drawer-file"
          type="file"
          accept=".csv,.tsv,.txt,text/csv"
          className="file-input w-full max-w-md"
          onChange={(event) => {
            const [chosen] = event.target.files ?? []
            if (chosen) choose(chosen)
            // The same file, mended, can be chosen again.
            event.target.value = ''
          }}
        />
      </div>
    </>
  )
}

interface AnswerProps {
  readonly state: State
  readonly takeIn: (shown: Shown) => Promise<void>
  readonly preferences: Preferences
}

function Answer({ state, takeIn, preferences }: AnswerProps) {
  if (state.kind === 'idle') return null
  if (state.kind === 'working') return <p>{state.doing}…</p>
  if (state.kind === 'refused')
    return (
      <p role="alert" className="note font-semibold">
        {state.message}
      </p>
    )
  if (state.kind === 'done')
    return (
      <p className="note font-semibold">
        {plural(state.rows, 'row')} taken in
        {state.papers > 0 ? `, ${plural(state.papers, 'paper')} of them new` : ''}. They are in the drawer
        now.
      </p>
    )
  const { preview, message } = state
  const { rows, refused, unread } = preview
  return (
    <div className="flex flex-col gap-4">
      {message === null ? null : (
        <p role="alert" className="note font-semibold">
          {message}
        </p>
      )}
      <p className="figure text-2xl">
        {plural(rows.length, 'row')} can be taken in
        {refused.length > 0 ? `, ${refused.length} cannot` : ''}
      </p>
      {unread.length === 0 ? null : (
        <p>Columns that say nothing here and are not read: {unread.join(', ')}.</p>
      )}
      <Refused refused={refused} />
      {rows.length === 0 ? null : (
        <>
          <button type="button" className="btn btn-primary self-start" onClick={() => void takeIn(preview)}>
            {refused.length > 0
              ? `Take in the ${plural(rows.length, 'row')} that can be, leave out ${refused.length}`
              : `Take in ${plural(rows.length, 'row')}`}
          </button>
          <Rows rows={rows} preferences={preferences} />
        </>
      )}
    </div>
  )
}

/** More rows than this are not looked at one by one. */
const ROWS_SHOWN = 200

function Refused({ refused }: Pick<Shown, 'refused'>) {
  if (refused.length === 0) return null
  return (
    <section aria-labelledby="refused-title">
      <h2 id="refused-title" className="text-xl">
        What stands in the way
      </h2>
      <ul className="mt-1">
        {refused.slice(0, ROWS_SHOWN).map(({ row, column, message }) => (
          <li key={row} className="border-t hairline py-1">
            <span className="font-semibold">
              Row {row}
              {column === null ? '' : `, ${column}`}:
            </span>{' '}
            {message}
          </li>
        ))}
      </ul>
      {refused.length > ROWS_SHOWN ? <p className="second">and {refused.length - ROWS_SHOWN} more</p> : null}
    </section>
  )
}

const COLUMNS: readonly TableColumn[] = [
  { key: 'row', header: 'Row', right: true },
  { key: 'paper', header: 'Paper' },
  { key: 'size', header: 'Sheets of' },
  { key: 'now', header: 'Now', right: true },
  { key: 'then', header: 'Then', right: true },
]

function Rows({ rows, preferences }: Pick<Shown, 'rows'> & { readonly preferences: Preferences }) {
  return (
    <>
      <DataTable
        caption="What each row does to the drawer"
        columns={COLUMNS}
        rows={rows
          .slice(0, ROWS_SHOWN)
          .map(({ row, paper, isNew, widthMm, heightMm, offcut, now, then }) => ({
            id: String(row),
            cells: {
              row: figure(row),
              paper: `${paper}${isNew ? ', new' : ''}`,
              size:
                widthMm === null || heightMm === null
                  ? 'no sheets'
                  : `${formatSheet(widthMm, heightMm, preferences)}${offcut ? ', offcut' : ''}`,
              now: figure(now),
              then: figure(then),
            },
          }))}
      />
      {rows.length > ROWS_SHOWN ? <p className="second">and {rows.length - ROWS_SHOWN} rows more</p> : null}
    </>
  )
}
