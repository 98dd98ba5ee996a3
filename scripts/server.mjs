// The process that listens: the framework answers, and what the table asks for again and again is answered before it
// (a request costs the framework more than it costs us). -H host, -p port, --dev for development.
import { EventEmitter } from 'node:events'
import { createServer } from 'node:http'
import { parseArgs } from 'node:util'
import next from 'next'
import { answerUpgrades, boundConnections, TIMES } from './lib/connections.mjs'
import { ensurePool, fail, ROOT } from './lib/setup.mjs'

const LOOPBACK = new Set(['127.0.0.1', '::1', '::ffff:127.0.0.1'])

/** With every answer, whoever gives it; the policy for scripts is set for each page by src/proxy.ts. */
const HEADERS = {
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy': 'camera=(), microphone=(), geolocation=()',
}

const { values } = parseArgs({
  options: {
    host: { type: 'string', short: 'H' },
    port: { type: 'string', short: 'p' },
    dev: { type: 'boolean', default: false },
  },
})
const hostname = values.host ?? '127.0.0.1'
const port = Number(values.port)

/** As much of a `Request` as a handler reads. Where it was sent to is read from its Host header alone. */
const asked = (incoming) => ({
  method: incoming.method,
  url: `http://127.0.0.1${incoming.url}`,
  headers: new Headers(
    Object.entries(incoming.headers).flatMap(([name, value]) => [value].flat().map((one) => [name, one])),
  ),
  body: incoming,
})

async function send(answer, incoming, outgoing) {
  // What was not read of a request would be taken for the next one's.
  if (!incoming.complete) outgoing.shouldKeepAlive = false
  const body = Buffer.from(await answer.text())
  outgoing.writeHead(answer.status, {
    ...Object.fromEntries(answer.headers),
    'content-length': body.length,
  })
  outgoing.end(body)
}

process.env.KELPFIELD_POOL = ensurePool()

// The framework would listen for other protocols at the server itself, and leave open what it does not answer.
const upgradesOfFramework = new EventEmitter()
const app = next({ dev: values.dev, dir: ROOT, hostname, port, httpServer: upgradesOfFramework })
const byFramework = app.getRequestHandler()

const server = createServer(TIMES, (incoming, outgoing) => {
  outgoing.setHeaders(new Map(Object.entries(HEADERS)))
  // On the machine itself nothing travels: packing and unpacking would cost both ends time for nothing.
  if (LOOPBACK.has(incoming.socket.remoteAddress)) delete incoming.headers['accept-encoding']
  // Installed by src/app/_server/first-answers.ts when the application starts.
  const answer = globalThis.kelpfieldFirstAnswers?.(incoming.method, incoming.url)
  const answered = answer
    ? answer(asked(incoming)).then((given) => send(given, incoming, outgoing))
    : byFramework(incoming, outgoing)
  answered.catch((error) => {
    console.error(error)
    outgoing.destroy()
  })
})

boundConnections(server)
answerUpgrades(server, {
  // Installed beside the first answers.
  faultOf: (incoming) => globalThis.kelpfieldUpgradeFault?.((name) => incoming.headers[name] ?? null),
  isOurs: (url) => url.startsWith('/_next/'),
  pass: values.dev
    ? (incoming, socket, head) => upgradesOfFramework.emit('upgrade', incoming, socket, head)
    : null,
})
server.on('error', (error) => fail(`Port ${port} cannot be listened on: ${error.message}`))
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    server.close(() => process.exit(0))
    server.closeIdleConnections()
  })

await app.prepare()
server.listen(port, hostname)
