'use server'

import { cookies } from 'next/headers'
import { SESSION_COOKIE, SESSION_SECONDS } from '@/access/session-cookie'
import { inWords } from '@/app/_server/act'
import { requireOwnOrigin } from '@/app/_server/guard'
import { roomContext } from '@/flows/context'
import type { DeedResult } from '@/flows/deed'
import { unlock } from '@/flows/room'

/** The one action that is open before unlocking. */
export async function unlockAction(passphrase: unknown): Promise<DeedResult<null>> {
  await requireOwnOrigin()
  const result = await inWords(async () =>
    unlock(await roomContext(), typeof passphrase === 'string' ? passphrase : ''),
  )
  if (!result.ok) return result
  const jar = await cookies()
  // Plain http in the room: `secure` would keep the cookie from ever being sent.
  jar.set(SESSION_COOKIE, result.value, {
    httpOnly: true,
    sameSite: 'strict',
    maxAge: SESSION_SECONDS,
    path: '/',
  })
  return { ok: true, value: null }
}
