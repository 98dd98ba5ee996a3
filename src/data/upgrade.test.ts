import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { sql, type Kysely } from 'kysely'
import { DATA_VERSION } from './migrations'
import { rebuildTable } from './migrations/rebuild'
import { connect, migrate, openDatabase, type OpenDatabase } from './open-database'
import { openRoom, roomAccess, roomPath } from './room-store'
import { KNOWN_SCHEMAS, schemaPrint } from './schema-print'

const FIXTURES = join(import.meta.dirname, '../../test/fixtures/databases')
/** Databases as Kelpfield wrote them at the commits where each schema stood, with the demo of that day. */
const WRITTEN = readdirSync(FIXTURES).sort()

let folder = ''
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'kelpfield-upgrade-'))
})
afterEach(() => rmSync(folder, { recursive: true, force: true }))

function unpacked(name: string): string {
  const path = join(folder, 'kelpfield.db')
  writeFileSync(path, gunzipSync(readFileSync(join(FIXTURES, name))))
  return path
}

type Rows = Readonly<Record<string, readonly Record<string, unknown>[]>>

function rowsOf({ file }: OpenDatabase): Rows {
  const tables = file.query(
    `SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite%' AND name NOT LIKE 'kysely%'`,
  )
  return Object.fromEntries(
    tables.map(({ name }) => [
      String(name),
      file
        .query(`SELECT * FROM ${String(name)}`)
        .map((row) => JSON.stringify(row))
        .sort()
        .map((row) => JSON.parse(row) as Record<string, unknown>),
    ]),
  )
}

/** A row without the columns that a later version added. */
const only = (row: Record<string, unknown> | undefined, columns: readonly string[]) =>
  Object.fromEntries(columns.map((column) => [column, row?.[column]]))

describe.each(WRITTEN)('a database as it was written: %s', (name) => {
  test('is one of the schemas known for its version', async () => {
    const old = connect(unpacked(name))
    expect(KNOWN_SCHEMAS[Number(old.file.pragma('user_version'))]).toContain(schemaPrint(old.file))
    await old.db.destroy()
  })
  test('opens with every row of every table as it was', async () => {
    const path = unpacked(name)
    const old = connect(path)
    const before = rowsOf(old)
    await old.db.destroy()
    const now = await openDatabase(path)
    const after = rowsOf(now)
    expect(now.file.pragma('user_version')).toBe(DATA_VERSION)
    expect(now.file.pragma('foreign_key_check')).toBeUndefined()
    expect(KNOWN_SCHEMAS[DATA_VERSION]).toEqual([schemaPrint(now.file)])
    // What has gone into other tables is compared by itself below.
    const moved = new Set(['room_access', 'brief_line_paper'])
    const columnsMoved: Readonly<Record<string, readonly string[]>> = {
      brief_line: ['sheet_um'],
      cut: ['line_id', 'piece_um', 'pieces'],
      delivery: ['pieces'],
    }
    let rows = 0
    for (const [table, was] of Object.entries(before)) {
      if (moved.has(table)) continue
      const columns = Object.keys(was[0] ?? {}).filter((name) => !columnsMoved[table]?.includes(name))
      const byText = (list: readonly Record<string, unknown>[]) =>
        list.map((row) => JSON.stringify(only(row, columns))).sort()
      expect({ table, rows: byText(after[table] ?? []) }).toEqual({ table, rows: byText(was) })
      rows += was.length
    }
    expect(rows).toBeGreaterThan(900)
    await now.db.destroy()
  })
  test('keeps what every line, cut and hand-over said, part by part', async () => {
    const path = unpacked(name)
    const old = connect(path)
    const before = rowsOf(old)
    await old.db.destroy()
    if (before['line_part'] !== undefined) return
    const now = await openDatabase(path)
    const after = rowsOf(now)
    const part = (lineId: unknown) => after['line_part']?.find((row) => row['line_id'] === lineId)
    for (const line of before['brief_line'] ?? []) {
      const { width_um, units_per_piece } = part(line['id']) ?? {}
      expect(width_um).toBe(line['sheet_um'])
      const papers = after['line_part_paper']?.filter((row) => row['line_id'] === line['id']) ?? []
      const units = papers.reduce((sum, row) => sum + Number(row['units']), 0)
      expect(units).toBe(Number(line['pieces']) * Number(units_per_piece))
    }
    const papersOf = (rows: Rows[string] | undefined, count: (row: Record<string, unknown>) => number) =>
      (rows ?? []).map((row) => `${String(row['line_id'])} ${String(row['paper_id'])} ${count(row)}`).sort()
    expect(
      papersOf(
        after['line_part_paper'],
        (row) => Number(row['units']) / Number(part(row['line_id'])?.['units_per_piece']),
      ),
    ).toEqual(papersOf(before['brief_line_paper'], (row) => Number(row['pieces'])))
    for (const cut of before['cut'] ?? [])
      expect(after['cut_piece']).toContainEqual(
        expect.objectContaining({
          cut_id: cut['id'],
          line_id: cut['line_id'],
          pieces: cut['pieces'],
          width_um: cut['piece_um'],
        }),
      )
    const pieces = (rows: Rows[string] | undefined) =>
      (rows ?? []).reduce((sum, row) => sum + Number(row['pieces']), 0)
    expect(pieces(after['delivery_line'])).toBe(pieces(before['delivery']))
    expect(pieces(after['delivery_line'])).toBeGreaterThan(0)
    const folded = (after['run_unit'] ?? []).filter((row) => row['status'] !== 'open')
    const outcomes = (after['run_outcome'] ?? []).reduce((sum, row) => sum + Number(row['units']), 0)
    expect(outcomes).toBe(folded.length)
    await now.db.destroy()
  })
  test('hands its passphrase over to the room, and keeps no trace of it in what a backup takes', async () => {
    const path = unpacked(name)
    const old = connect(path)
    const version = Number(old.file.pragma('user_version'))
    const [was] = rowsOf(old)['room_access'] ?? []
    await old.db.destroy()
    // Later versions keep none in the database itself.
    expect(was === undefined).toBe(version > 8)
    if (was === undefined) return
    const now = await openDatabase(path)
    const room = await openRoom(roomPath(path))
    expect(await roomAccess(room.db)).toEqual(was)
    now.file.exec(`VACUUM INTO '${join(folder, 'copy.db')}'`)
    const copy = readFileSync(join(folder, 'copy.db'))
    for (const secret of [was['passphrase_hash'], was['cookie_secret']])
      expect(copy.includes(String(secret))).toBe(false)
    await room.db.destroy()
    await now.db.destroy()
  })
  test('knows the order of a line’s papers', async () => {
    const now = await openDatabase(unpacked(name))
    const { rows } = await sql<{ ordinals: string }>`
      SELECT group_concat(ordinal) AS ordinals
      FROM (SELECT * FROM line_part_paper ORDER BY line_id, ordinal) GROUP BY line_id
    `.execute(now.db)
    for (const { ordinals } of rows)
      expect(ordinals.split(',').map(Number)).toEqual(ordinals.split(',').map((_, index) => index))
    expect(rows.length).toBeGreaterThan(0)
    await now.db.destroy()
  })
})

