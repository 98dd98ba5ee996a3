import { hostname, networkInterfaces } from 'node:os'
import type { Config } from '@/config'

const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'] as const

/** Host names this server answers to: loopback, those configured, and when open to the room this machine's own. */
export function allowedHosts(config: Pick<Config, 'room' | 'hosts'>): ReadonlySet<string> {
  const hosts = new Set<string>([...LOOPBACK, ...config.hosts])
  if (config.room) {
    const name = hostname().toLowerCase()
    hosts.add(name).add(`${name}.local`)
    for (const address of Object.values(networkInterfaces()).flatMap((list) => list ?? []))
      hosts.add(address.family === 'IPv6' ? `[${address.address.toLowerCase()}]` : address.address)
  }
  return hosts
}

/** The name in a Host header, without its port. */
export const hostName = (host: string): string => host.toLowerCase().replace(/:\d+$/, '')

export type RequestFault = 'FOREIGN_HOST' | 'FOREIGN_ORIGIN'

export interface RequestHead {
  readonly method: string
  readonly header: (name: string) => string | null
}

function originFits(origin: string, host: string): boolean {
  try {
    return new URL(origin).host.toLowerCase() === host.toLowerCase()
  } catch {
    return false
  }
}

/**
 * What is wrong with where a request comes from; `null` when nothing is.
 * A foreign Host name is DNS rebinding. Anything but reading must come from our own pages: same Origin, or where a
 * browser sends none, not from another site.
 */
export function requestFault(
  { method, header }: RequestHead,
  hosts: ReadonlySet<string>,
): RequestFault | null {
  const host = header('host')
  if (host === null || !hosts.has(hostName(host))) return 'FOREIGN_HOST'
  if (method === 'GET' || method === 'HEAD') return null
  const origin = header('origin')
  if (origin !== null) return originFits(origin, host) ? null : 'FOREIGN_ORIGIN'
  const site = header('sec-fetch-site')
  return site === null || site === 'same-origin' || site === 'none' ? null : 'FOREIGN_ORIGIN'
}
