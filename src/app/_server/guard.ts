import 'server-only'
import { cookies, headers } from 'next/headers'
import { redirect } from 'next/navigation'
import { connection, NextRequest } from 'next/server'
import { cache } from 'react'
import { allowedHosts, requestFault, type RequestHead } from '@/access/request-check'
import { SESSION_COOKIE } from '@/access/session-cookie'
import { DatabaseProblemError } from '@/data/database-problem'
import { DatabaseTroubleError } from '@/data/trouble'
import { config, flowContext, roomContext } from '@/flows/context'
import type { FlowContext } from '@/flows/flow-context'
import { roomOpen } from '@/flows/room'
import { currentSettings } from '@/flows/settings'
import type { Refusal } from '@/flows/deed'
import {
  localeFrom,
  PROBLEM_WORDS,
  refusalWords,
  REQUEST_FAULT_WORDS,
  TROUBLE_WORDS,
  type Preferences,
} from '@/ui/format'
import type { Settings } from '@/schema/settings'

/** Whether whoever asks may see anything: always on loopback, with a signed cookie when open to the room. */
export async function mayEnter(cookie = pageCookie): Promise<boolean> {
  if (!config().room) return true
  return roomOpen(await roomContext(), await cookie())
}

const pageCookie = async (): Promise<string | undefined> => (await cookies()).get(SESSION_COOKIE)?.value

/** As much of a request as the checks and `run-events.ts` read: whoever answers it need not make a whole one. */
export interface Asked extends Pick<Request, 'method' | 'url' | 'headers'> {
  readonly body: AsyncIterable<Uint8Array> | null
}

/** The same cookie of a request that may have come past the framework. */
const requestCookie = (request: Asked): Promise<string | undefined> =>
  Promise.resolve(
    new NextRequest(request.url, { headers: request.headers }).cookies.get(SESSION_COOKIE)?.value,
  )

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
  if (!(await mayEnter())) redirect('/unlock')
  const context = await flowContext()
  const settings = await currentSettings(context)
  const { unit, ruler, zone, currency } = settings
  const locale = localeFrom((await headers()).get('accept-language'))
  return { context, settings, preferences: { unit, ruler, zone, currency, locale, nowMs: context.nowMs } }
})

const faultOf = (head: RequestHead) => requestFault(head, allowedHosts(config()))

const STATUS_OF_FAULT = { FOREIGN_HOST: 421, FOREIGN_ORIGIN: 403 } as const

/** What is wrong with where a request for another protocol comes from, as an answer; `null` when nothing is. */
export function upgradeFault(
  header: RequestHead['header'],
): { readonly status: number; readonly words: string } | null {
  // It is asked for with GET, and what then goes over it is not only reading.
  const fault = faultOf({ method: 'UPGRADE', header })
  return fault && { status: STATUS_OF_FAULT[fault], words: REQUEST_FAULT_WORDS[fault] }
}

/** Refuses an action that was not sent by our own pages to our own host; the proxy in front asks the same. */
export async function requireOwnOrigin(): Promise<void> {
  const head = await headers()
  const fault = faultOf({ method: 'POST', header: (name) => head.get(name) })
  if (fault) throw new Error(REQUEST_FAULT_WORDS[fault])
}

/** Every server action starts here. Whoever may not enter is sent to unlock, as the page would have sent them. */
export async function openAction(): Promise<FlowContext> {
  await requireOwnOrigin()
  if (!(await mayEnter())) redirect('/unlock')
  return flowContext()
}

/** An answer to a program: refused, with words. */
export const refused = (status: number, message: string): Response =>
  Response.json({ ok: false, message }, { status, headers: { 'cache-control': 'no-store' } })

const STATUS_OF_TROUBLE = {
  BUSY: 503,
  FULL: 507,
  READ_ONLY: 503,
  GONE: 503,
  BROKEN: 503,
  CROWDED: 503,
} as const
const OTHER_STATUS: Readonly<Partial<Record<Refusal['code'], number>>> = {
  ...STATUS_OF_TROUBLE,
  NOT_FOUND: 404,
}

/** A deed's refusal as an answer to a program. */
export const refusalResponse = (refusal: Refusal): Response =>
  Response.json(
    { ok: false, code: refusal.code, message: refusalWords(refusal), fields: refusal.fields },
    { status: OTHER_STATUS[refusal.code] ?? 422 },
  )

/** What went wrong while answering, in words; nothing goes out without. */
function failed(error: unknown): Response {
  console.error(error)
  if (error instanceof DatabaseTroubleError)
    return refused(STATUS_OF_TROUBLE[error.trouble], TROUBLE_WORDS[error.trouble])
  if (error instanceof DatabaseProblemError) return refused(503, PROBLEM_WORDS[error.problem])
  return refused(500, 'Kelpfield met an error of its own. Try again; its output on the machine says more.')
}

/**
 * Every route handler is made by this: the checks every page makes, and an answer in words whatever happens. What
 * `reads` is set for must not be fetched by other sites either.
 */
export const handler =
  <Params, Taken extends Asked = Request>(
    { reads }: { readonly reads: 'own pages only' | 'anyone in' },
    answer: (request: Taken, params: Params) => Promise<Response>,
  ) =>
  async (request: Taken, { params }: { readonly params: Promise<Params> }): Promise<Response> => {
    const method = reads === 'own pages only' ? 'POST' : request.method
    const fault = faultOf({ method, header: (name) => request.headers.get(name) })
    if (fault) return refused(STATUS_OF_FAULT[fault], REQUEST_FAULT_WORDS[fault])
    try {
      if (!(await mayEnter(() => requestCookie(request)))) return refused(401, 'Unlock Kelpfield first.')
      return await answer(request, await params)
    } catch (error) {
      return failed(error)
    }
  }

/** For methods that would do what another is meant for. */
export const methodNotAllowed = (): Response =>
  new Response(null, { status: 405, headers: { allow: 'GET', 'cache-control': 'no-store' } })