test('every version on the way from the first schemas is known too', async () => {
  for (const first of ['v6-first.db.gz', 'v6.db.gz'])
    for (let version = 7; version <= DATA_VERSION; version++) {
      const old = connect(unpacked(first))
      await migrate(old, version)
      expect({ version, known: KNOWN_SCHEMAS[version]?.includes(schemaPrint(old.file)) }).toEqual({
        version,
        known: true,
      })
      await old.db.destroy()
    }
})

describe('a table that is rebuilt', () => {
  const LINE = `id TEXT PRIMARY KEY, project_id TEXT NOT NULL REFERENCES project (id), ordinal INTEGER NOT NULL,
    design_hash TEXT NOT NULL, variant_key TEXT NOT NULL, pieces INTEGER NOT NULL`
  const FILL = {
    id: 'id',
    project_id: 'project_id',
    ordinal: 'ordinal',
    design_hash: 'design_hash',
    variant_key: 'variant_key',
    pieces: 'pieces',
  }
  const counts = ({ file }: OpenDatabase) =>
    ['brief_line', 'line_part_paper', 'proof', 'run', 'cut'].map((table) =>
      Number(file.query(`SELECT count(*) AS n FROM ${table}`)[0]?.['n']),
    )
  const rebuild = async (database: OpenDatabase, fill: Readonly<Record<string, string>>) => {
    database.file.exec('PRAGMA foreign_keys = OFF')
    await database.db
      .transaction()
      .execute((trx) =>
        rebuildTable(trx as unknown as Kysely<unknown>, { table: 'brief_line', definition: LINE, fill }),
      )
      .finally(() => database.file.exec('PRAGMA foreign_keys = ON'))
  }

  test('takes nothing with it that refers to it', async () => {
    const database = await openDatabase(unpacked('v8.db.gz'))
    const before = counts(database)
    await rebuild(database, FILL)
    expect(counts(database)).toEqual(before)
    expect(before.every((count) => count > 0)).toBe(true)
    await database.db.destroy()
  })
  test('a reference that would be lost rolls all of it back', async () => {
    const database = await openDatabase(unpacked('v8.db.gz'))
    const before = rowsOf(database)
    await expect(rebuild(database, { ...FILL, id: "id || 'x'" })).rejects.toThrow(
      /without what they refer to/,
    )
    expect(rowsOf(database)).toEqual(before)
    await database.db.destroy()
  })
})
