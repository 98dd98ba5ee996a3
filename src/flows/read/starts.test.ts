import { typedPaper, typedSheets } from '../../../test/typed'
import { OCCASIONS, workOut } from '@/core/arrange'
import { outlineSizeMm } from '@/core/design'
import { sheetFor } from '@/core/plan'
import { ok } from '../../../test/deeds'
import { temporaryDatabase, type TemporaryDatabase } from '../../../test/temporary-database'
import { addSheets, savePaper } from '../deeds/papers'
import { readOffered } from '../designs'
import { readLessons } from '../lessons'
import { readDrawer } from './papers'
import { readStarts } from './starts'

let database: TemporaryDatabase
beforeEach(async () => {
  database = await temporaryDatabase()
})
afterEach(() => database.remove())

test('what an evening is enough for: as many as its minutes hold, of every design it is enough for one of', async () => {
  const lessons = await readLessons(database.context)
  const starts = await readStarts(database.context, { minutes: 30, paper: null })
  expect(starts.length).toBeGreaterThan(10)
  const designs = await readOffered(database.context)
  for (const { designId, pieces, seconds } of starts) {
    const { document } = designs.find((one) => one.document.id === designId)!
    expect(seconds).toBeLessThanOrEqual(30 * 60)
    expect(seconds / pieces).toBeGreaterThanOrEqual(lessons.pace(document).secondsPerPiece - 1e-6)
    expect((seconds * (pieces + 1)) / pieces).toBeGreaterThan(30 * 60)
  }
})
test('what a stack of three A4 sheets is enough for: a square of 15 cm each, six quarters of it and more', async () => {
  const fields = typedPaper('Oyster', { feel: 'thin', grammageGsm: '60' })
  const { paperId } = await ok(savePaper(database.context, null, fields))
  const sheets = typedSheets(paperId, '3')
  await ok(addSheets(database.context, sheets))
  const [paper] = await readDrawer(database.context)
  const starts = await readStarts(database.context, { minutes: null, paper: paper! })
  const pieces = new Map(starts.map((start) => [start.designId, start.pieces]))
  expect(pieces.get('corner-folded-rosette')).toBe(3)
  // Leaves are folded from quarters of 7.5 cm: two by three of them to a sheet.
  expect(pieces.get('narrow-leaf')).toBe(18)
  const short = await readStarts(database.context, { minutes: 10, paper: paper! })
  expect(Math.max(...short.map(({ pieces: many }) => many))).toBeLessThanOrEqual(18)
})
test.each(OCCASIONS)(
  'the occasion $key can be made as it is offered',
  async ({ designId, sizeMm, made, values }) => {
    const { document } = (await readOffered(database.context)).find((one) => one.document.id === designId)!
    const [variant] = document.variants
    const { key: variantKey, sizes } = variant!
    const asked = { variantKey, sizing: 'finished' as const, axis: sizes[0]!.axis, mm: sizeMm, gauges: {} }
    const { sheetMm } = sheetFor(document, asked, { ruler: 'mm-0.5', sheets: [] })
    const { pieces } = workOut({ kind: made, values }, outlineSizeMm(document, variant!, sheetMm, {}))
    expect(pieces).toBeGreaterThan(0)
    expect(pieces).toBeLessThan(100)
  },
)
