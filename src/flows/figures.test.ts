import { temporaryDatabase, type TemporaryDatabase } from '../../test/temporary-database'
import { shippedFigures } from '../../test/library'
import { defaultGauges, LIBRARY, mainPart, programOf, SHOWN_SHEET_MM } from '@/core/design'
import { BASES, FOLD_ENGINE_VERSION, formsShown, pictureOfPiece, runProgram, sidesShown } from '@/core/fold'
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { saveDesignVersion } from '@/data/repositories/designs'
import { dropOldFigures, figuresByHash, keepFigures } from '@/data/repositories/figures'
import { contentHash } from './content-hash'
import { Caches } from './caches'
import { measuredDesign, drawnBase, drawnDesign } from './figures'
import { readLibrary } from './designs'
import { makeLibraryFigures, readShippedFigures } from './shipped-figures'
import { foldFileOf } from './read/fold-file'
import { baseAsked, designAsked } from './read/program-asked'
import { readBase, readBases, readEnd, readFolds, readRunPictures } from './read/folds'

let database: TemporaryDatabase
beforeEach(async () => {
  database = await temporaryDatabase()
})
afterEach(() => database.remove())

const kept = (hash: string) =>
  database.db
    .selectFrom('figure')
    .select(['key', 'engine', 'body'])
    .where('program_hash', '=', hash)
    .execute()
const rosette = async () => {
  const found = (await readLibrary(database.context)).find(
    ({ document }) => document.id === 'corner-folded-rosette',
  )
  if (!found) throw new Error('no rosette')
  const source = LIBRARY.find(({ id }) => id === found.document.id)
  if (!source) throw new Error('no source')
  const shown = { variantKey: 'plain', sheetMm: SHOWN_SHEET_MM, gauges: defaultGauges(found.document) }
  return { ...found, source, shown }
}

test('figures of all that ships can be made beforehand, and are read from a build as they were made', async () => {
  const { hash, source } = await rosette()
  let pauses = 0
  const fresh = { ...database.context, caches: new Caches() }
  await makeLibraryFigures(fresh, () => Promise.resolve(void pauses++), [source])
  expect(pauses).toBe(source.variants.length + BASES.length)
  const rows = await database.db.selectFrom('figure').selectAll().where('program_hash', '=', hash).execute()
  const figures = Object.fromEntries(
    rows.map((row) => [`${row.program_hash} ${row.engine} ${row.key}`, row.body]),
  )
  const path = join(database.folder, 'library-figures.json')
  writeFileSync(path, JSON.stringify({ engine: FOLD_ENGINE_VERSION, figures }))
  const shipped = readShippedFigures(path)
  expect(shipped.size).toBe(rows.length)
  expect(readShippedFigures(join(database.folder, 'none.json')).size).toBe(0)
  writeFileSync(path, JSON.stringify({ engine: FOLD_ENGINE_VERSION - 1, figures }))
  expect(readShippedFigures(path).size).toBe(0)
  const keys = (await kept(hash)).map(({ key }) => key)
  expect(keys).toContain('measured')
  expect(keys.filter((key) => key.startsWith('folds plain'))).toHaveLength(1)
  for (const base of BASES) expect(await kept(contentHash(base.program).hash)).toHaveLength(1)
  // Those that this run of tests began with: every design's sizes, every variant's pictures, every base, as made here.
  const programs = LIBRARY.flatMap((design) =>
    design.variants.filter((variant) => programOf(mainPart(design), variant) !== null),
  )
  expect(shippedFigures.size).toBe(LIBRARY.length + programs.length + BASES.length)
  for (const [name, text] of Object.entries(figures)) expect(shippedFigures.get(name)).toBe(text)
})

test('what is kept is what is shown: nothing is folded again', async () => {
  const [base] = BASES
  if (!base) throw new Error('no base')
  const { context, db } = database
  // Bases of our own have no hash known beforehand: they are kept under their id.
  const { shown } = await drawnBase(context, { ...base, id: 'made-here' })
  const [row] = await kept('made-here')
  expect(row?.engine).toBe(FOLD_ENGINE_VERSION)
  expect(JSON.parse(row?.body ?? '')).toEqual(JSON.parse(JSON.stringify(shown)))
  const marked = JSON.stringify({ ...shown, sizes: [] })
  await keepFigures(
    db,
    { programHash: 'kept-before', engine: FOLD_ENGINE_VERSION, key: 'folds' },
    marked,
    1,
    5,
  )
  expect((await drawnBase(context, { ...base, id: 'kept-before' })).shown.sizes).toEqual([])
})

