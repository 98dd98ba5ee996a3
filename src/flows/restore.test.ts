import {
  copyFileSync,
  existsSync,
  linkSync,
  mkdtempSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import Database from 'libsql'
import { costIn, type CutPlan, type CutProblem } from '@/core/cut'
import { predecessorsOf } from '@/data/predecessors'
import { openRoom, roomAccess, roomPath } from '@/data/room-store'
import { loadDemo } from '../../demo/load'
import { goBackTo, replacedDatabases, restoreBackup, takeBackup } from './backup'
import { closeEverything, flowContext, roomContext } from './context'
import { readLibrary } from './designs'
import { settlePlans } from './plan-cuts'
import { setPassphrase, unlock, roomOpen } from './room'

// Putting a backup back folds what shipped since it was taken.

const FIXTURES = join(import.meta.dirname, '../../test/fixtures/databases')
let folder = ''
let good = ''
const data = () => join(folder, 'data', 'kelpfield.db')
const names = async () => {
  const { db } = await flowContext()
  const rows = await db.selectFrom('project').select('name').orderBy('name').execute()
  return rows.map((row) => row.name)
}

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'kelpfield-restore-'))
  process.env['KELPFIELD_DATA'] = join(folder, 'data')
  await loadDemo(await flowContext())
  await setPassphrase(await roomContext(), 'reed and tide water', null)
  good = join(folder, 'good.db')
  await takeBackup(good)
}, 60_000)
afterAll(async () => {
  await closeEverything()
  delete process.env['KELPFIELD_DATA']
  rmSync(folder, { recursive: true, force: true })
})

/** The good backup with something done to it by another program. */
function tampered(name: string, deed: string): string {
  const path = join(folder, `${name}.db`)
  copyFileSync(good, path)
  const handle = new Database(path)
  handle.exec(deed)
  handle.close()
  return path
}

const refusal = async (path: string) => {
  const before = await names()
  const kept = predecessorsOf(data()).length
  const result = await restoreBackup(path)
  expect(await names()).toEqual(before)
  expect(predecessorsOf(data())).toHaveLength(kept)
  if (result.ok) throw new Error('it was taken')
  return result
}

describe('a backup that was tampered with is refused', () => {
  test.each([
    ['a trigger of its own', 'CREATE TRIGGER t AFTER INSERT ON run_event BEGIN DELETE FROM setting; END'],
    ['without our trigger', 'DROP TRIGGER run_event_no_delete'],
    ['a view of its own', 'CREATE VIEW v AS SELECT * FROM paper'],
    ['an index of its own', 'CREATE INDEX i ON paper (name)'],
    ['a table of its own', 'CREATE TABLE t (x)'],
    ['a table less', 'PRAGMA foreign_keys = OFF; DROP TABLE proof'],
    ['the version of another schema', 'PRAGMA user_version = 7'],
    ['a version of no schema', 'PRAGMA user_version = 3'],
  ])('%s', async (name, deed) => {
    expect(await refusal(tampered(name, deed))).toMatchObject({
      code: 'BAD_BACKUP',
      detail: { problem: 'OTHER_SCHEMA' },
    })
  })
  test.each([
    ['settings that cannot be', `INSERT OR REPLACE INTO setting VALUES ('app', '{"unit":"furlong"}')`],
    ['settings that are no JSON', `INSERT OR REPLACE INTO setting VALUES ('app', '{')`],
    ['a setting of no name we know', `INSERT INTO setting VALUES ('else', 'x')`],
    ['a run of a thousand million', 'UPDATE run SET wanted = 1000000000'],
    ['a tray of none we offer', 'UPDATE run SET tray_size = 5000'],
    ['a grain of none we know', "UPDATE run SET grain = 'bite'"],
    ['a run of no variant', "UPDATE run SET variant_key = 'none such'"],
    ['a line of no variant', "UPDATE brief_line SET variant_key = 'none such'"],
    ['a sheet of a kilometre', 'UPDATE line_part SET width_um = 1000000000'],
    ['a colour that is code', "UPDATE paper SET front_colour = 'red;background:url(x)'"],
    ['a zone that is none', "UPDATE project SET zone = 'Nowhere/None'"],
    ['gauges that are no numbers', `UPDATE run SET gauges = '{"gauge":"x"}'`],
    ['a design that is none', `UPDATE design_version SET document = '{}'`],
    ['a design under another mark', `UPDATE design_version SET document = replace(document, 'Fold', 'Bend')`],
    [
      'a tap that is none',
      `INSERT INTO run_event (id, run_id, lane, kind, body, at_ms, received_at_ms)
       SELECT 'x', id, 1, 'done', '{"kind":"done"}', 1, 1 FROM run LIMIT 1`,
    ],
  ])('%s', async (name, deed) => {
    expect(await refusal(tampered(name, deed))).toMatchObject({
      code: 'BAD_BACKUP',
      detail: { problem: 'BAD_ROWS' },
    })
  })
})

