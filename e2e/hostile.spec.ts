import { readFileSync, readdirSync } from 'node:fs'
import { request as httpRequest } from 'node:http'
import { connect } from 'node:net'
import { join } from 'node:path'
import { expect, test } from './support/fixtures'
import type { TestServer } from './support/server'

const BUILD = join(import.meta.dirname, '..', '.next')

/** Every route that the build lists, with something in the place of its parameters: a new route is covered by itself. */
function routes(): readonly string[] {
  const manifest = JSON.parse(readFileSync(join(BUILD, 'routes-manifest.json'), 'utf8')) as {
    staticRoutes: { page: string }[]
    dynamicRoutes: { page: string }[]
  }
  return [...manifest.staticRoutes, ...manifest.dynamicRoutes]
    .map(({ page }) => page.replaceAll(/\[+[^\]]+\]+/g, 'x'))
    .filter((page) => !page.startsWith('/_'))
}

/** Names of the server actions, as a page would send them. */
function actionIds(): readonly string[] {
  const manifest = JSON.parse(
    readFileSync(join(BUILD, 'server', 'server-reference-manifest.json'), 'utf8'),
  ) as { node: Record<string, unknown> }
  return Object.keys(manifest.node)
}

interface Sent {
  readonly path: string
  readonly method: string
  readonly headers?: Readonly<Record<string, string>>
  readonly body?: string
}

/** A request as written: fetch would tidy the path and refuse the Host header. */
const send = (server: TestServer, { path, method, headers = {}, body }: Sent) =>
  new Promise<{ status: number; text: string }>((resolve, reject) => {
    const request = httpRequest(
      {
        host: '127.0.0.1',
        port: server.port,
        path,
        method,
        headers: { host: `127.0.0.1:${server.port}`, ...headers },
      },
      (response) => {
        let text = ''
        response.on('data', (chunk: Buffer) => (text += chunk.toString('latin1')))
        response.on('end', () => resolve({ status: response.statusCode ?? 0, text }))
      },
    )
    request.on('error', reject)
    request.end(body)
  })

const FOREIGN: readonly Readonly<Record<string, string>>[] = [
  { host: 'evil.example' },
  { host: '127.0.0.1.evil.example' },
  { host: 'localhost@evil.example' },
  { origin: 'https://evil.example' },
  { origin: 'null' },
  { origin: '127.0.0.1' },
  { 'sec-fetch-site': 'cross-site' },
  { 'sec-fetch-site': 'same-site' },
  { host: 'evil.example', origin: 'http://evil.example' },
  { host: 'evil.example', 'x-forwarded-host': '127.0.0.1', 'x-forwarded-proto': 'http' },
]

/** The same path as somebody would write it who looks for a gap in a rule that goes by how a path begins or ends. */
const variants = (path: string): readonly string[] => [
  path,
  `${path}x`,
  `${path}/`,
  `${path}/x`,
  `${path}.svg`,
  `${path}%2f`,
  `${path}?a=1`,
  `${path};a`,
  `/${path}`,
  path.replace(/\w/, (letter) => `%${letter.charCodeAt(0).toString(16)}`),
]
const DISGUISES = [
  '/icon.svg',
  '/favicon.ico',
  '/_next/static',
  '/_next/static/x',
  '/_next/image',
  '/_next/data',
]

const settingsOf = async (server: TestServer) =>
  (await (await fetch(`${server.address}/settings`)).text()).match(
    /<select[^>]*id="unit"[\s\S]*?<\/select>/,
  )?.[0]

