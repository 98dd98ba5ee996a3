import { NextResponse, type NextRequest } from 'next/server'
import { allowedHosts, requestFault, type RequestFault } from '@/access/request-check'
import { readConfig } from '@/config'

const hosts = allowedHosts(readConfig(process.env))

const REFUSALS: Readonly<Record<RequestFault, { readonly status: number; readonly text: string }>> = {
  FOREIGN_HOST: {
    status: 421,
    text: 'Kelpfield does not answer to this host name. Use the address it printed at the start, or add the name to KELPFIELD_HOSTS.',
  },
  FOREIGN_ORIGIN: { status: 403, text: 'This request came from another site and was not carried out.' },
}

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

/** Stands before every page, action and handler: foreign hosts and origins are refused, pages get a script nonce. */
export function proxy(request: NextRequest): NextResponse {
  const fault = requestFault({ method: request.method, header: (name) => request.headers.get(name) }, hosts)
  if (fault) {
    const { status, text } = REFUSALS[fault]
    return new NextResponse(text, { status, headers: { 'content-type': 'text/plain; charset=utf-8' } })
  }
  const policy = contentSecurityPolicy(Buffer.from(crypto.randomUUID()).toString('base64'))
  const headers = new Headers(request.headers)
  headers.set('content-security-policy', policy)
  const response = NextResponse.next({ request: { headers } })
  response.headers.set('content-security-policy', policy)
  return response
}

export const config = {
  // Restoring streams a whole database, which the proxy would hold in memory; its handler makes the same check.
  matcher: ['/((?!_next/static|_next/image|icon.svg|api/backup/restore).*)'],
}
