import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import Database from 'libsql'
import { temporaryDatabase, type TemporaryDatabase } from '../../test/temporary-database'
import { LIBRARY, LOOSE_LOCK, type DesignSource } from '@/core/design'
import { saveDesignVersion } from '@/data/repositories/designs'
import { readDesigns, readLibrary, readOffered } from './designs'
import { readFolds } from './read/folds'
import { contentHash } from './content-hash'
import { storeLibrary } from './store-library'

let database: TemporaryDatabase
beforeEach(async () => {
  database = await temporaryDatabase()
})
afterEach(() => database.remove())

const versions = () =>
  database.db.selectFrom('design_version').select(['design_id', 'number', 'hash']).orderBy('number').execute()

test('the hash is of the content: field order is nothing, a changed word is everything', () => {
  const [design] = LIBRARY
  if (!design) throw new Error('an empty library')
  const reordered = Object.fromEntries(Object.entries(design).reverse()) as unknown as DesignSource
  expect(contentHash(reordered).hash).toBe(contentHash(design).hash)
  expect(contentHash({ ...design, summary: `${design.summary}!` }).hash).not.toBe(contentHash(design).hash)
  expect(contentHash(design).hash).toMatch(/^[0-9a-f]{64}$/)
})

test('storing what ships again adds nothing', async () => {
  const before = await versions()
  await storeLibrary(database.context)
  expect(await versions()).toEqual(before)
  expect(before).toHaveLength(LIBRARY.length)
})

test('a changed design becomes the next version; what pinned the old one still reads it', async () => {
  const [source] = LIBRARY
  if (!source) throw new Error('an empty library')
  const old = (await readLibrary(database.context)).find((one) => one.document.id === source.id)
  if (!old) throw new Error('nothing stored')
  const changed = { ...source, summary: 'Another way of saying it.' }
  const { hash, text } = contentHash(changed)
  const { id, name, family } = changed
  await saveDesignVersion(database.db, { id, name, family, hash, document: text }, 1)
  const newest = (await readLibrary(database.context)).find((one) => one.document.id === id)
  expect(newest?.hash).toBe(hash)
  expect((await versions()).filter((row) => row.design_id === id).map((row) => row.number)).toEqual([1, 2])
  expect((await readDesigns(database.context, [old.hash])).get(old.hash)?.summary).toBe(old.document.summary)
})

test('a stored version with a lock that does not hold still opens, marked, and is not offered to new briefs', async () => {
  // The tulip as it shipped once: its tip stopped short of the pocket.
  const path = join(database.folder, 'v8.db')
  writeFileSync(
    path,
    gunzipSync(readFileSync(join(import.meta.dirname, '../../test/fixtures/databases/v8.db.gz'))),
  )
  const old = new Database(path)
  const [row] = old
    .prepare(`SELECT hash, document FROM design_version WHERE design_id = 'tulip'`)
    .all([]) as {
    hash: string
    document: string
  }[]
  old.close()
  const { hash, document } = row!
  await saveDesignVersion(database.db, { id: 'tulip', name: 'Tulip', family: 'flower', hash, document }, 1)
  const ids = (list: Awaited<ReturnType<typeof readLibrary>>) => list.map((one) => one.document.id)
  expect(ids(await readLibrary(database.context))).toContain('tulip')
  expect(ids(await readOffered(database.context))).not.toContain('tulip')
  const opened = (await readDesigns(database.context, [hash])).get(hash)
  expect(opened?.variants[0]?.looseLocks).toEqual(['left', 'left-back'])
  const folds = await readFolds(database.context, hash, { variantKey: 'plain', sheetMm: 150, gauges: {} })
  expect(folds?.words.filter(({ note }) => note === LOOSE_LOCK)).toHaveLength(2)
})

test('what ships holds by its locks: all of it is offered', async () => {
  const offered = await readOffered(database.context)
  expect(offered.map((one) => one.document.id).sort()).toEqual(LIBRARY.map(({ id }) => id).sort())
})
