import type { Metadata } from 'next'
import Link from 'next/link'
import { openPage } from '@/app/_server/guard'
import { readLogbook } from '@/flows/read/logbook'
import { formatMoment, formatPace, formatShare, plural } from '@/ui/format'
import { CountList } from '@/ui/logbook/CountList'
import { EmptyState } from '@/ui/shell/EmptyState'

export const metadata: Metadata = { title: 'Logbook' }

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
          <section className="mt-8" aria-labelledby="lessons">
            <h2 id="lessons" className="text-2xl">
              What the next estimate uses
            </h2>
            <div className="mt-2 grid items-start gap-8 tablet:grid-cols-2 *:min-w-0 *:overflow-x-auto">
              <div>
                <table className="table max-tablet:table-sm">
                  <thead>
                    <tr>
                      <th scope="col">Family</th>
                      <th scope="col" className="text-right">
                        Folded
                      </th>
                      <th scope="col" className="text-right">
                        Spoiled
                      </th>
                      <th scope="col" className="text-right">
                        Rejects expected
                      </th>
                    </tr>
                  </thead>
                  <tbody>
                    {families.map((row) => (
                      <tr key={row.family}>
                        <th scope="row" className="font-normal">
                          {row.family}
                        </th>
                        <td className="text-right">{row.usable}</td>
                        <td className="text-right">{row.spoiled}</td>
                        <td className="text-right">{formatShare(row.expectedRejects, preferences.locale)}</td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </div>
              <div>
                <table className="table max-tablet:table-sm">
                  <thead>
                    <tr>
                      <th scope="col">Design</th>
                      <th scope="col" className="text-right">
                        Logged
                      </th>
                      <th scope="col" className="text-right">
                        Usual
                      </th>
                      <th scope="col" className="text-right">
                        Planned with
                      </th>
                    </tr>
                  </thead>
                  <tbody>
                    {paces.map((row) => (
                      <tr key={row.designName}>
                        <th scope="row" className="font-normal">
                          {row.designName}
                        </th>
                        <td className="text-right">{plural(row.loggedPieces, 'piece')}</td>
                        <td className="text-right">{formatPace(row.usualMinutes * 60)}</td>
                        <td className="text-right">{formatPace(row.secondsPerPiece)}</td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </div>
            </div>
          </section>
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
        </>
      )}
    </>
  )
}
