import { createHash } from 'node:crypto'
import canonicalize from 'canonicalize'

/** Content hash of plain data: SHA-256 over its canonical JSON (RFC 8785), and that JSON. */
export function contentHash(value: object): { readonly hash: string; readonly text: string } {
  const text = canonicalize(value) ?? ''
  return { hash: createHash('sha256').update(text).digest('hex'), text }
}
