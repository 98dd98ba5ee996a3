import { typedBrief, typedPaper, typedRosette, typedSheets } from '../../test/typed'
import { temporaryDatabase, TODAY, type TemporaryDatabase } from '../../test/temporary-database'
import { ok, refusal } from '../../test/deeds'
import { projectView } from '../../test/view'
import { checkCutPlan } from '@/core/cut'
import { tickCut, undoCut } from './deeds/cuts'
import { addSheets, putPaperAway, savePaper } from './deeds/papers'
import { addPlainLine, dropPlainLine } from './deeds/plain-lines'
import { skipProof } from './deeds/proofs'
import { saveBrief } from './deeds/save-brief'
import { readUses } from './read/papers'
import { readShopping } from './read/shopping'

let database: TemporaryDatabase
beforeEach(async () => {
  database = await temporaryDatabase()
})
afterEach(() => database.remove())

const view = (id: string) => projectView(database.context, id)

async function begun(sheets = '20') {
  const { context } = database
  const { paperId } = await ok(savePaper(context, null, typedPaper('Oyster')))
  await ok(addSheets(context, typedSheets(paperId, sheets, '0.14')))
  const brief = { ...typedBrief([]), name: 'Place cards', lines: [typedRosette(paperId, '3', { size: '5' })] }
  const { projectId } = await ok(saveBrief(context, null, brief))
  await ok(skipProof(context, projectId, (await view(projectId)).lines[0]!.id))
  return { id: projectId, paperId }
}
const card = (paperId: string, change: object = {}) => ({
  name: 'Place card',
  paperId,
  width: '8.5',
  height: '5.5',
  pieces: '12',
  ...change,
})
const tickAll = async (id: string) => {
  const { cutPlan } = await view(id)
  for (const { id: layoutId, sheets } of cutPlan!.layouts)
    await ok(tickCut(database.context, id, { planId: cutPlan!.id, layoutId, sheets: String(sheets) }))
}

describe('pieces that are cut and not folded', () => {
  test('are planned with the others, without spares, and count as they are cut and taken back', async () => {
    const { id, paperId } = await begun()
    await ok(addPlainLine(database.context, id, card(paperId)))
    const planned = await view(id)
    const { problem, plan } = planned.cutPlan!
    expect(checkCutPlan(problem, plan)).toEqual([])
    expect(problem.demands.find(({ key }) => key.includes(' plain '))).toMatchObject({
      sizeUm: { widthUm: 85_000, heightUm: 55_000 },
      count: 12,
    })
    expect(planned.standing).toEqual({ status: 'current' })
    expect(planned.plain).toMatchObject([{ name: 'Place card', pieces: 12, cut: 0, toCut: 12 }])
    await tickAll(id)
    const cut = await view(id)
    expect(cut.plain).toMatchObject([{ toCut: 0 }])
    expect(cut.plain[0]!.cut).toBeGreaterThanOrEqual(12)
    expect(cut.lines[0]!.papers[0]).toMatchObject({ unitsToCut: 0 })
    expect(cut.facts).toMatchObject({ sheetsToCut: 0, planned: true, shortUnits: 0 })
    for (const one of cut.cuts) await ok(undoCut(database.context, id, one.id))
    expect((await view(id)).plain).toMatchObject([{ cut: 0, toCut: 12 }])
  })
  test('that no sheet is there for are told as short, and stand on the shopping list', async () => {
    const { id, paperId } = await begun('2')
    await ok(addPlainLine(database.context, id, card(paperId, { width: '14.8', height: '21', pieces: '9' })))
    const { plain, facts } = await view(id)
    expect(plain[0]!.shortage.units).toBeGreaterThan(0)
    expect(facts.shortUnits).toBeGreaterThanOrEqual(plain[0]!.shortage.units)
    expect(facts.shortSheets).toBeGreaterThan(0)
    const { papers } = await readShopping(database.context, TODAY)
    expect(papers.map(({ paper }) => paper.name)).toEqual(['Oyster'])
  })
  test('of a paper nothing else is folded of: it is used, and cannot be put away', async () => {
    const { context } = database
    const { id } = await begun()
    const { paperId } = await ok(savePaper(context, null, typedPaper('Card white')))
    await ok(addSheets(context, typedSheets(paperId, '5')))
    await ok(addPlainLine(context, id, card(paperId)))
    const project = await view(id)
    expect(project.papers.map(({ name }) => name)).toEqual(['Oyster', 'Card white'])
    expect(project.cutPlan!.layouts.some((layout) => layout.paperId === paperId)).toBe(true)
    expect((await readUses(context)).get(paperId)).toEqual([{ id, name: 'Place cards' }])
    expect(await refusal(putPaperAway(context, paperId, true))).toMatchObject({ code: 'PAPER_IN_USE' })
    await ok(dropPlainLine(context, id, project.plain[0]!.id))
    expect((await view(id)).plain).toEqual([])
    await ok(putPaperAway(context, paperId, true))
  })
  test('no more are cut when that is said: those that are cut stay told', async () => {
    const { context } = database
    const { id, paperId } = await begun()
    await ok(addPlainLine(context, id, card(paperId, { width: '20', height: '14', pieces: '7' })))
    const { cutPlan, plain } = await view(id)
    const own = cutPlan!.layouts.find(({ placements }) =>
      placements.some(({ demand }) => demand.includes(' plain ')),
    )
    await ok(tickCut(context, id, { planId: cutPlan!.id, layoutId: own!.id, sheets: '1' }))
    await ok(dropPlainLine(context, id, plain[0]!.id))
    const after = await view(id)
    expect(after.plain).toHaveLength(1)
    expect(after.plain[0]).toMatchObject({ toCut: 0, pieces: after.plain[0]!.cut })
    expect(after.plain[0]!.cut).toBeGreaterThan(0)
    expect(await refusal(dropPlainLine(context, id, 'nowhere'))).toMatchObject({ code: 'NOT_FOUND' })
  })
  test.each([
    ['no name', { name: ' ' }, 'name'],
    ['no width', { width: '' }, 'width'],
    ['nothing wide', { width: '0' }, 'width'],
    ['below nothing', { height: '-3' }, 'height'],
    ['not a number', { height: 'NaN' }, 'height'],
    ['as large as a town', { width: '1e9' }, 'width'],
    ['none', { pieces: '0' }, 'pieces'],
    ['half a piece', { pieces: '1.5' }, 'pieces'],
    ['a paper that is not there', { paperId: 'nowhere' }, 'paperId'],
  ])('refused at its field: %s', async (_, change, field) => {
    const { id, paperId } = await begun()
    const refused = await refusal(addPlainLine(database.context, id, card(paperId, change)))
    expect(Object.keys(refused.fields)).toEqual([field])
    expect((await view(id)).plain).toEqual([])
  })
})
