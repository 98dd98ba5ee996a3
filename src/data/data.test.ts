import type * as FileSystem from 'node:fs'
import {
  copyFileSync,
  fstatSync,
  readdirSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  truncateSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { sql } from 'kysely'
import { backupTo, restoreFrom as restoreWith } from './backup'
import { BadParameterError, guardParameter } from './guarded-database'
import { DATA_VERSION } from './migrations'
import { DatabaseProblemError } from './database-problem'
import { connect, migrate, openDatabase, type OpenDatabase } from './open-database'
import { predecessorsOf } from './predecessors'
import { asTrouble } from './trouble'

let folder = ''
const opened: OpenDatabase[] = []
const at = (name: string) => join(folder, name)
const open = async (name: string) => {
  const database = await openDatabase(at(name))
  opened.push(database)
  return database
}

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'kelpfield-data-'))
})
afterEach(async () => {
  await Promise.all(opened.splice(0).map(({ db }) => db.destroy()))
  rmSync(folder, { recursive: true, force: true })
})

/** A restore with nothing more to look at. */
const restoreFrom = (database: OpenDatabase, path: string, nowMs = Date.UTC(2026, 10, 27, 9, 41, 12, 345)) =>
  restoreWith(database, path, { prepare: () => Promise.resolve(), nowMs })

const addPaper = ({ db }: OpenDatabase, id: string) =>
  db
    .insertInto('paper')
    .values({
      id,
      name: `Paper ${id}`,
      feel: 'copier',
      grammage_gsm: null,
      caliper_um: null,
      front_colour: '#112233',
      back_colour: '#ffffff',
      note: '',
      created_at_ms: 1,
      archived_at_ms: null,
    })
    .execute()
const paperIds = async ({ db }: OpenDatabase) =>
  (await db.selectFrom('paper').select('id').orderBy('id').execute()).map((row) => row.id)
const epoch = async ({ db }: OpenDatabase) =>
  (await db.selectFrom('setting').select('value').where('key', '=', 'epoch').executeTakeFirstOrThrow()).value
const schemaOf = async ({ db }: OpenDatabase) =>
  (
    await sql<{
      name: string
      sql: string
    }>`SELECT name, sql FROM sqlite_master WHERE sql IS NOT NULL ORDER BY name`.execute(db)
  ).rows

describe('the driver guard', () => {
  test('booleans become 0 and 1', () => {
    expect([true, false].map(guardParameter)).toEqual([1, 0])
  })
  test.each([[undefined], [NaN], [Infinity], [2 ** 53], [new Date(0)], [{}], [() => 1], [Symbol('x')]])(
    '%p is refused before it reaches the driver',
    (value) => expect(() => guardParameter(value)).toThrow(BadParameterError),
  )
  test('a refused value inside a transaction leaves nothing behind', async () => {
    const database = await open('k.db')
    const deed = database.db.transaction().execute(async (trx) => {
      await addPaper({ ...database, db: trx }, 'a')
      await trx.updateTable('paper').set({ caliper_um: NaN }).execute()
    })
    await expect(deed).rejects.toThrow(BadParameterError)
    expect(await paperIds(database)).toEqual([])
  })
})

