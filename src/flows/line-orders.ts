import {
  arrangeInOrder,
  MOST_POSITIONS,
  sceneOf,
  workedOrNone,
  type Making,
  type Neighbours,
  type Order,
  type PieceSize,
  type Scene,
} from '@/core/arrange'
import { outlineSizeMm, variantOf, type DesignDocument, type GaugeSettings } from '@/core/design'
import type { LineOrderRow } from '@/data/repositories/line-orders'
import { isOrderOf, madeOf, type ColouredLine } from '@/core/plan'
import { orderBody, type OrderBody } from '@/schema/line-order'
import { contentHash } from './content-hash'
import type { FlowContext } from './flow-context'

/** A line as far as how it hangs goes. */
export interface Hanging {
  readonly id: string
  readonly goesWith: string | null
  readonly making: Making
  readonly design: DesignDocument
  readonly variantKey: string
  readonly sheetMm: number
  readonly gauges: GaugeSettings
}

const pieceOf = ({ design, variantKey, sheetMm, gauges }: Hanging): PieceSize =>
  outlineSizeMm(design, variantOf(design, variantKey), sheetMm, gauges)

/** The lines whose pieces go into the same bouquets or places as a line's, the one that says how many of them first. */
export function setOf<Line extends Pick<Hanging, 'id' | 'goesWith'>>(
  line: Line,
  lines: readonly Line[],
): readonly Line[] {
  const host = lines.find(({ id }) => id === (line.goesWith ?? line.id)) ?? line
  return [host, ...lines.filter(({ goesWith }) => goesWith === host.id)]
}

/** How a line of a project will hang or stand, from the numbers of its brief; `null` where nothing says so. */
export function hungAs(
  line: Hanging,
  lines: readonly Hanging[],
): { readonly scene: Scene; readonly piece: PieceSize } | null {
  const { making } = line
  const piece = pieceOf(line)
  const made = workedOrNone(making, piece)
  if (!made || made.pieces > MOST_POSITIONS) return null
  const set = setOf(line, lines)
  const members = set.map((one) => ({ each: one.making.values['each'] ?? 1, piece: pieceOf(one) }))
  const at = set.findIndex(({ id }) => id === line.id)
  const scene = sceneOf(making, made, piece, at === -1 || set.length === 1 ? undefined : { members, at })
  return scene && { scene, piece }
}

/** The order that is planned where nobody chose one. */
export function plannedOrder(
  { caches }: Pick<FlowContext, 'caches'>,
  neighbours: Neighbours,
  counts: readonly number[],
): Order {
  const { hash: key } = contentHash({ neighbours, counts })
  const known = caches.orders.get(key) ?? arrangeInOrder({ neighbours, counts, locked: new Map() })
  caches.orders.set(key, known)
  return known
}

/** What a step says of a line; `null` where it is of other pieces than the line has now. */
export function readOrder(row: Pick<LineOrderRow, 'body' | 'made_of'>, line: ColouredLine): OrderBody | null {
  if (row.made_of !== madeOf(line)) return null
  const parsed = orderBody.safeParse(JSON.parse(row.body))
  return parsed.success && isOrderOf(parsed.data, line) ? parsed.data : null
}
