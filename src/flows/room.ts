import { randomBytes } from 'node:crypto'
import { hashPassphrase, passphraseFits } from '@/access/passphrase'
import { parseFields } from '@/schema/field-errors'
import { passphraseFields } from '@/schema/passphrase'
import { sessionHolds, signSession } from '@/access/session-cookie'
import { afterTry, waitMs } from '@/access/tries'
import { changeTries, roomAccess, setRoomAccess, type RoomDb } from '@/data/room-store'
import { refuseFields, RefusalError, type DeedResult } from './deed'

/** What the deeds of the room are given: its own file, apart from the data, and the time. */
export interface RoomContext {
  readonly room: RoomDb
  readonly nowMs: number
}

const NO_TRIES = { wrong: 0, freeAtMs: 0 }

/**
 * Sets the passphrase that opens the room; every tablet has to be unlocked anew. `old` is what is asked of a device
 * that is not the machine itself; `null` asks for none.
 */
export async function setPassphrase(
  context: RoomContext,
  passphrase: string,
  old: string | null,
): Promise<DeedResult<null>> {
  const parsed = parseFields(passphraseFields, { passphrase, old: old ?? '' })
  if (!parsed.ok) return refuseFields(parsed.fields).refusal
  if (old !== null && (await passphraseSet(context))) {
    const known = await tryPassphrase(context, old)
    if (!known.ok)
      return known.code === 'WRONG_PASSPHRASE'
        ? refuseFields({ old: 'This is not the passphrase that is set. Try again.' }).refusal
        : known
  }
  const passphraseHash = await hashPassphrase(passphrase)
  const cookieSecret = randomBytes(32).toString('base64url')
  await setRoomAccess(context.room, { passphraseHash, cookieSecret, nowMs: context.nowMs })
  return { ok: true, value: null }
}

/** Whether a passphrase has been set. */
export const passphraseSet = async ({ room }: Pick<RoomContext, 'room'>): Promise<boolean> =>
  (await roomAccess(room)) !== undefined

/**
 * One try at the passphrase, counted as wrong before it is verified, for all connections at once: however many come
 * at the same time, each of them is counted. A right one clears the count.
 */
async function tryPassphrase({ room, nowMs }: RoomContext, passphrase: string): Promise<DeedResult<null>> {
  const before = await changeTries(room, (now) => (waitMs(now, nowMs) > 0 ? null : afterTry(now, nowMs)))
  const wait = waitMs(before, nowMs)
  if (wait > 0) return new RefusalError('TOO_MANY_TRIES', { seconds: Math.ceil(wait / 1000) }).refusal
  const access = await roomAccess(room)
  if (!access || !(await passphraseFits(access.passphrase_hash, passphrase)))
    return new RefusalError('WRONG_PASSPHRASE').refusal
  await changeTries(room, () => NO_TRIES)
  return { ok: true, value: null }
}

/** Unlocks with the passphrase. *Returns* the cookie's value. */
export async function unlock(context: RoomContext, passphrase: string): Promise<DeedResult<string>> {
  const known = await tryPassphrase(context, passphrase)
  if (!known.ok) return known
  const access = await roomAccess(context.room)
  if (!access) return new RefusalError('WRONG_PASSPHRASE').refusal
  return { ok: true, value: await signSession(access, context.nowMs) }
}

/** Whether a cookie opens the room. Tries at the lock do not touch who is in already. */
export async function roomOpen({ room, nowMs }: RoomContext, cookie: string | undefined): Promise<boolean> {
  const access = await roomAccess(room)
  return access !== undefined && sessionHolds(access, cookie, nowMs)
}
