import 'server-only'
import { revalidatePath } from 'next/cache'
import { idText } from '@/schema/fields'
import type { FlowContext } from '@/flows/flow-context'
import { RefusalError, type DeedResult } from '@/flows/deed'
import { openAction } from './guard'

/** Carries one deed out for whoever may, and lets every page show what changed. */
export async function act<Value>(
  deed: (context: FlowContext) => Promise<DeedResult<Value>>,
): Promise<DeedResult<Value>> {
  const result = await deed(await openAction())
  if (result.ok) revalidatePath('/', 'layout')
  return result
}

/** The same for a deed on one thing, whose id comes from outside. */
export async function actOn<Value>(
  id: unknown,
  deed: (context: FlowContext, id: string) => Promise<DeedResult<Value>>,
): Promise<DeedResult<Value>> {
  const parsed = idText().safeParse(id)
  return act((context) =>
    parsed.success ? deed(context, parsed.data) : Promise.resolve(new RefusalError('NOT_FOUND').refusal),
  )
}