test('figures in a backup are not believed but made anew', async () => {
  const path = tampered('figures', `UPDATE figure SET body = '"not a figure"'`)
  expect(await restoreBackup(path)).toMatchObject({ ok: true })
  const { db } = await flowContext()
  const lies = await db.selectFrom('figure').select('key').where('body', '=', '"not a figure"').execute()
  expect(lies).toEqual([])
  const library = await readLibrary(await flowContext())
  expect(library.length).toBeGreaterThan(20)
  for (const { document } of library) expect(document.variants[0]?.sizes.length).toBeGreaterThan(0)
})

const PLANS = 'SELECT id, body FROM cut_plan'
interface Stored {
  readonly problem: CutProblem
  readonly plan: CutPlan
}
/** The good backup with every stored plan changed by another program. */
function replanned(name: string, change: (stored: Stored) => Stored): string {
  const path = tampered(name, '')
  const handle = new Database(path)
  for (const row of handle.prepare(PLANS).all([]) as { id: string; body: string }[])
    handle
      .prepare('UPDATE cut_plan SET body = ? WHERE id = ?')
      .run([JSON.stringify(change(JSON.parse(row.body) as Stored)), row.id])
  handle.close()
  return path
}

test('plans whose layouts bear one name are refused: one tick would count for all', async () => {
  const path = replanned('alike', ({ problem, plan }) => ({
    problem,
    plan: { ...plan, layouts: plan.layouts.map((layout) => ({ ...layout, id: 'a' })) },
  }))
  expect(await refusal(path)).toMatchObject({ code: 'BAD_BACKUP', detail: { problem: 'BAD_ROWS' } })
})

test('what a backup says is proven is worked out anew: a sheet a piece is not the least there can be', async () => {
  let wasted = 0
  const path = replanned('boasting', ({ problem, plan }) => {
    const [layout] = plan.layouts
    const own = problem.demands.filter(({ paperId, count }) =>
      problem.stock.some((one) => one.stockId === layout?.stockId && one.paperId === paperId && count > 0),
    )
    const [only] = own
    const first = layout?.placements[0]
    const worse = own.length === 1 && layout && layout.placements.length > 1 && plan.layouts.length === 1
    if (!worse || !only || !first) return { problem, plan }
    wasted++
    const stock = problem.stock.map((one) => ({ ...one, available: one.available + only.count }))
    const layouts = [{ ...layout, sheets: only.count, placements: [first], offcuts: [] }]
    const proofs = (plan.proofs ?? []).map((proof) => ({
      ...proof,
      by: 'all patterns' as const,
      cost: 1e6,
      bound: 1e6,
    }))
    return { problem: { ...problem, stock }, plan: { layouts, boundSheets: 1000, proofs, status: 'proven' } }
  })
  expect(wasted).toBeGreaterThan(0)
  expect(await restoreBackup(path)).toMatchObject({ ok: true })
  const { db } = await flowContext()
  const bodies = await db.selectFrom('cut_plan').select('body').execute()
  const within = bodies
    .map(({ body }) => JSON.parse(body) as Stored)
    .filter(({ plan }) => plan.layouts.length === 1 && plan.status === 'within')
  expect(within).toHaveLength(wasted)
  for (const { problem, plan } of within) {
    expect(plan.boundSheets).toBeLessThan(1000)
    for (const { paperId, cost, bound } of plan.proofs ?? []) {
      expect(cost).toBe(costIn(problem, paperId, plan.layouts))
      expect(bound).toBeLessThan(cost)
    }
  }
  expect(await restoreBackup(good)).toMatchObject({ ok: true })
})

test('what was still to be planned when a backup was taken is planned once it is back', async () => {
  const path = tampered(
    'unplanned',
    `INSERT INTO plan_wanted (moved, at_ms) SELECT json_object('project', id), 1 FROM project WHERE archived_at_ms IS NULL`,
  )
  expect(await restoreBackup(path)).toMatchObject({ ok: true })
  await settlePlans(await flowContext())
  const { db } = await flowContext()
  expect(await db.selectFrom('plan_wanted').selectAll().execute()).toEqual([])
  expect(await restoreBackup(good)).toMatchObject({ ok: true })
})

