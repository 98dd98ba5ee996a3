import { largest, least } from '@/core/numeric'
import { outlineMm, variantOf, type DesignDocument, type GaugeSettings } from '@/core/design'

interface SilhouetteProps {
  readonly design: DesignDocument
  readonly variantKey: string
  readonly sheetMm: number
  readonly gauges: GaugeSettings
  readonly colour: string
  readonly className?: string
}

/** The finished outline, computed for this sheet and these gauges, in a paper's colour. */
export function Silhouette({
  design,
  variantKey,
  sheetMm,
  gauges,
  colour,
  className = 'h-40 w-full',
}: SilhouetteProps) {
  const points = outlineMm(design, variantOf(design, variantKey), sheetMm, gauges)
  const xs = points.map((point) => point.x)
  const ys = points.map((point) => -point.y)
  const [left, top] = [least(xs), least(ys)]
  const [width, height] = [largest(xs) - left, largest(ys) - top]
  const margin = 0.03 * Math.max(width, height)
  return (
    <svg
      viewBox={`${left - margin} ${top - margin} ${width + 2 * margin} ${height + 2 * margin}`}
      className={className}
      role="img"
      aria-label={`Outline of the ${design.name}`}
    >
      <polygon
        points={points.map(({ x, y }) => `${x},${-y}`).join(' ')}
        fill={colour}
        stroke="var(--paper-line)"
        strokeWidth={1.6}
        strokeLinejoin="round"
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  )
}
