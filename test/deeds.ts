import type { DeedResult } from '../src/flows/deed'

/** What a deed gives back; a refusal fails the test and says why. */
export const ok = async <Value>(result: Promise<DeedResult<Value>>): Promise<Value> => {
  const settled = await result
  if (!settled.ok) throw new Error(JSON.stringify(settled))
  return settled.value
}

/** Why a deed was refused; one that was done fails the test. */
export const refusal = async (result: Promise<DeedResult<unknown>>) => {
  const settled = await result
  if (settled.ok) throw new Error('it was not refused')
  return settled
}
