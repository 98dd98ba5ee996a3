import { largest } from '@/core/numeric'
interface CountListProps {
  readonly title: string
  readonly rows: readonly (readonly [name: string, count: number])[]
  readonly empty: string
}

/** Counts as bars with their numbers, the largest setting the length. */
export function CountList({ title, rows, empty }: CountListProps) {
  const most = largest(
    rows.map(([, count]) => count),
    1,
  )
  return (
    <section>
      <h2 className="text-2xl">{title}</h2>
      {rows.length === 0 ? (
        <p className="second mt-2">{empty}</p>
      ) : (
        <dl className="mt-3 grid grid-cols-[9rem_1fr_3rem] items-center gap-x-3 gap-y-2">
          {rows.map(([name, count]) => (
            <div key={name} className="contents">
              <dt>{name}</dt>
              <dd aria-hidden>
                <span className="block h-3 bg-accent" style={{ width: `${(100 * count) / most}%` }} />
              </dd>
              <dd className="text-right">{count}</dd>
            </div>
          ))}
        </dl>
      )}
    </section>
  )
}