test('a backup padded to three hundred megabytes is not kept at that size', async () => {
  const path = join(folder, 'padded.db')
  copyFileSync(good, path)
  truncateSync(path, 300e6)
  expect(await restoreBackup(path)).toMatchObject({ ok: true })
  expect(statSync(data()).size).toBeLessThan(10e6)
})

test('a restore brings no passphrase and no session back', async () => {
  const room = await roomContext()
  const result = await unlock(room, 'reed and tide water')
  const oldCookie = result.ok ? result.value : ''
  await setPassphrase(room, 'oyster lamp light', null)
  const old = join(folder, 'v8.db')
  writeFileSync(old, gunzipSync(readFileSync(join(FIXTURES, 'v8.db.gz'))))
  expect(await restoreBackup(old)).toMatchObject({ ok: true })
  expect(await roomOpen(await roomContext(), oldCookie)).toBe(false)
  expect(await unlock(await roomContext(), 'reed and tide water')).toMatchObject({ code: 'WRONG_PASSPHRASE' })
  expect(await unlock(await roomContext(), 'oyster lamp light')).toMatchObject({ ok: true })
})

test('no backup holds the hash or the secret', async () => {
  const { db } = await openRoom(roomPath(data()))
  const access = await roomAccess(db)
  await db.destroy()
  const path = join(folder, 'taken.db')
  await takeBackup(path)
  const bytes = readFileSync(path)
  expect(access?.cookie_secret.length).toBeGreaterThan(20)
  for (const secret of [access?.passphrase_hash, access?.cookie_secret, 'argon2'])
    expect(bytes.includes(String(secret))).toBe(false)
  expect(statSync(path).mode & 0o777).toBe(0o600)
})

test('every restore keeps what it replaced, and each can be gone back to', async () => {
  await restoreBackup(good)
  const kept = await replacedDatabases()
  expect(kept.length).toBeGreaterThan(2)
  expect(new Set(kept.map((one) => one.name)).size).toBe(kept.length)
  const before = await names()
  const { db } = await flowContext()
  await db.updateTable('project').set({ name: 'Renamed' }).execute()
  await restoreBackup(good)
  expect(await names()).toEqual(before)
  const [latest] = await replacedDatabases()
  expect(await goBackTo(latest?.name ?? '')).toMatchObject({ ok: true })
  expect(new Set(await names())).toEqual(new Set(['Renamed']))
  expect(await goBackTo('../../etc/passwd')).toMatchObject({ code: 'NOT_FOUND' })
  await restoreBackup(good)
})

describe('a start after a crash', () => {
  const parts = ['', '-wal', '-shm']
  test('between the two renames of an earlier version: what was there is back, never an empty database', async () => {
    const before = await names()
    await closeEverything()
    renameSync(data(), `${data()}.before-restore`)
    parts.slice(1).forEach((part) => rmSync(`${data()}${part}`, { force: true }))
    writeFileSync(`${data()}.restoring`, 'half a backup')
    expect(await names()).toEqual(before)
    expect(existsSync(`${data()}.restoring`)).toBe(false)
  })
  test('with the old one under its second name already: nothing is lost', async () => {
    const before = await names()
    await closeEverything()
    linkSync(data(), `${data()}.before-2026-11-27T09-41-12-345Z`)
    expect(await names()).toEqual(before)
  })
  test('with only replaced databases left: it says which there are and makes none of its own', async () => {
    await closeEverything()
    renameSync(data(), join(folder, 'away.db'))
    await expect(names()).rejects.toMatchObject({ problem: 'MISSING' })
    expect(existsSync(data())).toBe(false)
    renameSync(join(folder, 'away.db'), data())
    expect((await names()).length).toBeGreaterThan(0)
  })
})

test('a database put in the place of the one in use is opened as at a start, under a new epoch', async () => {
  const epoch = async () => {
    const { db } = await flowContext()
    return (await db.selectFrom('setting').select('value').where('key', '=', 'epoch').executeTakeFirst())
      ?.value
  }
  const before = await epoch()
  copyFileSync(good, join(folder, 'copy.db'))
  renameSync(join(folder, 'copy.db'), data())
  expect((await names()).length).toBeGreaterThan(0)
  expect(await epoch()).not.toBe(before)
})