test('an action under any path and name, from a foreign host or origin, changes nothing', async ({
  demo,
}) => {
  test.setTimeout(180_000)
  const before = await settingsOf(demo)
  expect(before).toBeDefined()
  const ids = actionIds()
  expect(ids.length).toBeGreaterThan(15)
  // Eleven kinds of foreign place by ten ways to write a path: every kind comes to every path, and to every action.
  let asked = 0
  for (const path of [...routes(), ...DISGUISES].flatMap(variants)) {
    const foreign = FOREIGN[asked % FOREIGN.length]
    const id = ids[asked++ % ids.length] ?? ''
    const { status } = await send(demo, {
      path,
      method: 'POST',
      headers: { 'content-type': 'text/plain;charset=UTF-8', 'next-action': id, ...foreign },
      body: '[]',
    })
    expect({ path, foreign, refused: [308, 400, 403, 404, 405, 421].includes(status) }).toEqual({
      path,
      foreign,
      refused: true,
    })
  }
  expect(await settingsOf(demo)).toBe(before)
})

test('every action, sent to a page from each kind of foreign place, is refused', async ({ demo }) => {
  for (const id of actionIds())
    for (const foreign of FOREIGN) {
      const { status } = await send(demo, {
        path: '/settings',
        method: 'POST',
        headers: { 'content-type': 'text/plain;charset=UTF-8', 'next-action': id, ...foreign },
        body: '["x",{}]',
      })
      expect([400, 403, 421]).toContain(status)
    }
})

test('every action with arguments that cannot be answers in words, never with an error of its own', async ({
  demo,
}) => {
  const hostile = [
    '[]',
    '[null]',
    '[{},{},{}]',
    '["$undefined","$undefined","$undefined"]',
    '[{"toString":1},{"toString":1},{"toString":1}]',
    '["../../etc",["x"],"' + 'x'.repeat(5000) + '"]',
    '[1e999,-0,1.5]',
    '["x","x","x"]',
  ]
  for (const id of actionIds())
    for (const body of hostile) {
      const { status } = await send(demo, {
        path: '/settings',
        method: 'POST',
        headers: {
          'content-type': 'text/plain;charset=UTF-8',
          'next-action': id,
          origin: demo.address,
        },
        body,
      })
      expect({ id, body, status: status < 500 }).toEqual({ id, body, status: true })
    }
})

test('every route: unknown names and broken escapes are not found or refused, never an error or a page', async ({
  demo,
}) => {
  for (const route of routes()) {
    if (!route.includes('/x')) continue
    for (const name of [
      'x',
      '%E0%A4%A',
      '%FF',
      '%00',
      '..%2f..%2fetc',
      '%25',
      "'--",
      'a'.repeat(3000),
      '__proto__',
      'constructor',
    ]) {
      const path = route.replaceAll('/x', `/${name}`)
      const method = route.endsWith('/events') ? 'POST' : 'GET'
      const { status } = await send(demo, {
        path,
        method,
        ...(method === 'POST' ? { body: '{"epoch":"","since":0,"events":[]}' } : {}),
      })
      expect({
        path,
        method,
        status: [307, 400, 404, 414, 422].includes(status) ? 'refused' : status,
      }).toEqual({
        path,
        method,
        status: 'refused',
      })
    }
  }
})

test('every route and method: a foreign host is refused, and nothing is left on the disk', async ({
  demo,
}) => {
  for (const path of routes())
    for (const method of ['GET', 'HEAD', 'OPTIONS', 'POST', 'PUT', 'PATCH', 'DELETE']) {
      const foreign = await send(demo, { path, method, headers: { host: 'evil.example' } })
      // The paths the proxy leaves out answer nothing but POST, to whomever.
      const leftOut = path === '/api/backup/restore' || path.endsWith('/events')
      const wanted = leftOut && method !== 'POST' ? /^(204|405)$/ : /^421$/
      expect({ path, method, status: String(foreign.status) }).toEqual({
        path,
        method,
        status: expect.stringMatching(wanted) as unknown,
      })
      // Pages write nothing, whatever the method.
      if (!path.startsWith('/api')) continue
      await send(demo, { path, method })
      const left = readdirSync(join(demo.folder, 'tmp'))
      expect({ path, method, left }).toEqual({ path, method, left: [] })
    }
})

