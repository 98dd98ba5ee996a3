import { resolve } from 'node:path'
import { z } from 'zod'

const environment = z.object({
  KELPFIELD_DATA: z.string().min(1).default('kelpfield-data'),
  KELPFIELD_PORT: z.coerce
    .number({ error: 'KELPFIELD_PORT must be a number.' })
    .int('KELPFIELD_PORT must be a whole number.')
    .min(1, 'KELPFIELD_PORT must be from 1 to 65535.')
    .max(65_535, 'KELPFIELD_PORT must be from 1 to 65535.')
    .default(4680),
  KELPFIELD_ROOM: z.enum(['0', '1'], { error: 'KELPFIELD_ROOM must be 0 or 1.' }).default('0'),
  KELPFIELD_HOSTS: z.string().default(''),
  KELPFIELD_NOW: z.iso
    .datetime({ offset: true, error: 'KELPFIELD_NOW must be a time like 2026-11-25T09:30:00Z.' })
    .optional(),
})

export interface Config {
  /** Absolute folder of the database. */
  readonly dataFolder: string
  readonly databasePath: string
  readonly port: number
  /** Open to the room: listens beyond loopback and wants the passphrase. */
  readonly room: boolean
  /** Further Host names the server answers to. */
  readonly hosts: readonly string[]
  /** A stopped clock for pictures, UTC milliseconds. */
  readonly frozenNowMs: number | null
}

/** Everything the environment can set, read in this one place. *Throws* an Error whose message says what to mend. */
export function readConfig(env: Readonly<Record<string, string | undefined>>): Config {
  const parsed = environment.safeParse(env)
  if (!parsed.success) throw new Error(parsed.error.issues.map((issue) => issue.message).join(' '))
  const { data } = parsed
  const dataFolder = resolve(data.KELPFIELD_DATA)
  return {
    dataFolder,
    databasePath: resolve(dataFolder, 'kelpfield.db'),
    port: data.KELPFIELD_PORT,
    room: data.KELPFIELD_ROOM === '1',
    hosts: data.KELPFIELD_HOSTS.split(',')
      .map((host) => host.trim().toLowerCase())
      .filter((host) => host !== ''),
    frozenNowMs: data.KELPFIELD_NOW === undefined ? null : Date.parse(data.KELPFIELD_NOW),
  }
}
