import { copyFileSync, mkdirSync, writeFileSync } from 'node:fs'
import { decode } from 'fast-png'
import { temporaryDatabase, type TemporaryDatabase } from '../../test/temporary-database'
import { LIBRARY } from '@/core/design'
import { FORM_ENGINE_VERSION, VIEWS } from '@/core/shape'
import { Caches } from './caches'
import { contentHash } from './content-hash'
import { formsKey, readForms } from './forms'
import { formsToPaint, paintVariant } from './paint-forms'
import { readFolds, readRunPictures } from './read/folds'
import {
  FORMS_FILE,
  paintedForms,
  readShippedForms,
  readShippedPicture,
  shippedFormsFolder,
} from './shipped-forms'

let database: TemporaryDatabase
beforeEach(async () => {
  database = await temporaryDatabase()
})
afterEach(() => database.remove())

const design = (id: string) => {
  const found = LIBRARY.find((one) => one.id === id)
  if (!found) throw new Error(`no ${id}`)
  return found
}
function painted(id: string, variantKey: string) {
  const files = new Map<string, Uint8Array>()
  const forms = paintVariant(design(id), variantKey, (file, png) => files.set(file, png))
  if (!forms) throw new Error('nothing painted')
  return { files, forms }
}

test('every variant of the library is to be painted, each under a name of its own', () => {
  const wanted = formsToPaint(LIBRARY)
  expect(wanted).toHaveLength(LIBRARY.flatMap(({ variants }) => variants).length)
  expect(new Set(wanted.map(({ key }) => key)).size).toBe(wanted.length)
})

test('a crocus is painted from three sides, and before and after it is cupped', () => {
  const { files, forms } = painted('crocus', 'plain')
  expect(Object.keys(forms.views)).toEqual([...VIEWS])
  expect(forms).toMatchObject({ shaped: true, best: 'angle', faceOn: 'above' })
  expect(forms.shapings.map(({ step }) => step)).toEqual(['cup'])
  const [cup] = forms.shapings
  expect(cup?.before.file).not.toBe(cup?.after.file)
  for (const view of Object.values(forms.views)) {
    const png = files.get(view.file)
    if (!png) throw new Error('no file')
    const { width, height, channels, data } = decode(png)
    expect([width, height, channels]).toEqual([view.width, view.height, 4])
    // Both sides of the paper are seen, apart.
    const lit = (channel: number) => data.filter((value, at) => at % 4 === channel && value > 60).length
    expect(lit(0)).toBeGreaterThan(1000)
    expect(lit(1)).toBeGreaterThan(1000)
    expect(lit(2)).toBe(0)
  }
})

test('what is only folded is painted from above and at an angle; the same piece gives the same file', () => {
  const [one, other] = [painted('message-heart', 'plain'), painted('message-heart', 'plain')]
  expect(Object.keys(one.forms.views)).toEqual(['above', 'angle'])
  expect(one.forms).toMatchObject({ shaped: false, best: 'above', shapings: [] })
  expect([...one.files.keys()]).toEqual([...other.files.keys()])
})

test('what came with a build is read as it was left; of another engine, damaged or by another name it is not', async () => {
  const { files, forms } = painted('message-heart', 'plain')
  const [[file, png] = ['', new Uint8Array()]] = files
  const folder = shippedFormsFolder(database.folder)
  mkdirSync(folder, { recursive: true })
  writeFileSync(`${folder}/${file}`, png)
  const key = formsKey(contentHash(design('message-heart')).hash, 'plain')
  const write = (engine: number) =>
    writeFileSync(`${folder}/${FORMS_FILE}`, JSON.stringify({ engine, forms: { [key]: forms } }))
  write(FORM_ENGINE_VERSION)
  expect(readShippedForms(database.folder).get(key)).toEqual(forms)
  // Painted beside a server that runs already: there within two seconds of being there, looked for no more often.
  const later = `${database.folder}/later`
  let nowMs = 0
  const beside = paintedForms(later, () => nowMs)
  expect(beside().size).toBe(0)
  mkdirSync(shippedFormsFolder(later), { recursive: true })
  copyFileSync(`${folder}/${FORMS_FILE}`, `${shippedFormsFolder(later)}/${FORMS_FILE}`)
  nowMs = 1000
  expect(beside().size).toBe(0)
  nowMs = 2000
  expect(beside().get(key)).toEqual(forms)
  expect(await readShippedPicture(database.folder, file)).toEqual(Buffer.from(png))
  for (const name of ['../forms.json', FORMS_FILE, `${'0'.repeat(32)}.png`, `x${file}`])
    expect(await readShippedPicture(database.folder, name)).toBeNull()
  write(FORM_ENGINE_VERSION + 1)
  expect(readShippedForms(database.folder).size).toBe(0)
  expect(readShippedForms(`${database.folder}/none`).size).toBe(0)
})

test('pages are given the pictures of the version they ask for: steps, the table, and none where none were painted', async () => {
  const source = design('crocus')
  const { hash } = contentHash(source)
  const { forms } = painted('crocus', 'plain')
  const context = {
    ...database.context,
    caches: new Caches(new Map(), () => new Map([[formsKey(hash, 'plain'), forms]])),
  }
  const asked = { variantKey: 'plain', sheetMm: 150, gauges: {} }
  expect(readForms(context, hash, 'plain')).toBe(forms)
  expect(readForms(context, 'another hash', 'plain')).toBeNull()
  const folds = await readFolds(context, hash, asked)
  expect(folds?.forms).toBe(forms)
  expect(folds?.words.some(({ key }) => key === 'cup')).toBe(true)
  const pictures = await readRunPictures(context, hash, asked)
  expect(pictures?.painted).toBe(forms.views.angle)
  const shaping = pictures?.moves.flatMap((move) => move.shaping ?? [])
  expect(shaping).toEqual(forms.shapings)
  expect((await readRunPictures(database.context, hash, asked))?.painted).toBeNull()
})
