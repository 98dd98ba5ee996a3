import { copyFileSync, mkdtempSync, renameSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Database from 'libsql'
import { openDatabase, type OpenDatabase } from './open-database'
import { inTransaction } from './writing'

let folder = ''
let database: OpenDatabase
let other: Database.Database
const path = () => join(folder, 'data', 'k.db')

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'kelpfield-writing-'))
  database = await openDatabase(path())
  other = new Database(path())
})
afterEach(async () => {
  other.close()
  await database.db.destroy()
  rmSync(folder, { recursive: true, force: true })
})

const write = (key: string, patienceMs?: number) =>
  inTransaction(
    database.db,
    (trx) => trx.insertInto('setting').values({ key, value: 'x' }).execute(),
    patienceMs,
  )
const keys = async () =>
  (
    await database.db.selectFrom('setting').select('key').where('value', '=', 'x').orderBy('key').execute()
  ).map((row) => row.key)
const busy = { trouble: 'BUSY' }
const soon = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

describe('a second process that writes', () => {
  test('a deed waits for its lock; reading and everything else goes on meanwhile', async () => {
    other.exec("BEGIN IMMEDIATE; INSERT INTO setting VALUES ('theirs', 'x')")
    const deed = write('ours')
    let ticks = 0
    const clock = setInterval(() => ticks++, 5)
    for (let read = 0; read < 10; read++) {
      await soon(20)
      expect(await keys()).toEqual([])
    }
    clearInterval(clock)
    other.exec('COMMIT')
    await deed
    expect(await keys()).toEqual(['ours', 'theirs'])
    // A driver that waited by itself would have let no timer run at all.
    expect(ticks).toBeGreaterThan(10)
  })
  test('a deed that gives up leaves the connection free: what comes later is written and read anew', async () => {
    other.exec('BEGIN IMMEDIATE')
    await expect(write('a', 60)).rejects.toMatchObject(busy)
    await expect(write('b', 60)).rejects.toMatchObject(busy)
    other.exec("INSERT INTO setting VALUES ('theirs', 'x'); COMMIT")
    expect(await keys()).toEqual(['theirs'])
    await write('c', 60)
    other.exec("INSERT INTO setting VALUES ('more', 'x')")
    expect(await keys()).toEqual(['c', 'more', 'theirs'])
  })
  test('a single statement that met a lock does not keep its old picture of the data either', async () => {
    other.exec('BEGIN IMMEDIATE')
    await expect(
      database.db.insertInto('setting').values({ key: 'a', value: 'x' }).execute(),
    ).rejects.toMatchObject(busy)
    other.exec("INSERT INTO setting VALUES ('theirs', 'x'); COMMIT")
    expect(await keys()).toEqual(['theirs'])
    other.exec("INSERT INTO setting VALUES ('more', 'x')")
    expect(await keys()).toEqual(['more', 'theirs'])
    await write('b', 60)
    expect(await keys()).toEqual(['b', 'more', 'theirs'])
  })
  test('a deed that reads before it writes cannot find that another wrote in between: it holds the lock from its start', async () => {
    let times = 0
    await inTransaction(database.db, async (trx) => {
      times++
      await trx.selectFrom('setting').selectAll().execute()
      expect(() => other.exec("INSERT INTO setting VALUES ('theirs', 'x')")).toThrow(/locked/)
      await trx.insertInto('setting').values({ key: 'ours', value: 'x' }).execute()
    })
    expect(times).toBe(1)
    expect(await keys()).toEqual(['ours'])
  })
  test('sixty deeds at once against a writer that comes and goes: each is written once', async () => {
    const deeds = Array.from({ length: 60 }, (_, index) => write(`k${String(index).padStart(2, '0')}`))
    for (let round = 0; round < 10; round++) {
      await soon(15)
      try {
        other.exec('BEGIN IMMEDIATE')
      } catch {
        continue
      }
      await soon(10)
      other.exec(`INSERT INTO setting VALUES ('t${round}', 'y'); COMMIT`)
    }
    await Promise.all(deeds)
    expect(await keys()).toHaveLength(60)
  })
})

describe('after an error', () => {
  test('a constraint that does not hold is said as it is, and nothing of the deed is kept', async () => {
    await write('a')
    const deed = inTransaction(database.db, async (trx) => {
      await trx.insertInto('setting').values({ key: 'b', value: 'x' }).execute()
      await trx.insertInto('setting').values({ key: 'a', value: 'x' }).execute()
    })
    await expect(deed).rejects.toMatchObject({ code: 'SQLITE_CONSTRAINT_PRIMARYKEY' })
    expect(await keys()).toEqual(['a'])
    await write('c')
    expect(await keys()).toEqual(['a', 'c'])
  })
  test('a full disk: nothing is kept, nothing after it in the same deed is written, and it passes', async () => {
    const pages = Number(database.file.pragma('page_count'))
    database.file.exec(`PRAGMA max_page_count = ${pages + 2}`)
    const deed = inTransaction(database.db, async (trx) => {
      const much = 'x'.repeat(100_000)
      const full = trx.insertInto('setting').values({ key: 'much', value: much }).execute()
      // Sent off before the first has failed: it must not be written on its own.
      const after = trx.insertInto('setting').values({ key: 'after', value: 'x' }).execute()
      await Promise.allSettled([full, after])
      await full
    })
    await expect(deed).rejects.toMatchObject({ trouble: 'FULL' })
    expect(await keys()).toEqual([])
    await write('later')
    expect(await keys()).toEqual(['later'])
  })
  test('a database that may not be written to', async () => {
    database.file.exec('PRAGMA query_only = 1')
    await expect(write('a', 60)).rejects.toMatchObject({ trouble: 'READ_ONLY' })
    expect(await keys()).toEqual([])
  })
})

describe('the files taken away while in use', () => {
  const away = () => join(folder, 'away')
  test('a folder that is gone: nothing is said to be kept; once it is back, all goes on', async () => {
    await write('a')
    renameSync(join(folder, 'data'), away())
    expect(database.file.place()).toBe('gone')
    await expect(write('b', 60)).rejects.toMatchObject({ trouble: 'GONE' })
    renameSync(away(), join(folder, 'data'))
    expect(await keys()).toEqual(['a'])
    await write('c')
    expect(await keys()).toEqual(['a', 'c'])
  })
  test('a folder that goes in the midst of a deed: the deed is not kept', async () => {
    const deed = inTransaction(database.db, async (trx) => {
      await trx.insertInto('setting').values({ key: 'a', value: 'x' }).execute()
      renameSync(join(folder, 'data'), away())
    })
    await expect(deed).rejects.toMatchObject({ trouble: 'GONE' })
    renameSync(away(), join(folder, 'data'))
    expect(await keys()).toEqual([])
  })
  test('another file in its place is noticed', async () => {
    await write('a')
    database.file.pragma('wal_checkpoint(TRUNCATE)')
    copyFileSync(path(), join(folder, 'copy.db'))
    renameSync(join(folder, 'copy.db'), path())
    expect(database.file.place()).toBe('replaced')
    await expect(write('b', 60)).rejects.toMatchObject({ trouble: 'GONE' })
  })
  test('a write-ahead log that was taken away: what was kept before is still there at the next start', async () => {
    other.close()
    await write('a')
    rmSync(`${path()}-wal`)
    await write('b')
    await database.db.destroy()
    other = new Database(path())
    database = await openDatabase(path())
    expect(await keys()).toEqual(['a', 'b'])
  })
})
