import { createHash } from 'node:crypto'
import type { GuardedDatabase } from './guarded-database'

/** Fingerprint of everything a database defines: tables, indexes, views, triggers, as their text stands. */
export function schemaPrint(file: GuardedDatabase): string {
  const rows = file.query(
    `SELECT type, name, tbl_name, sql FROM sqlite_master WHERE name NOT LIKE 'sqlite\\_%' ESCAPE '\\' ORDER BY type, name`,
  )
  const text = JSON.stringify(rows.map(({ type, name, tbl_name, sql }) => [type, name, tbl_name, sql]))
  return createHash('sha256').update(text).digest('hex')
}

/**
 * Every schema that a data version ever had where Kelpfield wrote it, as `schemaPrint` tells it. A file whose schema is
 * another was not written by Kelpfield. `data/upgrade.test.ts` holds this list against the databases in
 * test/fixtures and against what the migrations make.
 */
export const KNOWN_SCHEMAS: Readonly<Record<number, readonly string[]>> = {
  // The second of 6 to 8 lacks the order of a line's papers: see migration 0009.
  6: [
    '854ffb23732f57dc78e4039ddeb2e6c2f1b7bd077809f5ef6c3a57f19854c39e',
    '405672d4b3e102f0f066d9862bd3849706f1e45c5bc247019d2a316da76b5429',
  ],
  7: [
    '5f9bf6bf8633c4b4cb686cea1fab44d7d46bb4f6b877e1129c38cd6ca68c045b',
    '10af44046ad9efa00924f3baa2fff366ef8189f7582f821b8338ee3d5a6cc8a9',
  ],
  8: [
    '4a3823b64f1cabf74b11abc970f18dd1bf96b02f15d50d5ebfb8badbe4c53021',
    'c774cd0c0826f17ecaa600d7a4c9463d7f20ad9d1e47484b048edf2c6988f9d6',
  ],
  9: ['2407a1978f282ff3e792fb36c18f9f282abdbe82f6ba1c3c41ce58c96c92be69'],
  10: ['87cb9c24b5470094ffbd39f0a3e07210768a3e28cd7ffad4ccaa0a360afbb8f0'],
  11: ['65fcfbd37504c24f91e96309c98932cb9811bcd905a194a7d1af6f3f844b8e2f'],
  12: ['8ec3a89656d5fd2dd5ffc2d02de9e67c4951c28d87b0abfbe838ba216eb6564f'],
  13: ['d11bd5ee2aa78518bb18f2d9273753606410242329ef62d09804814cef49b7b5'],
  14: ['be147cd2414b80b250766e317cabe3a5689cc4a90d52f84f44b84f8331500fe6'],
  15: ['0276394ce26f4b19d6a7a534c66228dad62bc312a2251576588402003a3c96a2'],
  16: ['bcdd8f58621c903469dd3d7a0f651165198742737d84fabbc42adf3526cd76dd'],
  17: ['53568768ecfbdafa18148ccce6694f4511707a7c56b640a7d4a269b79acd82a3'],
}
