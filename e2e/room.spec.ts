import { connect } from 'node:net'
import { request as httpRequest } from 'node:http'
import { expect, expectAccessible, test } from './support/fixtures'
import { TestServer } from './support/server'

const PASSPHRASE = 'reed and tide water'
const ROUTES = [
  '/',
  '/projects',
  '/projects/new',
  '/projects/x',
  ...['brief', 'colour', 'paper', 'cut', 'fold', 'join', 'deliver', 'log'].map(
    (station) => `/projects/x/${station}`,
  ),
  '/designs',
  '/designs/narrow-leaf',
  '/papers',
  '/papers/new',
  '/papers/x',
  '/logbook',
  '/logbook/x',
  '/runs/x',
  '/settings',
] as const

let server: TestServer
/** The server that `withHost` asks where it is not that one. */
let asked: TestServer | null = null
test.beforeAll(async () => {
  server = await TestServer.start({ copyOf: 'demo' })
  await server.stop()
})
test.afterAll(() => server.remove())

/** A request with any Host header: fetch does not let one be set. */
const withHost = (
  host: string,
  path = '/',
  method = 'GET',
  headers: Record<string, string> = {},
): Promise<{ status: number; text: string; headers: NodeJS.Dict<string | string[]> }> =>
  new Promise((resolve, reject) => {
    const request = httpRequest(
      { host: '127.0.0.1', port: (asked ?? server).port, path, method, headers: { host, ...headers } },
      (response) => {
        let text = ''
        response.on('data', (chunk: Buffer) => (text += chunk.toString()))
        response.on('end', () =>
          resolve({ status: response.statusCode ?? 0, text, headers: response.headers }),
        )
      },
    )
    request.on('error', reject)
    request.end(method === 'POST' ? '{}' : undefined)
  })

test.describe.serial('open to the room', () => {
  test('it does not start before a passphrase is set, and says how to set one', () => {
    server.configure({ KELPFIELD_ROOM: '1' })
    const refused = server.script('preflight')
    expect(refused.status).toBe(1)
    expect(refused.output).toContain('npm run passphrase')
    const short = server.script('passphrase', 'short\n')
    expect(short.status).toBe(1)
    expect(short.output).toContain('at least 8 characters')
    expect(server.script('passphrase', `${PASSPHRASE}\n`).status).toBe(0)
    expect(server.script('preflight').status).toBe(0)
  })

  test('locked: every page leads to the lock, every handler refuses', async ({ page }) => {
    await server.begin()
    for (const path of ROUTES) {
      const answer = await withHost(`127.0.0.1:${server.port}`, path)
      expect({ path, status: answer.status, to: answer.headers['location'] }).toEqual({
        path,
        status: 307,
        to: '/unlock',
      })
      expect(answer.text).not.toContain('Rosettes')
    }
    const host = `127.0.0.1:${server.port}`
    expect((await withHost(host, '/api/backup')).status).toBe(401)
    expect((await withHost(host, '/api/backup/restore', 'POST')).status).toBe(401)
    expect((await withHost(host, '/api/runs/x/events', 'POST')).status).toBe(401)
    await page.goto(server.address)
    await expect(page.getByRole('heading', { name: 'Kelpfield is locked' })).toBeVisible()
    await expectAccessible(page)
  })

  test('unlocked with the passphrase only, by a cookie that scripts cannot read', async ({
    page,
    context,
  }) => {
    await page.goto(server.address)
    await page.getByLabel('Passphrase').fill('not this one')
    await page.getByRole('button', { name: 'Unlock' }).click()
    await expect(page.getByText('This is not the passphrase')).toBeVisible()
    await page.getByLabel('Passphrase').fill(PASSPHRASE)
    await page.getByRole('button', { name: 'Unlock' }).click()
    await expect(page.getByRole('heading', { name: 'Bench' })).toBeVisible()
    const [cookie] = await context.cookies()
    expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Strict' })
    // A new passphrase, set on the machine, locks every device again.
    expect(server.script('passphrase', 'oyster lamp light\n').status).toBe(0)
    await page.goto(`${server.address}/papers`)
    await expect(page.getByRole('heading', { name: 'Kelpfield is locked' })).toBeVisible()
  })

  test('a forged cookie opens nothing', async ({ page, context }) => {
    await context.addCookies([
      { name: 'kelpfield-room', value: 'eyJhbGciOiJub25lIn0.eyJnZW5lcmF0aW9uIjoxfQ.', url: server.address },
    ])
    await page.goto(server.address)
    await expect(page.getByRole('heading', { name: 'Kelpfield is locked' })).toBeVisible()
  })

  test('after a few wrong tries it waits, and says how long; then the right one opens', async ({ page }) => {
    await page.goto(`${server.address}/unlock`)
    const tryWith = async (passphrase: string) => {
      await page.getByLabel('Passphrase').fill(passphrase)
      await page.getByRole('button', { name: 'Unlock' }).click()
    }
    const waits = page.getByText(/Too many wrong tries. Wait \d+ s/)
    for (let attempt = 0; attempt < 20 && !(await waits.isVisible()); attempt++) {
      await tryWith(`wrong ${attempt} again`)
      await expect(page.getByRole('button', { name: 'Unlock' })).toBeEnabled()
    }
    await expect(waits).toBeVisible()
    const seconds = Number(/Wait (\d+) s/.exec((await waits.textContent()) ?? '')?.[1])
    await page.waitForTimeout(seconds * 1000)
    await tryWith('oyster lamp light')
    await expect(page.getByRole('heading', { name: 'Bench' })).toBeVisible()
  })

  test('a new passphrase from a tablet asks for the one that is set', async ({ page, context }) => {
    await context.clearCookies()
    await page.goto(`${server.address}/unlock`)
    await page.getByLabel('Passphrase').fill('oyster lamp light')
    await page.getByRole('button', { name: 'Unlock' }).click()
    await page.getByRole('link', { name: 'Settings' }).click()
    await page.getByLabel('The passphrase that is set').fill('a guess of mine')
    await page.getByLabel('A new passphrase').fill('dusk plum and oyster')
    await page.getByRole('button', { name: 'Set the passphrase' }).click()
    await expect(page.getByText('This is not the passphrase that is set')).toBeVisible()
    await page.getByLabel('The passphrase that is set').fill('oyster lamp light')
    await page.getByRole('button', { name: 'Set the passphrase' }).click()
    await expect(page.getByRole('heading', { name: 'Kelpfield is locked' })).toBeVisible()
    await page.getByLabel('Passphrase').fill('dusk plum and oyster')
    await page.getByRole('button', { name: 'Unlock' }).click()
    await expect(page.getByRole('heading', { name: 'Bench' })).toBeVisible()
  })
})

