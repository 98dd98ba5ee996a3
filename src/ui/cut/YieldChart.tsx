'use client'

import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts'
import type { SweepPoint } from '@/core/cut'
import { mmFromInch } from '@/core/units'
import { formatExact, plural, type Preferences } from '../format'

/** So many counts of sheets each get a mark of their own. */
const MOST_COUNTS = 8

interface YieldChartProps {
  readonly points: readonly SweepPoint[]
  readonly sideMm: number
  readonly preferences: Preferences
}

/** Sheets that each size of square takes: a staircase, with the size that is planned. The table below says its steps. */
export function YieldChart({ points, sideMm, preferences }: YieldChartProps) {
  const mmPerUnit = preferences.unit === 'in' ? mmFromInch(1) : 10
  const data = points.flatMap((point) =>
    point.sheets === null ? [] : [{ side: point.sideMm / mmPerUnit, sheets: point.sheets }],
  )
  const counts = [...new Set(data.map(({ sheets }) => sheets))].sort((a, b) => a - b)
  const [from, to] = [data.at(0)?.side ?? 0, data.at(-1)?.side ?? 0]
  const step = preferences.unit === 'in' ? 0.25 : 0.5
  const ticks = Array.from(
    { length: Math.max(0, Math.floor(to / step) - Math.ceil(from / step) + 1) },
    (_, at) => step * (Math.ceil(from / step) + at),
  )
  return (
    <div
      className="mt-3 h-56 max-w-2xl overflow-hidden"
      role="img"
      aria-label="Sheets needed, by size of square"
    >
      <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 320, height: 224 }}>
        <LineChart
          data={data}
          margin={{ top: 20, right: 12, bottom: 20, left: 0 }}
          accessibilityLayer={false}
        >
          <CartesianGrid stroke="var(--hairline)" vertical={false} />
          <XAxis
            dataKey="side"
            type="number"
            domain={['dataMin', 'dataMax']}
            ticks={ticks}
            stroke="var(--ink-second)"
            label={{
              value: `width that is cut, ${preferences.unit}`,
              position: 'insideBottom',
              offset: -12,
              fill: 'var(--ink-second)',
            }}
          />
          <YAxis
            stroke="var(--ink-second)"
            width={64}
            allowDecimals={false}
            domain={['dataMin - 2', 'dataMax + 2']}
            {...(counts.length <= MOST_COUNTS ? { ticks: counts, interval: 0 as const } : {})}
          />
          <Tooltip
            contentStyle={{ background: 'var(--color-base-100)', borderColor: 'var(--hairline)' }}
            labelFormatter={(side) => formatExact(Number(side) * mmPerUnit, preferences)}
            formatter={(sheets) => [plural(Number(sheets), 'sheet'), '']}
            separator=""
          />
          <ReferenceLine
            x={sideMm / mmPerUnit}
            stroke="var(--color-warning)"
            strokeDasharray="4 4"
            label={{ value: 'as planned', position: 'top', fill: 'var(--ink-second)' }}
          />
          <Line
            type="stepBefore"
            dataKey="sheets"
            stroke="var(--color-secondary)"
            strokeWidth={2.5}
            dot={false}
            isAnimationActive={false}
          />
        </LineChart>
      </ResponsiveContainer>
    </div>
  )
}