test('each setting of a gauge has pictures of its own; near ones share them', async () => {
  const { hash, source, shown } = await rosette()
  const ask = async (overhang: number) =>
    (await drawnDesign(database.context, hash, source, { ...shown, gauges: { overhang } }))?.shown
  const [narrow, wide, wideToo] = [await ask(1), await ask(5), await ask(5.000001)]
  expect(narrow?.sizes[0]?.share).toBeLessThan(wide?.sizes[0]?.share ?? 0)
  expect(wideToo?.sizes).toEqual(wide?.sizes)
  const settings = (await kept(hash)).filter(({ key }) => key.startsWith('folds'))
  expect(settings.length).toBeGreaterThanOrEqual(2)
  expect(new Set(settings.map(({ body }) => body)).size).toBe(settings.length)
})

test('an older engine’s figures stay with a line that was planned by them, and with nobody else', async () => {
  const { db, context } = database
  const { hash, source } = await rosette()
  const older = FOLD_ENGINE_VERSION - 1
  await keepFigures(db, { programHash: hash, engine: older, key: 'measured' }, '{"old":1}', 1, 3)
  await keepFigures(db, { programHash: 'x', engine: older, key: 'measured' }, '{"old":1}', 1, 3)
  await db
    .insertInto('project')
    .values({
      id: 'p',
      name: 'P',
      due_on: null,
      zone: 'UTC',
      certainty_permille: 950,
      note: '',
      created_at_ms: 1,
      archived_at_ms: null,
    })
    .execute()
  await db
    .insertInto('brief_line')
    .values({
      id: 'l',
      project_id: 'p',
      ordinal: 0,
      design_hash: hash,
      engine: older,
      variant_key: 'plain',
      pieces: 1,
      sizing: 'sheet',
      axis: null,
      asked_um: 150_000,
      gauges: '{}',
      made: '{"kind":"batch","values":{}}',
      attached_to: null,
      per_piece: null,
    })
    .execute()
  await dropOldFigures(db, FOLD_ENGINE_VERSION)
  expect(await figuresByHash(db, [hash], older, 'measured')).toHaveLength(1)
  expect(await figuresByHash(db, ['x'], older, 'measured')).toEqual([])
  expect(await measuredDesign({ ...context, caches: new Caches() }, hash, source, older)).toEqual({ old: 1 })
})

test('a program keeps the pictures of its latest settings only', async () => {
  const { db } = database
  for (let n = 0; n < 6; n++)
    await keepFigures(db, { programHash: 'x', engine: 1, key: `k${n}` }, '{}', 10 + n, 3)
  expect((await kept('x')).map((row) => row.key).sort()).toEqual(['k3', 'k4', 'k5'])
})

test('words follow the pictures: one line for each round, stages named', async () => {
  const { hash, shown } = await rosette()
  const folds = await readFolds(database.context, hash, shown)
  expect(folds?.sideUp).toBe('colour down')
  for (const { step, round } of folds?.shown.moves ?? [])
    expect(folds?.words[step]?.says[round]?.length).toBeGreaterThan(3)
  expect(folds?.words[0]?.stageName).toBe('Diagonals')
  expect(folds?.shaping.says).toMatchObject([{ name: 'curl' }])
  // Read off the form: petals lifted and curled reach less far than flat, and no less than the square below.
  const [across] = folds?.shaping.sizes ?? []
  expect(across?.low).toBeGreaterThan(Math.SQRT2 / 4 - 1e-9)
  expect(across?.high).toBeLessThan(Math.SQRT2 / 4 + (2 * 3) / 150)
})

test('the table has every picture of its run; a size that cannot be folded leaves it its words', async () => {
  const { hash, shown } = await rosette()
  const pictures = await readRunPictures(database.context, hash, shown)
  expect(pictures?.moves.filter(({ step }) => step === 1)).toHaveLength(4)
  expect(
    await readRunPictures(database.context, hash, { ...shown, sheetMm: 20, gauges: { overhang: 8 } }),
  ).toBeNull()
  expect(await readFolds(database.context, 'no such hash', shown)).toBeNull()
})

