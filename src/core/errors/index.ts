/**
 * Errors of the core. Expected outcomes are values; a caller's mistake is a `CoreError`; our own bug is an
 * `InvariantError`. Flows and workers turn the first kind into `{ok: false, code, detail}` exactly once.
 */
export type CoreErrorCode =
  | 'NOT_FINITE'
  | 'OUT_OF_RANGE'
  | 'NOT_INTEGER'
  | 'UNKNOWN_AXIS'
  | 'UNKNOWN_VARIANT'
  | 'UNKNOWN_GAUGE'
  | 'SIZE_NOT_REACHABLE'
  | 'NO_SUCH_LAYER'
  | 'OFF_THE_SHEET'
  | 'ANGLE_SUM'
  | 'ODD_DEGREE'
  | 'FOLD_PARITY'
  | 'DANGLING_CREASE'
  | 'CLOSURE_GAP'
  | 'ONE_OF_TWO'
  | 'NO_ORDER'
  | 'MANY_ORDERS'
  | 'STOPPED'
  | 'NO_SUCH_LINE'
  | 'CREASE_IN_ZONE'

/** What went wrong, where, and within which range it would have been right. */
export interface CoreErrorDetail {
  readonly name: string
  readonly value: number | string
  readonly unit?: string
  readonly min?: number
  readonly max?: number
  /** Where, on the sheet or in the folded plane, as a share of the sheet's side. */
  readonly at?: { readonly x: number; readonly y: number }
}

export class CoreError extends Error {
  readonly code: CoreErrorCode
  readonly detail: CoreErrorDetail

  constructor(code: CoreErrorCode, detail: CoreErrorDetail) {
    const place = detail.at ? ` at (${detail.at.x.toFixed(4)}, ${detail.at.y.toFixed(4)})` : ''
    super(`${code}: ${detail.name} = ${detail.value}${detail.unit ? ` ${detail.unit}` : ''}${place}`)
    this.name = 'CoreError'
    this.code = code
    this.detail = detail
  }
}

export class InvariantError extends Error {
  override readonly name = 'InvariantError'
}

/** Throws when something that our own code guarantees does not hold. */
export function invariant(condition: unknown, what: string): asserts condition {
  if (!condition) throw new InvariantError(what)
}

/** Throws `NOT_FINITE` or `OUT_OF_RANGE` unless `min <= value <= max`. */
export function requireRange(name: string, value: number, unit: string, min: number, max: number): void {
  if (!Number.isFinite(value)) throw new CoreError('NOT_FINITE', { name, value, unit, min, max })
  if (value < min || value > max) throw new CoreError('OUT_OF_RANGE', { name, value, unit, min, max })
}

/** Throws unless `value` is a whole number within `min` and `max`. */
export function requireCount(name: string, value: number, min: number, max: number): void {
  requireRange(name, value, '', min, max)
  if (!Number.isInteger(value)) throw new CoreError('NOT_INTEGER', { name, value, min, max })
}