/** Asks for another protocol; *resolves* with the status once the server has closed the connection. */
const upgrade = (server: TestServer, path: string, headers: Readonly<Record<string, string>>) =>
  new Promise<number>((resolve, reject) => {
    const socket = connect(server.port, '127.0.0.1')
    const lines = {
      host: `127.0.0.1:${server.port}`,
      connection: 'Upgrade',
      upgrade: 'websocket',
      'sec-websocket-version': '13',
      'sec-websocket-key': 'a2VscGZpZWxkLWtlbHBmaQ==',
      ...headers,
    }
    const head = Object.entries(lines).map(([name, value]) => `${name}: ${value}\r\n`)
    let text = ''
    socket.on('data', (chunk: Buffer) => (text += chunk.toString('latin1')))
    socket.on('error', reject)
    socket.on('close', () => resolve(Number(/^HTTP\/1\.1 (\d+)/.exec(text)?.[1] ?? 0)))
    socket.write(`GET ${path} HTTP/1.1\r\n${head.join('')}\r\n`)
  })
const descriptors = (server: TestServer): number => readdirSync(`/proc/${server.pid}/fd`).length

test('a request for another protocol is refused and its connection closed, whatever the path, host and origin', async ({
  demo,
}) => {
  await fetch(`${demo.address}/papers`)
  const before = descriptors(demo)
  const statuses = new Set<number>()
  for (const path of [
    '/',
    '/papers',
    '/nowhere',
    '/_next/hmr',
    '/_next/x',
    '/api/runs/x/events',
    '/%E0%A4%A',
  ])
    for (const headers of [{}, ...FOREIGN, { origin: demo.address }, { upgrade: 'h2c' }])
      statuses.add(await upgrade(demo, path, headers))
  // 400 of our own pages, 403 and 421 of others; none is left without an answer.
  expect([...statuses].sort()).toEqual([400, 403, 421])
  const all = await Promise.all(Array.from({ length: 150 }, () => upgrade(demo, '/nowhere', {})))
  expect(new Set(all)).toEqual(new Set([400]))
  await expect.poll(() => descriptors(demo)).toBeLessThanOrEqual(before + 3)
})

test('more connections than there may be: the rest are turned away, and pages go on being answered', async ({
  demo,
}) => {
  const before = descriptors(demo)
  const silent = Array.from({ length: 400 }, () =>
    connect(demo.port, '127.0.0.1').on('error', () => undefined),
  )
  await expect.poll(() => silent.filter((socket) => socket.destroyed).length).toBeGreaterThan(150)
  expect(descriptors(demo)).toBeLessThan(before + 260)
  for (const socket of silent) socket.destroy()
  await expect
    .poll(() =>
      fetch(`${demo.address}/papers`).then(
        ({ status }) => status,
        () => 0,
      ),
    )
    .toBe(200)
  await expect.poll(() => descriptors(demo)).toBeLessThanOrEqual(before + 5)
})

test('a backup is given to our own pages only, by GET only, and leaves nothing behind', async ({ demo }) => {
  const ask = (method: string, headers: Record<string, string> = {}) =>
    send(demo, { path: '/api/backup', method, headers })
  expect((await ask('HEAD')).status).toBe(405)
  for (const foreign of FOREIGN) expect([403, 421]).toContain((await ask('GET', foreign)).status)
  const own = await ask('GET', { 'sec-fetch-site': 'same-origin' })
  expect(own.status).toBe(200)
  expect(own.text.startsWith('SQLite format 3')).toBe(true)
  expect(own.text).not.toContain('argon2')
  // One that is broken off as it begins.
  for (let round = 0; round < 3; round++) {
    const abort = new AbortController()
    await fetch(`${demo.address}/api/backup`, { signal: abort.signal }).then(() => abort.abort())
  }
  expect(readdirSync(join(demo.folder, 'tmp'))).toEqual([])
})
