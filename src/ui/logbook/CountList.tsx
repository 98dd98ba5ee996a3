'use client'

import { Bar, BarChart, LabelList, ResponsiveContainer, XAxis, YAxis } from 'recharts'

interface CountListProps {
  readonly title: string
  readonly rows: readonly (readonly [name: string, count: number])[]
  readonly empty: string
}

const ROW_PX = 32

/** Counts as bars with their numbers, the largest setting the length; the same as a list for who cannot see bars. */
export function CountList({ title, rows, empty }: CountListProps) {
  const height = rows.length * ROW_PX
  return (
    <section>
      <h2 className="text-2xl">{title}</h2>
      {rows.length === 0 ? (
        <p className="second mt-2">{empty}</p>
      ) : (
        <>
          <dl className="sr-only">
            {rows.map(([name, count]) => (
              <div key={name}>
                <dt>{name}</dt>
                <dd>{count}</dd>
              </div>
            ))}
          </dl>
          <div aria-hidden className="mt-3 overflow-hidden" style={{ height }}>
            <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 320, height }}>
              <BarChart
                data={rows.map(([name, count]) => ({ name, count }))}
                layout="vertical"
                margin={{ top: 0, right: 48, bottom: 0, left: 0 }}
                accessibilityLayer={false}
              >
                <XAxis type="number" hide domain={[0, 'dataMax']} />
                <YAxis
                  type="category"
                  dataKey="name"
                  width={152}
                  interval={0}
                  axisLine={false}
                  tickLine={false}
                  tick={{ fill: 'var(--color-base-content)' }}
                />
                <Bar dataKey="count" fill="var(--color-accent)" barSize={12} isAnimationActive={false}>
                  <LabelList dataKey="count" position="right" fill="var(--color-base-content)" />
                </Bar>
              </BarChart>
            </ResponsiveContainer>
          </div>
        </>
      )}
    </section>
  )
}
