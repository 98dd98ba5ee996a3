import 'server-only'
import { cookies, headers } from 'next/headers'
import { redirect } from 'next/navigation'
import { connection } from 'next/server'
import { cache } from 'react'
import { allowedHosts, requestFault } from '@/access/request-check'
import { SESSION_COOKIE } from '@/access/session-cookie'
import { config, flowContext } from '@/flows/context'
import type { FlowContext } from '@/flows/flow-context'
import { roomOpen } from '@/flows/room'
import { currentSettings } from '@/flows/settings'
import type { Preferences } from '@/ui/format'
import { localeFrom } from '@/ui/format'
import type { Settings } from '@/schema/settings'

/** Whether whoever asks may see anything: always on loopback, with a signed cookie when open to the room. */
export async function mayEnter(context: FlowContext): Promise<boolean> {
  if (!config().room) return true
  const jar = await cookies()
  return roomOpen(context, jar.get(SESSION_COOKIE)?.value)
}

export interface OpenedPage {
  readonly context: FlowContext
  readonly settings: Settings
  readonly preferences: Preferences
}

/**
 * Every page and layout starts here: not at build time, only for those who may enter, with what it needs to read and
 * format. Read once a request, however many ask.
 */
export const openPage = cache(async (): Promise<OpenedPage> => {
  await connection()
  const context = await flowContext()
  if (!(await mayEnter(context))) redirect('/unlock')
  const settings = await currentSettings(context)
  const { unit, ruler, zone, currency } = settings
  const locale = localeFrom((await headers()).get('accept-language'))
  return { context, settings, preferences: { unit, ruler, zone, currency, locale, nowMs: context.nowMs } }
})

/** Every server action starts here. Throws for whoever may not enter: the page would have sent them to unlock. */
export async function openAction(): Promise<FlowContext> {
  const context = await flowContext()
  if (!(await mayEnter(context))) redirect('/unlock')
  return context
}

const refused = (status: number, message: string): Response =>
  Response.json({ ok: false, message }, { status })

/** Every route handler starts here: the same checks, with answers a program can read. */
export async function openHandler(
  request: Request,
): Promise<{ readonly context: FlowContext } | { readonly response: Response }> {
  const fault = requestFault(
    { method: request.method, header: (name) => request.headers.get(name) },
    allowedHosts(config()),
  )
  if (fault) return { response: refused(403, 'This request came from another site and was not carried out.') }
  const context = await flowContext()
  if (!(await mayEnter(context))) return { response: refused(401, 'Unlock Kelpfield first.') }
  return { context }
}
