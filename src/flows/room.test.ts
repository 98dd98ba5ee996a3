import { mkdtempSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { FREE_TRIES, LONGEST_WAIT_MS } from '@/access/tries'
import { openRoom } from '@/data/room-store'
import { roomOpen, setPassphrase, unlock, type RoomContext } from './room'

const RIGHT = 'reed and tide water'
let folder = ''
let opened: Awaited<ReturnType<typeof openRoom>>
let nowMs = Date.UTC(2026, 10, 27, 9)
const context = (): RoomContext => ({ room: opened.db, nowMs })
const path = () => join(folder, 'room.db')

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'kelpfield-room-'))
  nowMs = Date.UTC(2026, 10, 27, 9)
  opened = await openRoom(path())
  await setPassphrase(context(), RIGHT, null)
})
afterEach(async () => {
  await opened.db.destroy()
  rmSync(folder, { recursive: true, force: true })
})

const codeOf = async (attempt: ReturnType<typeof unlock>) => {
  const result = await attempt
  return result.ok ? 'in' : result.code
}
const guess = () => codeOf(unlock(context(), 'a wrong guess'))
const wrongTries = async (count: number) => {
  for (let index = 0; index < count; index++) await guess()
}

test('the room opens with its passphrase only; a new one locks every device', async () => {
  const result = await unlock(context(), RIGHT)
  const cookie = result.ok ? result.value : ''
  expect(await roomOpen(context(), cookie)).toBe(true)
  expect(await roomOpen(context(), undefined)).toBe(false)
  const short = await setPassphrase(context(), 'short', null)
  expect(!short.ok && short.fields['passphrase']).toContain('8 characters')
  await setPassphrase(context(), 'oyster lamp light', null)
  expect(await roomOpen(context(), cookie)).toBe(false)
  expect(await codeOf(unlock(context(), RIGHT))).toBe('WRONG_PASSPHRASE')
})

test('three hundred guesses at the same time: no more are verified than one after another would be', async () => {
  const outcomes = await Promise.all(Array.from({ length: 300 }, guess))
  expect(outcomes.filter((one) => one === 'WRONG_PASSPHRASE')).toHaveLength(FREE_TRIES)
  expect(outcomes.filter((one) => one === 'TOO_MANY_TRIES')).toHaveLength(300 - FREE_TRIES)
})

test('the wait doubles from one second and stops at a minute; then even the right one has only a minute to wait', async () => {
  await wrongTries(FREE_TRIES)
  for (const waitMs of [1000, 2000, 4000, 8000, 16_000, 32_000, 60_000, 60_000, 60_000]) {
    nowMs += waitMs - 1
    expect(await guess()).toBe('TOO_MANY_TRIES')
    nowMs += 1
    expect(await guess()).toBe('WRONG_PASSPHRASE')
  }
  // Refused tries do not prolong the wait, however many there are.
  await wrongTries(50)
  nowMs += LONGEST_WAIT_MS
  expect(await codeOf(unlock(context(), RIGHT))).toBe('in')
  expect(await guess()).toBe('WRONG_PASSPHRASE')
})

test('the count outlives a restart', async () => {
  await wrongTries(FREE_TRIES)
  await opened.db.destroy()
  opened = await openRoom(path())
  expect(await guess()).toBe('TOO_MANY_TRIES')
})

test('a clock that is set back does not lock anybody out for longer than a minute', async () => {
  await wrongTries(FREE_TRIES + 1)
  nowMs -= 365 * 24 * 3600 * 1000
  const refused = await unlock(context(), RIGHT)
  expect(!refused.ok && Number(refused.detail['seconds'])).toBeLessThanOrEqual(60)
})

test('tries at the lock do not touch who is in', async () => {
  const result = await unlock(context(), RIGHT)
  const cookie = result.ok ? result.value : ''
  await wrongTries(40)
  expect(await roomOpen(context(), cookie)).toBe(true)
})

test('where the old passphrase is asked, guessing it is counted like guessing at the lock', async () => {
  const change = (old: string | null) => setPassphrase(context(), 'oyster lamp light', old)
  const wrong = await change('not that one')
  expect(!wrong.ok && wrong.fields['old']).toContain('not the passphrase')
  await wrongTries(FREE_TRIES - 1)
  expect(await change('nor that one')).toMatchObject({ code: 'TOO_MANY_TRIES' })
  nowMs += LONGEST_WAIT_MS
  expect(await change(RIGHT)).toMatchObject({ ok: true })
  expect(await codeOf(unlock(context(), 'oyster lamp light'))).toBe('in')
})

test('its file is for its owner alone', () => {
  expect(statSync(path()).mode & 0o777).toBe(0o600)
})
