import { typedBrief, typedPaper, typedRosette, typedSheets } from '../../test/typed'
import { temporaryDatabase, type TemporaryDatabase } from '../../test/temporary-database'
import { ok, refusal } from '../../test/deeds'
import { projectView } from '../../test/view'
import { BY_RULE, planExactly, THOROUGH, verifiedPlan, type CutPlan, type CutProblem } from '@/core/cut'
import { theSolver } from '@/solvers/on-the-server'
import { skipProof } from './deeds/proofs'
import { tickCut } from './deeds/cuts'
import { addSheets, savePaper } from './deeds/papers'
import { planAgain, takeFoundPlan } from './deeds/plan-cuts'
import { saveBrief } from './deeds/save-brief'
import { keepPlan } from './plan-cuts'
import { currentSettings, saveCutting, saveSettings } from './settings'

let database: TemporaryDatabase
beforeEach(async () => {
  database = await temporaryDatabase()
})
afterEach(() => database.remove())

async function paperNamed(name: string, sheets: string): Promise<string> {
  const { context } = database
  const { paperId } = await ok(savePaper(context, null, typedPaper(name)))
  await ok(addSheets(context, typedSheets(paperId, sheets, '0.14')))
  return paperId
}
const lineOf = (paperId: string, pieces: string, size = '5') => typedRosette(paperId, pieces, { size })
const view = (id: string) => projectView(database.context, id)
const project = async (paperId: string, pieces = '9') =>
  (
    await ok(
      saveBrief(database.context, null, {
        ...typedBrief([]),
        name: 'Lids',
        lines: [lineOf(paperId, pieces)],
      }),
    )
  ).projectId

/** A plan of one piece to a sheet: as bad as can be. */
const wasteful = (problem: CutProblem, plan: CutPlan): CutPlan => {
  const [layout] = plan.layouts
  const [placement] = layout!.placements
  const count = problem.demands[0]!.count
  return verifiedPlan(
    problem,
    [{ ...layout!, sheets: count, placements: [placement!] }],
    plan.proofs ?? [],
    [],
  )
}
/** What a browser sends of a plan it found. */
const found = (planId: string, { layouts, proofs = [] }: CutPlan) => ({
  planId,
  layouts,
  proofs: proofs.map(({ paperId, multipliers }) => ({ paperId, multipliers })),
})

describe('a plan that a browser found', () => {
  const begun = async () => {
    const id = await project(await paperNamed('Buoy Orange', '40'))
    const { cutPlan } = await view(id)
    return { id, problem: cutPlan!.open!, plan: cutPlan!.plan }
  }
  test('takes the place of a worse one, with the sheets it takes and no more', async () => {
    const { id, problem, plan } = await begun()
    expect(plan.status).toBe('proven')
    await keepPlan(database.context, [id], problem, wasteful(problem, plan))
    const worse = await view(id)
    expect(worse.cutPlan!.plan.status).toBe('within')
    const better = planExactly(problem, await theSolver(), THOROUGH)
    expect(await ok(takeFoundPlan(database.context, id, found(worse.cutPlan!.id, better)))).toEqual({
      kept: true,
    })
    const after = await view(id)
    expect(after.cutPlan!.plan).toMatchObject({ status: 'proven', layouts: better.layouts })
    expect(after.standing.status).toBe('current')
    const again = found(after.cutPlan!.id, better)
    expect(await ok(takeFoundPlan(database.context, id, again))).toEqual({ kept: false })
  })
  test('takes the place of one that was made by rule, of which nothing was proven', async () => {
    const { id, problem, plan } = await begun()
    const byRule = planExactly(problem, await theSolver(), BY_RULE)
    expect(byRule.proofs).toEqual([])
    await keepPlan(database.context, [id], problem, byRule)
    const { cutPlan } = await view(id)
    expect(await ok(takeFoundPlan(database.context, id, found(cutPlan!.id, plan)))).toEqual({ kept: true })
    expect((await view(id)).cutPlan!.plan.status).toBe('proven')
  })
  test('is not believed: cuts that overlap, sheets that are not there, proofs that prove nothing', async () => {
    const { id, problem, plan } = await begun()
    await keepPlan(database.context, [id], problem, wasteful(problem, plan))
    const { cutPlan } = await view(id)
    const [layout] = plan.layouts
    const bad = (layouts: CutPlan['layouts']) =>
      refusal(takeFoundPlan(database.context, id, found(cutPlan!.id, { ...plan, layouts })))
    const onOneHeap = layout!.placements.map((one) => ({ ...one, xUm: 0, yUm: 0 }))
    expect(await bad([{ ...layout!, placements: onOneHeap }])).toMatchObject({ code: 'NO_SUCH_PLAN' })
    expect(await bad([{ ...layout!, sheets: 4000 }])).toMatchObject({ code: 'NO_SUCH_PLAN' })
    for (const input of [null, {}, { planId: cutPlan!.id, layouts: 'all', proofs: [] }])
      expect(await refusal(takeFoundPlan(database.context, id, input))).toMatchObject({
        code: 'NO_SUCH_PLAN',
      })
    const lying = { planId: cutPlan!.id, layouts: wasteful(problem, plan).layouts, proofs: [] }
    const boasted = plan.proofs!.map(({ paperId, multipliers }) => ({
      paperId,
      multipliers: { worth: multipliers.worth.map((worth) => 50 * worth), scale: multipliers.scale },
    }))
    expect(await ok(takeFoundPlan(database.context, id, { ...lying, proofs: boasted }))).toEqual({
      kept: false,
    })
    expect((await view(id)).cutPlan!.plan.status).toBe('within')
  })
  test('names that a browser gave its layouts are not taken: alike ones would all be ticked off at once', async () => {
    const { id, problem, plan } = await begun()
    await keepPlan(database.context, [id], problem, wasteful(problem, plan))
    const { cutPlan } = await view(id)
    const { layouts } = planExactly(problem, await theSolver(), THOROUGH)
    const parted = layouts.flatMap((one) => [
      { ...one, id: 'same', sheets: 1 },
      ...(one.sheets > 1 ? [{ ...one, id: 'same', sheets: one.sheets - 1 }] : []),
    ])
    expect(parted.length).toBeGreaterThan(1)
    await ok(takeFoundPlan(database.context, id, found(cutPlan!.id, { ...plan, layouts: parted })))
    const kept = (await view(id)).cutPlan!.plan.layouts.map((one) => one.id)
    expect(new Set(kept).size).toBe(parted.length)
  })
  test('comes too late where the plan is another by now, or was begun', async () => {
    const { id, plan } = await begun()
    const late = await refusal(takeFoundPlan(database.context, id, found('another', plan)))
    expect(late).toMatchObject({ code: 'PLAN_CHANGED' })
    await ok(skipProof(database.context, id, (await view(id)).lines[0]!.id))
    const { cutPlan } = await view(id)
    const tick = { planId: cutPlan!.id, layoutId: cutPlan!.layouts[0]!.id, sheets: '1' }
    await ok(tickCut(database.context, id, tick))
    expect((await view(id)).cutPlan!.open).toBeNull()
    const begunBy = found(cutPlan!.id, plan)
    expect(await refusal(takeFoundPlan(database.context, id, begunBy))).toMatchObject({
      code: 'PLAN_CHANGED',
    })
  })
})

