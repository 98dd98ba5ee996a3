import { NextResponse, type NextRequest } from 'next/server'
import { allowedHosts, requestFault } from '@/access/request-check'
import { readConfig } from '@/config'
import { REQUEST_FAULT_WORDS } from '@/ui/format/trouble-words'

const hosts = allowedHosts(readConfig(process.env))

function contentSecurityPolicy(nonce: string): string {
  const development = process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : ''
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}'${development}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ')
}

/**
 * Workers keep to the policy of the script they are started from. Only they may compile WebAssembly, which the solver of
 * the cut plan is; no page may. They load nothing but our own files.
 */
const WORKER_POLICY = "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; connect-src 'self'"
const isWorkerScript = (path: string): boolean =>
  /^\/_next\/static\/chunks\/turbopack-worker-[\w.-]+\.js$/.test(path)

/** An address with a broken escape names nothing; what reads it later would fail on it. */
function wellFormed(path: string): boolean {
  try {
    decodeURIComponent(path)
    return true
  } catch {
    return false
  }
}

const answer = (status: number, text: string): NextResponse =>
  new NextResponse(text, { status, headers: { 'content-type': 'text/plain; charset=utf-8' } })

/** Stands before every page, action, handler and file: foreign hosts and origins are refused, pages get a nonce. */
export function proxy(request: NextRequest): NextResponse {
  const fault = requestFault({ method: request.method, header: (name) => request.headers.get(name) }, hosts)
  if (fault) return answer(fault === 'FOREIGN_HOST' ? 421 : 403, REQUEST_FAULT_WORDS[fault])
  if (!wellFormed(request.nextUrl.pathname)) return answer(400, 'This address has a slip in it.')
  const policy = isWorkerScript(request.nextUrl.pathname)
    ? WORKER_POLICY
    : contentSecurityPolicy(Buffer.from(crypto.randomUUID()).toString('base64'))
  const headers = new Headers(request.headers)
  headers.set('content-security-policy', policy)
  const response = NextResponse.next({ request: { headers } })
  response.headers.set('content-security-policy', policy)
  return response
}

export const config = {
  // Everything but two paths, named to their ends: restoring streams a whole database, which the proxy would hold in
  // memory, and the table asks for taps again and again, which it would make twice as slow. Their handlers make the
  // same check, as every action and handler does.
  matcher: ['/((?!api/backup/restore$|api/runs/[A-Za-z0-9_-]+/events$).*)'],
}
