import { temporaryDatabase, type TemporaryDatabase } from '../../test/temporary-database'
import { LIBRARY, type DesignSource } from '@/core/design'
import { saveDesignVersion } from '@/data/repositories/designs'
import { readDesigns, readLibrary } from './read/designs'
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
