import { randomBytes } from 'node:crypto'
import { RateLimiterMemory } from 'rate-limiter-flexible'
import { hashPassphrase, passphraseFits, passphraseProblem } from '@/access/passphrase'
import { sessionHolds, signSession } from '@/access/session-cookie'
import { roomAccess, setRoomAccess } from '@/data/repositories/room'
import type { FlowContext } from './flow-context'
import { refuseFields, RefusalError, type DeedResult } from './deed'

/**
 * Wrong passphrases the whole server takes in ten minutes. One limit for all: addresses in a room are cheap to
 * change, and whoever owns the machine can always set a new passphrase with the command.
 */
const TRIES = 10
const TRIES_WINDOW_S = 600
const holder = globalThis as typeof globalThis & { kelpfieldTries?: RateLimiterMemory }
const tries = (): RateLimiterMemory =>
  (holder.kelpfieldTries ??= new RateLimiterMemory({ points: TRIES, duration: TRIES_WINDOW_S }))

/** Sets the passphrase that opens the room; every tablet has to be unlocked anew. */
export async function setPassphrase(
  { db, nowMs }: FlowContext,
  passphrase: string,
): Promise<DeedResult<null>> {
  const problem = passphraseProblem(passphrase)
  if (problem !== null) return refuseFields({ passphrase: problem }).refusal
  const passphraseHash = await hashPassphrase(passphrase)
  await setRoomAccess(db, { passphraseHash, cookieSecret: randomBytes(32).toString('base64url'), nowMs })
  return { ok: true, value: null }
}

/** Whether a passphrase has been set. */
export const passphraseSet = async ({ db }: Pick<FlowContext, 'db'>): Promise<boolean> =>
  (await roomAccess(db)) !== undefined

/** Unlocks with the passphrase. *Returns* the cookie's value. */
export async function unlock(context: FlowContext, passphrase: string): Promise<DeedResult<string>> {
  const access = await roomAccess(context.db)
  const waiting = await tries().get('room')
  if (waiting !== null && waiting.consumedPoints >= TRIES)
    return new RefusalError('TOO_MANY_TRIES', { minutes: Math.ceil(waiting.msBeforeNext / 60_000) }).refusal
  if (access && (await passphraseFits(access.passphrase_hash, passphrase))) {
    await tries().delete('room')
    return { ok: true, value: await signSession(access, context.nowMs) }
  }
  // A try beyond the limit rejects; the next call says so in words.
  await tries()
    .consume('room')
    .catch(() => undefined)
  return new RefusalError('WRONG_PASSPHRASE').refusal
}

/** Whether a cookie opens the room. */
export async function roomOpen({ db, nowMs }: FlowContext, cookie: string | undefined): Promise<boolean> {
  const access = await roomAccess(db)
  return access !== undefined && sessionHolds(access, cookie, nowMs)
}