describe('opening', () => {
  test('a new file gets WAL, foreign keys, our mark and the newest version', async () => {
    const { file } = await open('k.db')
    expect(file.pragma('journal_mode')).toBe('wal')
    expect(file.pragma('foreign_keys')).toBe(1)
    expect(file.pragma('user_version')).toBe(DATA_VERSION)
  })
  test('foreign keys hold: a stock item of no paper is refused', async () => {
    const { db } = await open('k.db')
    const item = { id: 'i', paper_id: 'none', width_um: 1, height_um: 1, offcut: 0, price_minor: null }
    await expect(db.insertInto('stock_item').values(item).execute()).rejects.toThrow(/FOREIGN KEY/)
  })
  test('ledgers are append-only', async () => {
    const database = await open('k.db')
    await addPaper(database, 'a')
    await database.db
      .insertInto('stock_item')
      .values({ id: 'i', paper_id: 'a', width_um: 1, height_um: 1, offcut: 0, price_minor: null })
      .execute()
    await database.db
      .insertInto('stock_move')
      .values({ id: 'm', stock_item_id: 'i', delta: 5, kind: 'bought', cut_id: null, at_ms: 1 })
      .execute()
    await expect(database.db.updateTable('stock_move').set({ delta: 6 }).execute()).rejects.toThrow(
      /append-only/,
    )
    await expect(database.db.deleteFrom('stock_move').execute()).rejects.toThrow(/append-only/)
  })
  test.each(Array.from({ length: DATA_VERSION }, (_, index) => index + 1))(
    'a database of version %i is brought to the newest with its rows kept',
    async (version) => {
      const old = connect(at('old.db'))
      await migrate(old, version)
      await addPaper(old, 'kept')
      await old.db.destroy()
      const database = await open('old.db')
      expect(await paperIds(database)).toEqual(['kept'])
      expect(database.file.pragma('foreign_key_check')).toBeUndefined()
      expect(await schemaOf(database)).toEqual(await schemaOf(await open('fresh.db')))
    },
  )
  test('a database from a newer version is refused and not a byte is changed', async () => {
    const database = await openDatabase(at('k.db'))
    database.file.exec(`PRAGMA user_version = ${DATA_VERSION + 1}; PRAGMA wal_checkpoint(TRUNCATE);`)
    await database.db.destroy()
    const before = readFileSync(at('k.db'))
    await expect(openDatabase(at('k.db'))).rejects.toMatchObject({ problem: 'NEWER_VERSION' })
    expect(readFileSync(at('k.db')).equals(before)).toBe(true)
  })
  test('a file that is no database, or of another application, is refused and kept', async () => {
    writeFileSync(at('text.db'), 'not a database at all, but longer than a hundred bytes. '.repeat(4))
    await expect(openDatabase(at('text.db'))).rejects.toMatchObject({ problem: 'NOT_A_DATABASE' })
    const other = connect(at('other.db'))
    other.file.exec('CREATE TABLE t (x)')
    await other.db.destroy()
    await expect(openDatabase(at('other.db'))).rejects.toMatchObject({ problem: 'OTHER_APPLICATION' })
  })
  test('a folder that cannot be is a clear refusal', async () => {
    writeFileSync(at('file'), '')
    const failed = openDatabase(join(at('file'), 'below', 'k.db'))
    await expect(failed).rejects.toMatchObject({ problem: 'FOLDER_NOT_WRITABLE' })
    await expect(failed).rejects.toThrow('KELPFIELD_DATA')
  })
})

