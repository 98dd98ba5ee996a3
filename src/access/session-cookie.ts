import { jwtVerify, SignJWT } from 'jose'

export const SESSION_COOKIE = 'kelpfield-room'
/** A tablet stays unlocked for a month. */
export const SESSION_SECONDS = 30 * 24 * 3600

interface SessionKey {
  readonly cookie_secret: string
  readonly generation: number
}

const keyOf = ({ cookie_secret }: SessionKey): Uint8Array => new TextEncoder().encode(cookie_secret)

/** A signed cookie value, good until the passphrase is set anew. */
export const signSession = (key: SessionKey, nowMs: number): Promise<string> =>
  new SignJWT({ generation: key.generation })
    .setProtectedHeader({ alg: 'HS256' })
    .setIssuedAt(Math.floor(nowMs / 1000))
    .setExpirationTime(Math.floor(nowMs / 1000) + SESSION_SECONDS)
    .sign(keyOf(key))

/** Whether a cookie value was signed with this key, is of its generation and has not run out. */
export async function sessionHolds(
  key: SessionKey,
  value: string | undefined,
  nowMs: number,
): Promise<boolean> {
  if (value === undefined) return false
  try {
    const { payload } = await jwtVerify(value, keyOf(key), {
      algorithms: ['HS256'],
      currentDate: new Date(nowMs),
    })
    return payload['generation'] === key.generation
  } catch {
    return false
  }
}
