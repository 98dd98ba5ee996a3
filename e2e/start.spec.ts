import { spawnSync } from 'node:child_process'
import { chmodSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import { DATA_VERSION } from '../src/data/migrations'
import { openDatabase } from '../src/data/open-database'

const ROOT = join(import.meta.dirname, '..')
let folder = ''
test.beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'kelpfield-start-'))
})
test.afterEach(() => rmSync(folder, { recursive: true, force: true }))

const start = (env: Record<string, string>, args: readonly string[] = []) => {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    [join(ROOT, 'scripts', 'start.mjs'), ...args],
    {
      cwd: ROOT,
      env: { ...process.env, KELPFIELD_DATA: folder, ...env },
      encoding: 'utf8',
      timeout: 60_000,
    },
  )
  return { status, output: `${stdout}${stderr}` }
}

const expectRefused = (outcome: ReturnType<typeof start>, words: string) => {
  expect(outcome.status).toBe(1)
  expect(outcome.output).toContain(words)
  expect(outcome.output).not.toMatch(/\n\s+at .*:\d+:\d+/)
}

test('a taken port', async () => {
  const other = createServer()
  await new Promise<void>((resolve) => other.listen(0, '127.0.0.1', resolve))
  const address = other.address()
  const port = address !== null && typeof address === 'object' ? address.port : 0
  expectRefused(start({ KELPFIELD_PORT: String(port) }), `Port ${port} is taken`)
  other.close()
})

test('a port, a room or a clock that cannot be', () => {
  expectRefused(start({ KELPFIELD_PORT: 'seven' }), 'KELPFIELD_PORT')
  expectRefused(start({ KELPFIELD_PORT: '70000' }), 'from 1 to 65535')
  expectRefused(start({ KELPFIELD_NOW: 'noon' }), 'KELPFIELD_NOW')
})

test('a data folder that cannot be written', () => {
  const file = join(folder, 'file')
  writeFileSync(file, '')
  expectRefused(start({ KELPFIELD_DATA: join(file, 'below') }), 'cannot be written to')
  const locked = join(folder, 'locked')
  mkdirSync(locked)
  chmodSync(locked, 0o500)
  // Root may write anywhere; for anyone else this folder is closed.
  if (process.getuid?.() !== 0)
    expectRefused(start({ KELPFIELD_DATA: join(locked, 'below') }), 'cannot be written to')
})

test('a database from a newer version is not touched', async () => {
  const path = join(folder, 'kelpfield.db')
  const { db, file } = await openDatabase(path)
  file.exec(`PRAGMA user_version = ${DATA_VERSION + 1}; PRAGMA wal_checkpoint(TRUNCATE);`)
  await db.destroy()
  const before = readFileSync(path)
  expectRefused(start({}), `data version ${DATA_VERSION + 1}`)
  expect(readFileSync(path).equals(before)).toBe(true)
})

test('a database that is none', () => {
  writeFileSync(join(folder, 'kelpfield.db'), 'notes about folding, long enough to have a header. '.repeat(5))
  expectRefused(start({}), 'is not a database')
})

test('open to the room without a passphrase', () => {
  expectRefused(start({}, ['--room']), 'npm run passphrase')
})