describe('what is cut with', () => {
  const typed = { stages: '3', margin: '0', trimmer: '', stackSheets: '1', keep: '2', parted: 'cut' }
  test('a margin is planned with, and every other plan says that it is out of date', async () => {
    const paperId = await paperNamed('Buoy Orange', '40')
    const [id, other] = [await project(paperId), await project(paperId)]
    await ok(saveCutting(database.context, { ...typed, margin: '0.5', trimmer: '31', stackSheets: '4' }))
    expect((await currentSettings(database.context)).cutting).toEqual({
      stages: 3,
      marginUm: 5000,
      trimmerUm: 310_000,
      stackSheets: 4,
      keepUm: 20_000,
    })
    await ok(planAgain(database.context, id))
    const planned = await view(id)
    expect(planned.standing.status).toBe('current')
    for (const { placements, order } of planned.cutPlan!.layouts) {
      expect(order!.marginUm).toBe(5000)
      for (const { xUm, yUm } of placements) expect(Math.min(xUm, yUm)).toBeGreaterThanOrEqual(5000)
    }
    expect((await view(other)).standing).toEqual({ status: 'stale', because: 'other tools' })
  })
  test.each([
    ['margin', '-1'],
    ['margin', '9'],
    ['trimmer', 'long'],
    ['trimmer', '1'],
    ['stackSheets', '0'],
    ['stackSheets', '1e9'],
    ['stages', '4'],
    ['keep', '0.1'],
    ['keep', 'all'],
  ])('%s "%s" is refused at its field, and nothing changes', async (field, value) => {
    const refused = await refusal(saveCutting(database.context, { ...typed, [field]: value }))
    expect(Object.keys(refused.fields)).toEqual([field])
    expect((await currentSettings(database.context)).cutting.marginUm).toBe(0)
  })
  test('other settings leave it as it is', async () => {
    await ok(saveCutting(database.context, { ...typed, margin: '0.3' }))
    const { cutting: _, tears: __, ...others } = await currentSettings(database.context)
    await ok(saveSettings(database.context, { ...others, hand: 'left' }))
    expect((await currentSettings(database.context)).cutting.marginUm).toBe(3000)
  })
})

test('of many projects that wait for paper some are planned by rule, and say that it is not proven', async () => {
  const paperId = await paperNamed('Buoy Orange', '2')
  const ids: string[] = []
  for (let index = 0; index < 8; index++) ids.push(await project(paperId, '9'))
  await ok(addSheets(database.context, typedSheets(paperId, '200')))
  const plans = await Promise.all(ids.map(async (id) => (await view(id)).cutPlan!.plan))
  expect(plans.every(({ status }) => status !== 'short')).toBe(true)
  expect(plans.filter(({ status }) => status === 'proven').length).toBeGreaterThanOrEqual(4)
  expect(plans.some(({ proofs }) => proofs?.length === 0)).toBe(true)
  expect(planExactly({ demands: [], stock: [] }, await theSolver(), BY_RULE).layouts).toEqual([])
})