test('ends: from both sides, and none for a design told in words', async () => {
  const { hash, shown } = await rosette()
  const end = await readEnd(database.context, hash, shown)
  expect(end?.front.regions.length).toBeGreaterThan(0)
  expect(end?.back.box.right).toBeCloseTo(-(end?.front.box.left ?? NaN), 3)
  // Versions of older formats, still pinned by projects, have closed forms and no moves.
  const told = {
    ...LIBRARY[0],
    id: 'told-in-words',
    gauges: [],
    parts: [
      {
        key: 'x',
        name: 'x',
        unitsPerPiece: 1,
        perSquare: 1,
        sideUp: 'colour up',
        sideUpReason: '',
        stages: [
          {
            key: 'a',
            name: 'a',
            steps: [{ key: 'a', say: 'Fold', each: 'fold', repeats: 1, crease: 'firm', rigour: 'strict' }],
          },
        ],
      },
    ],
    variants: [
      {
        key: 'v',
        name: 'v',
        without: [],
        sizes: [{ axis: 'w', label: 'w', size: { share: 1 }, derivation: '' }],
        outline: [0, 1, 2].map((n) => ({ x: { share: n % 2 }, y: { share: n / 2 } })),
      },
    ],
  }
  const { hash: toldHash, text } = contentHash(told)
  const version = { id: told.id, name: 'Told', family: 'heart', hash: toldHash, document: text } as const
  await saveDesignVersion(database.db, version, 1)
  expect(await readEnd(database.context, toldHash, { variantKey: 'v', sheetMm: 150, gauges: {} })).toBeNull()
})

test.each(LIBRARY.map((design) => [design.id, design] as const))(
  '%s: as it is kept, the forms of each side come to what is seen of it',
  async (id, source) => {
    const stored = (await readLibrary(database.context)).find(({ document }) => document.id === id)
    if (!stored) throw new Error(`no ${id}`)
    for (const { key: variantKey } of source.variants) {
      const shown = { variantKey, sheetMm: SHOWN_SHEET_MM, gauges: defaultGauges(stored.document) }
      const end = await readEnd(database.context, stored.hash, shown)
      for (const seen of end ? [end.front, end.back] : [])
        for (const side of ['front', 'back'] as const) {
          const forms = formsShown(seen, side, 5 / SHOWN_SHEET_MM)
          expect(forms.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(sidesShown(seen)[side], 9)
        }
      expect(end).not.toBeNull()
    }
  },
)

test('a step that leaves room for later folds knows how many layers they have', async () => {
  const { hash, shown } = await rosette()
  const words = (await readFolds(database.context, hash, shown))?.words ?? []
  const room = (key: string) => words.find((word) => word.key === key)?.roomForLayers
  // The second round folds a square of two layers, the third one of four.
  expect(room('round-1')).toEqual([2, 4])
  expect(room('round-2')).toEqual([4])
  expect(room('round-3')).toEqual([])
})

test('bases: all of them with how they end, one by its name, none by another', async () => {
  expect((await readBases(database.context)).map(({ base }) => base.id)).toEqual(BASES.map(({ id }) => id))
  expect((await readBase(database.context, 'bird'))?.folds.words.length).toBeGreaterThan(5)
  expect(await readBase(database.context, 'no-such-base')).toBeNull()
})

test('files: before a move, finished, and none where there is nothing', async () => {
  const { shown } = await rosette()
  const { context } = database
  const asked = await designAsked(context, 'corner-folded-rosette', shown)
  expect(asked && foldFileOf(asked, 2).name).toBe('corner-folded-rosette-move-3.fold')
  const finished = asked && foldFileOf(asked, 999)
  expect(finished?.name).toBe('corner-folded-rosette.fold')
  expect(JSON.parse(finished?.text ?? '{}')).toMatchObject({
    file_spec: 1.2,
    file_title: 'Corner-folded rosette, finished',
  })
  expect(await designAsked(context, 'no-such', shown)).toBeNull()
  const kite = baseAsked('kite', 150)
  expect(kite && foldFileOf(kite, 1).name).toBe('kite-base-move-2.fold')
  expect(baseAsked('no-such', 150)).toBeNull()
})

test('what the browser is sent to work stages out folds as it does here', async () => {
  const { shown } = await rosette()
  const asked = (await designAsked(database.context, 'corner-folded-rosette', shown))!
  const { program, shares } = JSON.parse(JSON.stringify(asked)) as typeof asked
  expect(pictureOfPiece(runProgram(program, shares).end)).toEqual(
    pictureOfPiece(runProgram(asked.program, asked.shares).end),
  )
})
