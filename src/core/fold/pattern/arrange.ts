import { centre } from '../../geometry'
import type { PatternFault } from './crease-pattern'
import { creasesLying } from '../state/creases'
import {
  orderConditions,
  solveOrder,
  Stopped,
  type KnownOrder,
  type OrderResult,
  type SolveLimits,
} from '../order'
import { lying } from '../state/start'
import type { Face, Hinge } from '../state/types'

export type Arranged =
  | { readonly ok: true; readonly above: Int8Array; readonly orders: number; readonly atLeast: boolean }
  | { readonly ok: false; readonly fault: PatternFault }

function solved(
  faces: readonly Face[],
  hinges: readonly Hinge[],
  known: readonly KnownOrder[],
  limits: SolveLimits,
): OrderResult {
  try {
    return solveOrder(orderConditions(faces.map(lying), creasesLying(faces, hinges), limits), known, limits)
  } catch (error) {
    if (error instanceof Stopped) return { status: 'stopped' }
    throw error
  }
}

/** Puts faces that lie where they lie in an order of layers that keeps what is known and Justin's conditions. */
export function arrange(
  faces: readonly Face[],
  hinges: readonly Hinge[],
  known: readonly KnownOrder[],
  limits: SolveLimits,
): Arranged {
  const result = solved(faces, hinges, known, limits)
  if (result.status === 'stopped') return { ok: false, fault: { code: 'STOPPED' } }
  if (result.status === 'no order') {
    const at = result.faces.map((face) => centre(faces[face]?.sheet ?? []))
    return { ok: false, fault: { code: 'NO_ORDER', faces: result.faces, at } }
  }
  const above = new Int8Array(faces.length * faces.length)
  for (const [i, j] of result.above) {
    above[i * faces.length + j] = 1
    above[j * faces.length + i] = -1
  }
  return { ok: true, above, orders: result.orders, atLeast: result.atLeast }
}