describe('backup and restore', () => {
  test('a copy made in use holds the data; restoring brings it back under a new epoch, with the handle kept', async () => {
    const database = await open('k.db')
    await addPaper(database, 'a')
    const firstEpoch = await epoch(database)
    await backupTo(database, at('copy.db'))
    await addPaper(database, 'b')
    await restoreFrom(database, at('copy.db'))
    expect(await paperIds(database)).toEqual(['a'])
    expect(await epoch(database)).not.toBe(firstEpoch)
    await addPaper(database, 'c')
    expect(await paperIds(database)).toEqual(['a', 'c'])
    expect(database.file.pragma('journal_mode')).toBe('wal')
    expect(predecessorsOf(at('k.db'))).toEqual([
      {
        name: 'k.db.before-2026-11-27T09-41-12-345Z',
        replacedAtMs: expect.any(Number) as number,
        bytes: expect.any(Number) as number,
      },
    ])
  })
  test('two restores in one moment keep two predecessors', async () => {
    const database = await open('k.db')
    await backupTo(database, at('copy.db'))
    await addPaper(database, 'first')
    await restoreFrom(database, at('copy.db'))
    await addPaper(database, 'second')
    await restoreFrom(database, at('copy.db'))
    const kept = predecessorsOf(at('k.db'))
    expect(kept).toHaveLength(2)
    for (const [index, ids] of [['second'], ['first']].entries())
      expect(await paperIds(await open(kept[index]?.name ?? ''))).toEqual(ids)
  })
  describe('where the disk does not flush', () => {
    const failOn = (which: 'file' | 'folder') =>
      jest.spyOn(jest.requireActual<typeof FileSystem>('node:fs'), 'fsyncSync').mockImplementation((fd) => {
        if (fstatSync(fd).isDirectory() === (which === 'folder')) throw new Error('EIO: input/output error')
      })
    const twoStates = async () => {
      const database = await open('k.db')
      await addPaper(database, 'a')
      await backupTo(database, at('copy.db'))
      await addPaper(database, 'b')
      return database
    }
    afterEach(() => jest.restoreAllMocks())

    test('the backup itself: it is not put in place, and nothing is left of the try', async () => {
      const database = await twoStates()
      const flushed = failOn('file')
      await expect(restoreFrom(database, at('copy.db'))).rejects.toThrow('EIO')
      expect(flushed).toHaveBeenCalled()
      expect(await paperIds(database)).toEqual(['a', 'b'])
      expect(predecessorsOf(at('k.db'))).toEqual([])
      expect(database.file.pragma('journal_mode')).toBe('wal')
    })
    test('the folder, once it is in place: it is in place, with a way back, and what is at risk is said', async () => {
      const database = await twoStates()
      const warned = jest.spyOn(console, 'warn').mockImplementation(() => undefined)
      failOn('folder')
      await restoreFrom(database, at('copy.db'))
      expect(warned).toHaveBeenCalledWith(expect.stringContaining('power cut'), expect.any(Error))
      expect(await paperIds(database)).toEqual(['a'])
      expect(predecessorsOf(at('k.db'))).toHaveLength(1)
      expect(database.file.pragma('journal_mode')).toBe('wal')
    })
  })
  test('an older backup is migrated on its way in', async () => {
    const old = connect(at('old.db'))
    await migrate(old, 6)
    await addPaper(old, 'old')
    await old.db.destroy()
    const database = await open('k.db')
    await restoreFrom(database, at('old.db'))
    expect(await paperIds(database)).toEqual(['old'])
    expect(database.file.pragma('user_version')).toBe(DATA_VERSION)
  })
  test('a wrong, newer, empty, cut-off or scribbled file is refused and the old database kept', async () => {
    const database = await open('k.db')
    for (let index = 0; index < 300; index++) await addPaper(database, `p${index}`)
    const before = await paperIds(database)
    await backupTo(database, at('good.db'))
    const spoil = (name: string, deed: (path: string) => void) => {
      copyFileSync(at('good.db'), at(name))
      deed(at(name))
    }
    writeFileSync(at('wrong.db'), 'x'.repeat(5000))
    writeFileSync(at('empty.db'), '')
    spoil('short.db', (path) => truncateSync(path, 20_000))
    spoil('scribbled.db', (path) => {
      const bytes = readFileSync(path)
      bytes.fill(0x55, 30_000, 60_000)
      writeFileSync(path, bytes)
    })
    spoil('newer.db', (path) => {
      const bytes = readFileSync(path)
      bytes.writeUInt32BE(DATA_VERSION + 3, 60)
      writeFileSync(path, bytes)
    })
    for (const name of ['wrong.db', 'empty.db', 'short.db', 'scribbled.db', 'newer.db'])
      await expect(restoreFrom(database, at(name))).rejects.toThrow(DatabaseProblemError)
    expect(await paperIds(database)).toEqual(before)
    expect(readdirSync(at('tmp'))).toEqual([])
    expect(predecessorsOf(at('k.db'))).toEqual([])
  })
})

test.each([
  ['EMFILE', 'CROWDED'],
  ['ENFILE', 'CROWDED'],
  ['ENOSPC', 'FULL'],
  ['EACCES', 'READ_ONLY'],
  ['SQLITE_BUSY_SNAPSHOT', 'BUSY'],
  ['SQLITE_CORRUPT', 'BROKEN'],
  ['SQLITE_IOERR_READ', 'BROKEN'],
  ['SQLITE_CANTOPEN', 'GONE'],
] as const)('what the system or the driver calls %s is trouble of ours: %s', (code, trouble) => {
  expect(asTrouble(Object.assign(new Error(code), { code }))).toMatchObject({ trouble })
})

test('where no file can be opened any more, a database that cannot be opened is not called gone', () => {
  const cannot = Object.assign(new Error('no'), { code: 'SQLITE_CANTOPEN' })
  expect(asTrouble(cannot, () => true)).toMatchObject({ trouble: 'CROWDED' })
  expect(asTrouble(cannot)).toMatchObject({ trouble: 'GONE' })
})
