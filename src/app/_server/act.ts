import 'server-only'
import { revalidatePath } from 'next/cache'
import { idText } from '@/schema/fields'
import type { FlowContext } from '@/flows/flow-context'
import { DatabaseTroubleError } from '@/data/trouble'
import { RefusalError, troubleRefusal, type DeedResult } from '@/flows/deed'
import { once } from '@/flows/once'
import { openAction } from './guard'

/** What keeps the database from being reached at all is said in the form, where what was typed still stands. */
export async function inWords<Value>(act: () => Promise<DeedResult<Value>>): Promise<DeedResult<Value>> {
  try {
    return await act()
  } catch (error) {
    if (error instanceof DatabaseTroubleError) return troubleRefusal(error)
    throw error
  }
}

/** Carries one deed out for whoever may, and lets every page show what changed. */
export async function act<Value>(
  deed: (context: FlowContext) => Promise<DeedResult<Value>>,
): Promise<DeedResult<Value>> {
  return inWords(async () => {
    const result = await deed(await openAction())
    if (result.ok) revalidatePath('/', 'layout')
    return result
  })
}

/** Goes on with an id that comes from outside only where it is one. */
const withId = <Value>(
  id: unknown,
  go: (id: string) => Promise<DeedResult<Value>>,
): Promise<DeedResult<Value>> => {
  const parsed = idText().safeParse(id)
  return parsed.success ? go(parsed.data) : Promise.resolve(new RefusalError('NOT_FOUND').refusal)
}

/** The same for a deed on one thing, whose id comes from outside. */
export const actOn = <Value>(
  id: unknown,
  deed: (context: FlowContext, id: string) => Promise<DeedResult<Value>>,
): Promise<DeedResult<Value>> => act((context) => withId(id, (known) => deed(context, known)))

/** The same for a deed on one thing within another. */
export const actOnBoth = <Value>(
  id: unknown,
  innerId: unknown,
  deed: (context: FlowContext, id: string, innerId: string) => Promise<DeedResult<Value>>,
): Promise<DeedResult<Value>> =>
  actOn(id, (context, outer) => withId(innerId, (inner) => deed(context, outer, inner)))

/** A deed that adds something: its press counts once, however often it arrives. */
export const actOnce = <Value>(
  press: unknown,
  kind: string,
  input: unknown,
  deed: (context: FlowContext) => Promise<DeedResult<Value>>,
): Promise<DeedResult<Value>> => act((context) => once(context, { id: press, kind, input }, deed))

/** The same for a deed on one thing. */
export const actOnceOn = <Value>(
  id: unknown,
  press: unknown,
  kind: string,
  input: unknown,
  deed: (context: FlowContext, id: string) => Promise<DeedResult<Value>>,
): Promise<DeedResult<Value>> =>
  actOn(id, (context, known) =>
    once(context, { id: press, kind: `${kind} ${known}`, input }, (inDeed) => deed(inDeed, known)),
  )

/** Reads one thing for whoever may, by an id from outside; `null` where there is none. Nothing changes. */
export async function ask<Value>(
  id: unknown,
  read: (context: FlowContext, id: string) => Promise<Value | null>,
): Promise<Value | null> {
  const context = await openAction()
  const parsed = idText().safeParse(id)
  return parsed.success ? read(context, parsed.data) : null
}
