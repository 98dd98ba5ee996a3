import { leadTime } from '@/core/plan'
import { leadWords } from '@/ui/project/lead-words'
import { ok, refusal } from '../../test/deeds'
import { temporaryDatabase, TODAY, type TemporaryDatabase } from '../../test/temporary-database'
import { typedBrief, typedLine, typedPaper } from '../../test/typed'
import { savePaper } from './deeds/papers'
import { passOver } from './deeds/pass-over'
import { saveBrief } from './deeds/save-brief'
import { archiveProject } from './deeds/archive-project'
import { readBench } from './read/bench'
import { readProject } from './read/project'

let database: TemporaryDatabase
beforeEach(async () => {
  database = await temporaryDatabase()
})
afterEach(() => database.remove())

async function brief(change: object = {}) {
  const { paperId } = await ok(
    savePaper(database.context, null, typedPaper(`Oyster ${Math.random()}`, { frontColour: '#e8dcc8' })),
  )
  // Some evenings of work: begun well before the day.
  const line = typedLine({ pieces: '900', papers: [{ paperId, pieces: '' }] })
  return typedBrief([line], { dueOn: '2025-12-05', yearly: true, ...change })
}
const save = async (change: object = {}) =>
  (await ok(saveBrief(database.context, null, await brief(change)))).projectId
const begun = async (today: string = TODAY) =>
  (await readBench(database.context, today)).recurring.map(({ dueOn }) => dueOn)

test('once its day has passed it comes again, from the day on which it has to be begun, put away or not', async () => {
  const id = await save()
  const [found] = (await readBench(database.context, TODAY)).recurring
  expect(found).toMatchObject({ name: 'Lantern night', dueOn: '2026-12-05', logged: false })
  const { lead, beginOn } = found!
  const project = (await readProject(database.context, id))!
  const seconds = project.lines[0]!.units * project.lines[0]!.secondsPerUnit
  expect(lead).toEqual({
    days: 7 + Math.ceil(seconds / 7200) + lead.dryingDays,
    shoppingDays: 7,
    foldingDays: Math.ceil(seconds / 7200),
    dryingDays: Math.ceil((project.lines[0]!.design.guide?.dryingMinutes ?? 0) / 1440),
  })
  expect(await begun(beginOn)).toEqual(['2026-12-05'])
  const before = new Date(Date.parse(beginOn) - 86_400_000).toISOString().slice(0, 10)
  expect(await begun(before)).toEqual([])
  await ok(archiveProject(database.context, id, true))
  expect(await begun()).toEqual(['2026-12-05'])
})
test('what comes once, or has its day before it, does not come again', async () => {
  await save({ yearly: false })
  await save({ dueOn: '2026-12-05' })
  expect(await begun()).toEqual([])
  expect(await begun('2026-12-06')).toEqual([])
})
test('planned again, the new one stands for it', async () => {
  const id = await save()
  await save({ like: id, dueOn: '2026-12-05' })
  expect(await begun()).toEqual([])
  // A year on the new one comes again, not both.
  expect(await begun('2027-11-30')).toEqual(['2027-12-05'])
})
test('copied for something else that comes once, it is heard of again once that is over', async () => {
  const id = await save()
  await save({ like: id, dueOn: '2026-11-28', yearly: false })
  expect(await begun()).toEqual([])
  expect(await begun('2026-11-29')).toEqual(['2026-12-05'])
  const open = await save()
  await save({ like: open, dueOn: '', yearly: false })
  expect(await begun('2026-11-29')).toEqual(['2026-12-05', '2026-12-05'])
})
test('passed over, it is heard of again the year after, however often the press arrives; and that can be taken back', async () => {
  const id = await save()
  await ok(passOver(database.context, id, '2026-12-05'))
  await ok(passOver(database.context, id, '2026-12-05'))
  expect(await begun()).toEqual([])
  expect(await begun('2027-12-01')).toEqual(['2027-12-05'])
  await ok(passOver(database.context, id, null))
  expect(await begun()).toEqual(['2026-12-05'])
})
test.each(['2026-12-06', '2026-02-30', 'soon', 7])('%j is none of its days', async (day) => {
  const id = await save()
  expect(await refusal(passOver(database.context, id, day))).toMatchObject({ code: 'NOT_FOUND' })
  expect(await begun()).toEqual(['2026-12-05'])
})
test('what comes once cannot be passed over', async () => {
  const once = await save({ yearly: false })
  expect(await refusal(passOver(database.context, once, '2026-12-05'))).toMatchObject({ code: 'NOT_FOUND' })
})
test.each([
  ['no day', { dueOn: '' }, 'dueOn'],
  ['no number of days', { shoppingDays: 'some' }, 'shoppingDays'],
  ['more days than a year has', { shoppingDays: '366' }, 'shoppingDays'],
])('every year, but %s: refused at the field', async (_, change, field) => {
  const refused = await refusal(saveBrief(database.context, null, await brief(change)))
  expect(Object.keys(refused.fields)).toEqual([field])
})
test('an earlier project that is not there leaves nothing to remember', async () => {
  const id = await save({ like: 'gone' })
  expect(await begun('2026-12-01')).toEqual(['2026-12-05'])
  expect(await readProject(database.context, id)).not.toBeNull()
})

test('7 days of shopping, 4 evenings for 7 hours and 1 minute, half an hour of drying: 12 days', () => {
  const lead = leadTime({
    foldingSeconds: 7 * 3600 + 60,
    eveningSeconds: 7200,
    dryingMinutes: 30,
    shoppingDays: 7,
  })
  expect(lead).toEqual({ days: 12, shoppingDays: 7, foldingDays: 4, dryingDays: 1 })
  expect(leadWords({ lead, foldingSeconds: 7 * 3600 + 60, logged: true })).toBe(
    'It takes 12 days: 7 for shopping, 4 evenings of folding (7 h 1 min, as it was logged), 1 to dry.',
  )
  expect(leadTime({ foldingSeconds: 0, eveningSeconds: 7200, dryingMinutes: 0, shoppingDays: 0 }).days).toBe(
    0,
  )
})
