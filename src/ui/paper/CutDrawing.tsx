import type { CutLayout } from '@/core/cut'
import { pieceSizeUm } from '@/core/sheet'
import { umFromMm } from '@/core/units'

interface CutDrawingProps {
  readonly layout: CutLayout
  readonly pieceMm: number
  readonly highPerWide?: number
  readonly colour: string
  readonly describe: string
}

/** A sheet with its pieces and what is left, to scale, long side lying. */
export function CutDrawing({ layout, pieceMm, highPerWide = 1, colour, describe }: CutDrawingProps) {
  const { sheetUm, grid, piecesPerSheet } = layout
  const piece = pieceSizeUm(umFromMm(pieceMm), highPerWide)
  // The sheet lies on its side: its height runs across the drawing.
  const [across, down] = grid.turned ? [piece.widthUm, piece.heightUm] : [piece.heightUm, piece.widthUm]
  const [width, height] = [sheetUm.heightUm, sheetUm.widthUm]
  const cells = Array.from({ length: piecesPerSheet }, (_, index) => ({
    x: (index % grid.rows) * across,
    y: Math.floor(index / grid.rows) * down,
    name: index + 1,
  }))
  const hair = width / 240
  return (
    <svg
      viewBox={`${-2 * hair} ${-2 * hair} ${width + 4 * hair} ${height + 4 * hair}`}
      role="img"
      aria-label={describe}
      className="w-full"
    >
      <rect
        width={width}
        height={height}
        fill="var(--color-base-300)"
        stroke="var(--ink-second)"
        strokeWidth={hair}
      />
      {cells.map(({ x, y, name }) => (
        <g key={name}>
          <rect
            x={x}
            y={y}
            width={across}
            height={down}
            fill={colour}
            stroke="var(--color-base-100)"
            strokeWidth={hair * 1.5}
            strokeDasharray={`${hair * 7} ${hair * 5}`}
          />
          <circle cx={x + hair * 16} cy={y + hair * 16} r={hair * 11} fill="var(--color-base-100)" />
          <text
            x={x + hair * 16}
            y={y + hair * 21}
            fontSize={hair * 14}
            textAnchor="middle"
            fill="var(--color-base-content)"
          >
            {name}
          </text>
        </g>
      ))}
    </svg>
  )
}
