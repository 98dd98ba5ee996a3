import { allowedHosts, hostName, requestFault } from './request-check'
import { hashPassphrase, passphraseFits } from './passphrase'
import { SESSION_SECONDS, sessionHolds, signSession } from './session-cookie'

const hosts = allowedHosts({ room: false, hosts: ['table.home'] })
const fault = (method: string, headers: Record<string, string>) =>
  requestFault({ method, header: (name) => headers[name] ?? null }, hosts)

describe('where a request comes from', () => {
  test.each([
    ['127.0.0.1:4680', null],
    ['localhost:4680', null],
    ['[::1]:4680', null],
    ['table.home', null],
    ['TABLE.home:80', null],
    ['evil.example', 'FOREIGN_HOST'],
    ['127.0.0.1.evil.example:4680', 'FOREIGN_HOST'],
    ['localhost.evil.example', 'FOREIGN_HOST'],
    ['', 'FOREIGN_HOST'],
  ])('host %p: %p', (host, expected) => expect(fault('GET', { host })).toBe(expected))
  test.each([
    ['same origin', { origin: 'http://127.0.0.1:4680' }, null],
    ['another port', { origin: 'http://127.0.0.1:9999' }, 'FOREIGN_ORIGIN'],
    ['another site', { origin: 'https://evil.example' }, 'FOREIGN_ORIGIN'],
    ['a sandboxed page', { origin: 'null' }, 'FOREIGN_ORIGIN'],
    ['a cross-site form without origin', { 'sec-fetch-site': 'cross-site' }, 'FOREIGN_ORIGIN'],
    ['a same-site neighbour', { 'sec-fetch-site': 'same-site' }, 'FOREIGN_ORIGIN'],
    ['a program that is no browser', {}, null],
  ])('writing from %s: %p', (_, headers, expected) =>
    expect(fault('POST', { host: '127.0.0.1:4680', ...headers })).toBe(expected),
  )
  test('open to the room it also answers to this machine’s own addresses', () => {
    const open = allowedHosts({ room: true, hosts: [] })
    expect(open.size).toBeGreaterThan(hosts.size - 1)
    expect(open.has('evil.example')).toBe(false)
    expect(hostName('Example:80')).toBe('example')
  })
})

describe('the passphrase', () => {
  test('is kept only as an argon2id hash, and fits itself alone', async () => {
    const hash = await hashPassphrase('reed and tide water')
    expect(hash).toMatch(/^\$argon2id\$/)
    expect(hash).not.toContain('reed')
    expect(await passphraseFits(hash, 'reed and tide water')).toBe(true)
    expect(await passphraseFits(hash, 'reed and tide waters')).toBe(false)
    expect(await passphraseFits(hash, 'x'.repeat(10_000))).toBe(false)
  })
})

describe('the session cookie', () => {
  const key = { cookie_secret: 'k'.repeat(43), generation: 3 }
  const nowMs = Date.UTC(2026, 10, 25)
  test('holds until it runs out, the secret changes or the passphrase is set anew', async () => {
    const value = await signSession(key, nowMs)
    expect(await sessionHolds(key, value, nowMs + 1000)).toBe(true)
    expect(await sessionHolds(key, value, nowMs + (SESSION_SECONDS + 60) * 1000)).toBe(false)
    expect(await sessionHolds({ ...key, generation: 4 }, value, nowMs)).toBe(false)
    expect(await sessionHolds({ ...key, cookie_secret: 'x'.repeat(43) }, value, nowMs)).toBe(false)
    expect(await sessionHolds(key, undefined, nowMs)).toBe(false)
    expect(await sessionHolds(key, `${value}x`, nowMs)).toBe(false)
  })
})
