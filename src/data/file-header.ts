import { closeSync, openSync, readSync } from 'node:fs'

/** 'KELP' in ASCII, in the header field that SQLite keeps for applications. */
export const APPLICATION_ID = 0x4b_45_4c_50

const HEADER_BYTES = 100
const MAGIC = 'SQLite format 3\u0000'

export type FileHeader =
  | { readonly kind: 'empty' }
  | { readonly kind: 'not a database' }
  | { readonly kind: 'database'; readonly applicationId: number; readonly dataVersion: number }

/**
 * What a file is by its first hundred bytes, without the database driver: opening would touch it.
 * Offsets 60 (user version) and 68 (application id), both big-endian. Source: SQLite database file format, 1.3.
 */
export function readFileHeader(path: string): FileHeader {
  const bytes = Buffer.alloc(HEADER_BYTES)
  const file = openSync(path, 'r')
  try {
    const read = readSync(file, bytes, 0, HEADER_BYTES, 0)
    if (read === 0) return { kind: 'empty' }
    if (read < HEADER_BYTES || bytes.toString('latin1', 0, MAGIC.length) !== MAGIC)
      return { kind: 'not a database' }
  } finally {
    closeSync(file)
  }
  return { kind: 'database', dataVersion: bytes.readUInt32BE(60), applicationId: bytes.readUInt32BE(68) }
}
