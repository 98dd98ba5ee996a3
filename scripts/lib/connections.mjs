// What the process that listens allows of connections: how many, how long, and no other protocol than HTTP.
import { readFileSync } from 'node:fs'

/** Thirty browsers with six connections each, and some. */
const MOST_CONNECTIONS = 200
/** Descriptors that are kept for the database, the build's files and the workers. */
const KEPT_DESCRIPTORS = 100

/** Longer than any pause between taps and polls: a connection that closes just as the next tap is sent loses it. */
const KEEP_ALIVE_MS = 65_000
/** A connection over which nothing came or went for so long is ended, whatever it waits for. */
const SILENCE_MS = 120_000
/** The head of a request is here by then, also the first of a connection. */
const HEAD_MS = 15_000
/** The whole of a request is: the largest backup over a slow network takes ten minutes. */
const REQUEST_MS = 900_000
const LOOK_EVERY_MS = 5000

/** How many descriptors this process may have open; `Infinity` where the system does not say. */
function mostDescriptors() {
  try {
    const [, soft] = /^Max open files\s+(\d+)/m.exec(readFileSync('/proc/self/limits', 'utf8')) ?? []
    return soft === undefined ? Infinity : Number(soft)
  } catch {
    return Infinity
  }
}

/** Options of the server that must be given as it is made. */
export const TIMES = {
  keepAliveTimeout: KEEP_ALIVE_MS,
  headersTimeout: HEAD_MS,
  requestTimeout: REQUEST_MS,
  connectionsCheckingInterval: LOOK_EVERY_MS,
}

/** Holds a server to so many connections; one that is turned away makes room of those that only wait. */
export function boundConnections(server) {
  server.maxConnections = Math.max(8, Math.min(MOST_CONNECTIONS, mostDescriptors() - KEPT_DESCRIPTORS))
  server.timeout = SILENCE_MS
  server.on('drop', () => server.closeIdleConnections())
}

const REFUSED = { status: 400, words: 'Kelpfield speaks no other protocol here.' }
const NOT_YET = { status: 503, words: 'Kelpfield is still starting. Try again in a moment.' }

function refuse(socket, { status, words }) {
  const body = Buffer.from(`${words}\n`)
  const head = [
    `HTTP/1.1 ${status} Refused`,
    'content-type: text/plain; charset=utf-8',
    `content-length: ${body.length}`,
    'connection: close',
  ]
  // What does not close by itself is not waited for.
  socket.on('error', () => undefined)
  socket.end(Buffer.concat([Buffer.from(`${head.join('\r\n')}\r\n\r\n`), body]), () => socket.destroy())
}

/**
 * Answers every request for another protocol and ends its socket: nobody else would. `pass`, where there is one, takes
 * those that `isOurs` knows, from our own pages only. `faultOf` says what is wrong with where a request comes from.
 */
export function answerUpgrades(server, { faultOf, isOurs, pass }) {
  server.on('upgrade', (incoming, socket, head) => {
    const fault = faultOf?.(incoming)
    if (fault === undefined) return refuse(socket, NOT_YET)
    if (fault !== null) return refuse(socket, fault)
    if (pass && isOurs(incoming.url)) return pass(incoming, socket, head)
    return refuse(socket, REFUSED)
  })
}