test('foreign host names and origins are refused, and pages carry their headers', async ({ demo }) => {
  asked = demo
  const own = `127.0.0.1:${demo.port}`
  expect((await withHost('evil.example')).status).toBe(421)
  expect((await withHost(`127.0.0.1.evil.example:${demo.port}`, '/papers')).status).toBe(421)
  expect((await withHost('evil.example', '/api/backup')).status).toBe(421)
  expect((await withHost('evil.example', '/api/backup/restore', 'POST')).status).toBe(421)
  const foreign = { origin: 'https://evil.example' }
  expect((await withHost(own, '/api/runs/x/events', 'POST', foreign)).status).toBe(403)
  expect((await withHost(own, '/api/backup/restore', 'POST', foreign)).status).toBe(403)
  expect((await withHost(own, '/settings', 'POST', foreign)).status).toBe(403)
  const page = await withHost(own)
  expect(page.status).toBe(200)
  expect(page.headers['content-security-policy']).toContain("default-src 'self'")
  expect(page.headers['content-security-policy']).toMatch(/script-src 'self' 'nonce-[^']+'/)
  expect(page.headers['content-security-policy']).not.toContain('unsafe-eval')
  expect(page.headers).toMatchObject({
    'x-content-type-options': 'nosniff',
    'x-frame-options': 'DENY',
    'referrer-policy': 'same-origin',
  })
  expect(page.headers['x-powered-by']).toBeUndefined()
})

test('a batch of taps that is no batch, or far too large, is refused and the server goes on', async ({
  demo,
}) => {
  const send = async (body: string) => {
    const response = await fetch(`${demo.address}/api/runs/x/events`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body,
    }).catch(() => null)
    return response?.status ?? 0
  }
  expect(await send('{')).toBe(422)
  expect(await send('null')).toBe(422)
  expect(await send('[]')).toBe(422)
  // The server may hang up before the whole of it is sent.
  expect([0, 422]).toContain(await send(`"${'x'.repeat(5_000_000)}"`))
  // Who hangs up in the middle of a batch takes nothing down.
  const socket = connect(demo.port, '127.0.0.1')
  const head = [
    'POST /api/runs/x/events HTTP/1.1',
    `host: 127.0.0.1:${demo.port}`,
    'content-length: 1000',
    '',
    '',
  ]
  socket.write(`${head.join('\r\n')}{"epoch":`)
  await new Promise((resolve) => setTimeout(resolve, 50))
  socket.destroy()
  expect(await send(JSON.stringify({ epoch: '', since: 0, events: [] }))).toBe(404)
})

test('taps answered before the framework carry the same headers; on the machine itself nothing is packed', async ({
  demo,
}) => {
  const taps = await fetch(`${demo.address}/api/runs/x/events`, { method: 'POST', body: '{}' })
  const page = await fetch(demo.address, { headers: { 'accept-encoding': 'gzip' } })
  for (const name of ['x-content-type-options', 'x-frame-options', 'referrer-policy', 'permissions-policy'])
    expect([name, taps.headers.get(name)]).toEqual([name, page.headers.get(name)])
  expect(taps.headers.get('x-frame-options')).toBe('DENY')
  expect(page.headers.get('content-encoding')).toBeNull()
  // Other methods, and paths that only begin alike, are the framework's.
  expect((await fetch(`${demo.address}/api/runs/x/events`)).status).toBe(405)
  expect((await fetch(`${demo.address}/api/runs/x/events/more`, { method: 'POST' })).status).toBe(404)
})
