import { CoreError, type CoreErrorDetail } from '@/core/errors'
import { DatabaseTroubleError, type Trouble } from '@/data/trouble'
import { inTransaction } from '@/data/writing'
import type { FieldErrors } from '@/schema/field-errors'
import type { Afterwards, FlowContext } from './flow-context'

/** Why a deed was refused. `src/ui/format/refusal-words.ts` says each in words. */
export type RefusalCode =
  | Trouble
  | 'FIELDS'
  | 'NOT_FOUND'
  | 'LINE_IN_USE'
  | 'LINE_BEGUN'
  | 'PAPERS_BEGUN'
  | 'PAPER_IN_USE'
  | 'NOT_ENOUGH_STOCK'
  | 'PLAN_CHANGED'
  | 'BEING_PLANNED'
  | 'NO_SUCH_PLAN'
  | 'NOTHING_TO_CUT_TOGETHER'
  | 'TOO_MANY_TOGETHER'
  | 'MOVE_IN_USE'
  | 'MOVE_UNDONE'
  | 'MOVE_OF_CUT'
  | 'SUPPLY_USED'
  | 'REST_KEPT'
  | 'DRAWER_CHANGED'
  | 'CUT_IN_USE'
  | 'NOTHING_TO_JOIN'
  | 'NOTHING_JOINED'
  | 'OTHER_PIECES'
  | 'NO_ORDER_YET'
  | 'PROOF_MISSING'
  | 'PROOF_DONE'
  | 'CHANGED_SINCE'
  | 'RUN_OPEN'
  | 'RUN_FULL'
  | 'ALREADY_CUT'
  | 'NOTHING_TO_HAND_OVER'
  | 'NOTHING_LEFT_OVER'
  | 'NOT_ON_THE_SHELF'
  | 'ALREADY_KEPT'
  | 'BAD_BACKUP'
  | 'WRONG_PASSPHRASE'
  | 'TOO_MANY_TRIES'
  | 'VALUE'

export interface Refusal {
  readonly ok: false
  readonly code: RefusalCode
  /** Names and numbers for the words. */
  readonly detail: Readonly<Record<string, string | number>>
  readonly fields: FieldErrors
}

export type DeedResult<Value> = { readonly ok: true; readonly value: Value } | Refusal

/** Thrown inside a deed to refuse it: everything it wrote is rolled back. */
export class RefusalError extends Error {
  readonly refusal: Refusal

  constructor(code: RefusalCode, detail: Refusal['detail'] = {}, fields: FieldErrors = {}) {
    super(code)
    this.name = 'RefusalError'
    this.refusal = { ok: false, code, detail, fields }
  }

  /** A refusal that a deed within this one gave. */
  static of({ code, detail, fields }: Refusal): RefusalError {
    return new RefusalError(code, detail, fields)
  }
}

export const refuseFields = (fields: FieldErrors): RefusalError => new RefusalError('FIELDS', {}, fields)

const ofCore = ({ name, value, unit = '', min, max }: CoreErrorDetail): Refusal['detail'] => ({
  name,
  value,
  unit,
  ...(min === undefined ? {} : { min }),
  ...(max === undefined ? {} : { max }),
})

/** The database's trouble as a refusal: nothing was kept. What the driver said goes to the server's output. */
export function troubleRefusal(error: DatabaseTroubleError): Refusal {
  console.error(error)
  return new RefusalError(error.trouble).refusal
}

/** What was thrown as a value, where it is one of ours. */
function asRefusal(error: unknown): Refusal {
  if (error instanceof RefusalError) return error.refusal
  if (error instanceof DatabaseTroubleError) return troubleRefusal(error)
  if (error instanceof CoreError)
    return { ok: false, code: 'VALUE', detail: ofCore(error.detail), fields: {} }
  throw error
}

/** Asks the database something that may be refused, without a transaction: for answers that write nothing. */
export async function asking<Value>(ask: () => Promise<Value>): Promise<DeedResult<Value>> {
  try {
    return { ok: true, value: await ask() }
  } catch (error) {
    return asRefusal(error)
  }
}

/**
 * Does one deed in one transaction: all of it or nothing. A refusal, the database's trouble or a caller's mistake
 * becomes a value here and nowhere else; anything unexpected goes on as an error. `act` may be done again where another
 * process was writing: it reads and writes the database and nothing else. What it leaves to be done afterwards is begun
 * once the deed stands; a deed within another leaves it to that one.
 */
export async function deed<Value>(
  context: FlowContext,
  act: (context: FlowContext) => Promise<Value>,
): Promise<DeedResult<Value>> {
  const outer = context.afterwards
  const afterwards = outer ?? new Set<Afterwards>()
  try {
    const value = await inTransaction(context.db, (db) => {
      if (!outer) afterwards.clear()
      return act({ ...context, db, afterwards })
    })
    if (!outer) for (const after of afterwards) await after(context)
    return { ok: true, value }
  } catch (error) {
    return asRefusal(error)
  }
}
