import type { Metadata } from 'next'
import { Link } from '@/ui/shell/Link'
import { openPage } from '@/app/_server/guard'
import { readLogbook } from '@/flows/read/logbook'
import { formatMoment, formatPace, formatShare, plural, type Preferences } from '@/ui/format'
import { CountList } from '@/ui/logbook/CountList'
import { EmptyState } from '@/ui/shell/EmptyState'
import { DataTable, type TableColumn } from '@/ui/table/DataTable'
import { figure } from '@/ui/table/cells'

export const metadata: Metadata = { title: 'Logbook' }

const FAMILY_COLUMNS: readonly TableColumn[] = [
  { key: 'family', header: 'Family' },
  { key: 'usable', header: 'Folded', right: true },
  { key: 'spoiled', header: 'Spoiled', right: true },
  { key: 'rejects', header: 'Rejects expected', right: true },
]
const PACE_COLUMNS: readonly TableColumn[] = [
  { key: 'design', header: 'Design' },
  { key: 'logged', header: 'Logged', right: true },
  { key: 'usual', header: 'Usual', right: true },
  { key: 'planned', header: 'Planned with', right: true },
]

export default async function LogbookPage() {
  const { context, preferences } = await openPage()
  const { runs, grades, reasons, families, paces } = await readLogbook(context)
  return (
    <>
      <h1 className="text-4xl">Logbook</h1>
      <p className="second mt-1">What folding really took. Every next estimate starts from here.</p>
      {runs.length === 0 ? (
        <EmptyState
          title="Nothing logged yet"
          text="Each tap at the table is kept: pieces, grades, rejects and times. Start a run and it fills by itself."
          href="/designs"
          deed="Just fold something"
        />
      ) : (
        <>
          <div className="mt-6 grid gap-8 tablet:grid-cols-2">
            <CountList
              title="By grade"
              rows={grades.map((row) => [row.label, row.units])}
              empty="No piece is finished yet."
            />
            <CountList
              title="Spoiled, by reason"
              rows={reasons.map((row) => [row.label === '' ? 'no reason given' : row.label, row.units])}
              empty="None was spoiled."
            />
          </div>
          <NextEstimate families={families} paces={paces} locale={preferences.locale} />
          <Runs runs={runs} preferences={preferences} />
        </>
      )}
    </>
  )
}

type Logbook = Awaited<ReturnType<typeof readLogbook>>

/** What the log says of rejects and pace. */
function NextEstimate({
  families,
  paces,
  locale,
}: Pick<Logbook, 'families' | 'paces'> & { readonly locale: string }) {
  return (
    <section className="mt-8" aria-labelledby="lessons">
      <h2 id="lessons" className="text-2xl">
        What the next estimate uses
      </h2>
      <div className="mt-2 grid items-start gap-8 tablet:grid-cols-2 *:min-w-0">
        <DataTable
          caption="Rejects expected, by family"
          columns={FAMILY_COLUMNS}
          rows={families.map((row) => ({
            id: row.family,
            cells: {
              family: row.family,
              usable: figure(row.usable),
              spoiled: figure(row.spoiled),
              rejects: {
                text: formatShare(row.expectedRejects, locale),
                by: row.expectedRejects,
              },
            },
          }))}
          sortable
        />
        <DataTable
          caption="Pace of each design"
          columns={PACE_COLUMNS}
          rows={paces.map((row) => ({
            id: row.designName,
            cells: {
              design: row.designName,
              logged: { text: plural(row.loggedPieces, 'piece'), by: row.loggedPieces },
              usual: { text: formatPace(row.usualMinutes * 60), by: row.usualMinutes },
              planned: { text: formatPace(row.secondsPerPiece), by: row.secondsPerPiece },
            },
          }))}
          sortable
        />
      </div>
    </section>
  )
}

/** Every run, the last one first. */
function Runs({ runs, preferences }: Pick<Logbook, 'runs'> & { readonly preferences: Preferences }) {
  return (
    <section className="mt-8" aria-labelledby="runs">
      <h2 id="runs" className="text-2xl">
        Runs
      </h2>
      <ul className="mt-2">
        {runs.map((run) => (
          <li
            key={run.id}
            className="grid gap-x-4 border-t hairline py-3 tablet:grid-cols-[2fr_1.5fr_1fr_1fr]"
          >
            <Link href={`/logbook/${run.id}`} className="font-semibold hover:underline">
              {run.designName}
              {run.paperName === null ? '' : `, ${run.paperName}`}
            </Link>
            <span className="second">{run.projectName ?? 'just folding'}</span>
            <span>
              {run.usable} of {run.wanted}
              {run.spoiled > 0 ? `, ${run.spoiled} spoiled` : ''}
            </span>
            <span className="second tablet:text-right">
              {formatMoment(run.lastTapAtMs ?? run.startedAtMs, preferences)}
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}
