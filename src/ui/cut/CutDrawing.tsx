import { placedAt, type CutLayout } from '@/core/cut'
import { hexagonIn, type SizeUm } from '@/core/sheet'

interface CutDrawingProps {
  readonly layout: Pick<CutLayout, 'sheetUm' | 'placements' | 'offcuts'>
  /** The size of every demand, by its name. */
  readonly sizes: ReadonlyMap<string, SizeUm>
  readonly colour: string
  readonly describe: string
  /** Distances from the corner, along the sheet's width and its height, with what is told of each. */
  readonly marks?: readonly RulerMark[]
  /** Demands whose piece is a hexagon, cut out of its rectangle. */
  readonly hexagons?: ReadonlySet<string>
  /** Along which of the sheet's sides its grain runs. */
  readonly grain?: 'width' | 'height' | null
}

const NO_HEXAGONS: ReadonlySet<string> = new Set()

export interface RulerMark {
  readonly axis: 'x' | 'y'
  readonly atUm: number
  readonly says: string
}

interface Box {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

/** A sheet with its pieces and what is kept of it, to scale, long side lying. */
export function CutDrawing({
  layout,
  sizes,
  colour,
  describe,
  marks = [],
  hexagons = NO_HEXAGONS,
  grain = null,
}: CutDrawingProps) {
  const { sheetUm, placements, offcuts } = layout
  const lying = sheetUm.heightUm > sheetUm.widthUm
  const [width, height] = lying ? [sheetUm.heightUm, sheetUm.widthUm] : [sheetUm.widthUm, sheetUm.heightUm]
  // An upright sheet is drawn on its side: its height runs across the drawing.
  const box = ({ xUm, yUm, widthUm, heightUm }: { xUm: number; yUm: number } & SizeUm): Box =>
    lying
      ? { x: yUm, y: xUm, width: heightUm, height: widthUm }
      : { x: xUm, y: height - yUm - heightUm, width: widthUm, height: heightUm }
  const kinds = [...new Set(placements.map(({ demand }) => demand))]
  const hair = width / 240
  // Room for the distances that are told along two edges.
  const room = marks.length > 0 ? 34 * hair : 2 * hair
  const beside = marks.length > 0 ? 16 * hair : 2 * hair
  return (
    <svg
      viewBox={`${-room} ${-2 * hair} ${width + room + beside} ${height + room + 2 * hair}`}
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
      {offcuts.map((offcut, index) => (
        <rect
          key={index}
          {...box(offcut)}
          fill="var(--color-base-100)"
          stroke="var(--ink-second)"
          strokeWidth={hair}
          strokeDasharray={`${hair * 2} ${hair * 4}`}
        />
      ))}
      {placements.map((placement, index) => {
        const size = sizes.get(placement.demand)
        return size ? (
          <Piece
            key={index}
            box={box(placedAt(placement, size))}
            name={kinds.length > 1 ? `${kinds.indexOf(placement.demand) + 1}` : `${index + 1}`}
            second={kinds.indexOf(placement.demand) > 0}
            colour={colour}
            hair={hair}
            hexagon={hexagons.has(placement.demand)}
          />
        ) : null
      })}
      {grain === null ? null : (
        <Grain across={(grain === 'width') !== lying} width={width} height={height} hair={hair} />
      )}
      {marks.map(({ axis, atUm, says }, index) => (
        <Mark
          key={index}
          across={(axis === 'x') !== lying}
          at={atUm}
          says={says}
          height={height}
          hair={hair}
        />
      ))}
    </svg>
  )
}

interface MarkProps {
  /** Along the lower edge; else up the left one. */
  readonly across: boolean
  readonly at: number
  readonly says: string
  readonly height: number
  readonly hair: number
}

/** A distance at the edge of the sheet, with a tick where it is. */
function Mark({ across, at, says, height, hair }: MarkProps) {
  const [x, y] = across ? [at, height] : [0, height - at]
  return (
    <g stroke="var(--color-base-content)" strokeWidth={hair}>
      <path d={across ? `M${x} ${y}v${5 * hair}` : `M${x} ${y}h${-5 * hair}`} />
      <text
        x={across ? x : -7 * hair}
        y={across ? y + 16 * hair : y + 4 * hair}
        fontSize={11 * hair}
        textAnchor={across ? 'middle' : 'end'}
        fill="var(--color-base-content)"
        stroke="none"
      >
        {says}
      </text>
    </g>
  )
}

interface GrainProps {
  readonly across: boolean
  readonly width: number
  readonly height: number
  readonly hair: number
}

/** An arrow with two heads along the grain, in the upper right of the sheet. */
function Grain({ across, width, height, hair }: GrainProps) {
  const long = Math.min(width, height) / 5
  const [x, y] = [width - long - 6 * hair, long + 6 * hair]
  const head = 5 * hair
  const path = across
    ? `M${x} ${y - long / 2}h${long}m${-head} ${-head}l${head} ${head}l${-head} ${head}M${x + head} ${y - long / 2 - head}l${-head} ${head}l${head} ${head}`
    : `M${x + long / 2} ${y}v${-long}m${-head} ${head}l${head} ${-head}l${head} ${head}M${x + long / 2 - head} ${y - head}l${head} ${head}l${head} ${-head}`
  return (
    <g fill="none" strokeLinecap="round" strokeLinejoin="round">
      <path d={path} stroke="var(--color-base-100)" strokeWidth={hair * 5} />
      <path d={path} stroke="var(--color-base-content)" strokeWidth={hair * 2} />
    </g>
  )
}

interface PieceProps {
  readonly box: Box
  readonly name: string
  /** Of another line than the first: told apart by its lines too, not by colour alone. */
  readonly second: boolean
  readonly colour: string
  readonly hair: number
  readonly hexagon: boolean
}

function Piece({ box, name, second, colour, hair, hexagon }: PieceProps) {
  const radius = Math.min(hair * 11, box.width / 3, box.height / 3)
  const [x, y] = [box.x + radius * 1.4, box.y + radius * 1.4]
  return (
    <g>
      <rect
        {...box}
        fill={colour}
        fillOpacity={second ? 0.72 : 1}
        stroke="var(--color-base-100)"
        strokeWidth={hair * 1.5}
        strokeDasharray={second ? undefined : `${hair * 7} ${hair * 5}`}
      />
      {hexagon ? (
        <polygon
          points={hexagonIn(box)
            .map(({ x: px, y: py }) => `${px},${py}`)
            .join(' ')}
          fill="none"
          stroke="var(--color-base-100)"
          strokeWidth={hair * 1.5}
        />
      ) : null}
      <circle cx={x} cy={y} r={radius} fill="var(--color-base-100)" />
      <text
        x={x}
        y={y + radius * 0.45}
        fontSize={radius * 1.25}
        textAnchor="middle"
        fill="var(--color-base-content)"
      >
        {name}
      </text>
    </g>
  )
}
