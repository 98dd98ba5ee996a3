'use client'

import { CartesianGrid, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts'

interface PaceChartProps {
  readonly points: readonly { readonly piece: number; readonly minutes: number }[]
}

/** Minutes a piece over the run. The table below it holds the same numbers. */
export function PaceChart({ points }: PaceChartProps) {
  return (
    <div
      className="mt-3 h-56 overflow-hidden"
      role="img"
      aria-label={`Minutes a piece, from ${points[0]?.minutes ?? 0} at the first to ${points.at(-1)?.minutes ?? 0} at the last`}
    >
      <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 320, height: 224 }}>
        <LineChart
          data={[...points]}
          margin={{ top: 8, right: 12, bottom: 20, left: 0 }}
          accessibilityLayer={false}
        >
          <CartesianGrid stroke="var(--hairline)" vertical={false} />
          <XAxis
            dataKey="piece"
            stroke="var(--ink-second)"
            label={{ value: 'piece', position: 'insideBottom', offset: -12, fill: 'var(--ink-second)' }}
          />
          <YAxis stroke="var(--ink-second)" width={64} unit=" min" />
          <Tooltip contentStyle={{ background: 'var(--color-base-100)', borderColor: 'var(--hairline)' }} />
          <Line
            type="monotone"
            dataKey="minutes"
            stroke="var(--color-secondary)"
            strokeWidth={2.5}
            dot={{ r: 3 }}
            isAnimationActive={false}
          />
        </LineChart>
      </ResponsiveContainer>
    </div>
  )
}
