import { typedBrief, typedLine, typedPaper } from '../../test/typed'
import {
  defaultGauges,
  finishedSizes,
  LIBRARY,
  mainPart,
  stagesOf,
  unitsOf,
  variantOf,
  waysOf,
  type Way,
} from '@/core/design'
import { lengthInput } from '@/ui/format'
import { temporaryDatabase, TEST_NOW_MS, type TemporaryDatabase } from '../../test/temporary-database'
import { ok } from '../../test/deeds'
import { tickCut } from './deeds/cuts'
import { handOver } from './deeds/deliveries'
import { recordJoin } from './deeds/joins'
import { addSheets, savePaper } from './deeds/papers'
import { acceptProof, cutProof } from './deeds/proofs'
import { recordEvents, startLooseRun, startProjectRun } from './deeds/runs'
import { saveBrief } from './deeds/save-brief'
import { foldFileOf } from './read/fold-file'
import { designAsked } from './read/program-asked'
import { readLessons } from './lessons'
import { readSamples } from './read/samples'
import { readProject, type ProjectView } from './read/project'
import { readRunDesign } from './read/run'

/** Every design that ships through the whole chain: brief, proof, cut, run, join, log. */
let database: TemporaryDatabase
let paperId: string
beforeAll(async () => {
  database = await temporaryDatabase()
  const fields = typedPaper('Tidewater', { feel: 'thin', grammageGsm: '60' })
  paperId = (await ok(savePaper(database.context, null, fields))).paperId
  const sheets = { paperId, width: '29.7', height: '42', offcut: false, amount: '200', price: '', soldAs: '' }
  await ok(addSheets(database.context, sheets))
})
afterAll(() => database.remove())

const view = async (id: string): Promise<ProjectView> => {
  const project = await readProject(database.context, id)
  if (!project) throw new Error('no project')
  return project
}

const EACH = LIBRARY.flatMap((design) => design.variants.map((variant) => ({ design, variant })))

/** One tap for each piece, at the last step of the plan: a run of whole pieces. */
async function foldAll(runId: string, units: number): Promise<void> {
  const run = (await readRunDesign(database.context, runId))?.run
  const last = (run?.plan.steps.length ?? 0) - 1
  const repeat = run?.plan.steps[last]?.repeats ?? 1
  const events = Array.from({ length: units }, (_, index) => ({
    id: `${runId}-${index}`,
    lane: 1,
    atMs: TEST_NOW_MS + index,
    kind: 'done',
    piece: index + 1,
    step: last,
    repeat,
    attempt: 0,
    lapMs: 60_000,
  }))
  const taken = await ok(recordEvents(database.context, runId, { epoch: '', since: 0, events }))
  expect(taken.refused).toEqual([])
}

test.each(EACH)(
  '$design.id, $variant.key: brief, proof, cut, run, join, log',
  async ({ design, variant }) => {
    const { context } = database
    const units = unitsOf(mainPart(design), variant)
    const preferences = { unit: 'cm' } as const
    const line = typedLine({
      id: 'new-1',
      designId: design.id,
      variantKey: variant.key,
      sizing: 'sheet',
      axis: '',
      size: '12',
      gauges: Object.fromEntries(
        Object.entries(defaultGauges(design)).map(([key, mm]) => [key, lengthInput(mm, preferences)]),
      ),
      pieces: '1',
      papers: [{ paperId, pieces: '1' }],
    })
    const brief = typedBrief([line], { name: design.name, certainty: '0.8' })
    const { projectId } = await ok(saveBrief(context, null, brief))
    const planned = (await view(projectId)).lines[0]!
    expect(planned.units).toBe(units)
    expect(planned.papers[0]?.shortage.units).toBe(0)

    await ok(cutProof(context, projectId, { lineId: planned.id, paperId }))
    const [axis] = variant.sizes
    await ok(acceptProof(context, projectId, { lineId: planned.id, axis: axis?.axis ?? '', measured: '5' }))
    const { cutPlan } = await view(projectId)
    for (const { id, sheets } of cutPlan?.layouts ?? [])
      await ok(tickCut(context, projectId, { planId: cutPlan?.id, layoutId: id, sheets: String(sheets) }))
    expect((await view(projectId)).lines[0]!.papers[0]!.waitingUnits).toBeGreaterThanOrEqual(units)

    const { runId } = await ok(
      startProjectRun(context, projectId, {
        lineId: planned.id,
        partKey: planned.parts[0]?.key,
        paperId,
        pieces: String(units),
        grain: 'piece',
        order: 'piece by piece',
        traySize: '6',
        hand: 'right',
        way: 'whole',
      }),
    )
    await foldAll(runId, units)
    const folded = await view(projectId)
    expect(folded.lines[0]!.papers[0]!.usableUnits).toBe(units)
    if (units > 1) {
      expect(folded.joins[0]).toMatchObject({ joinable: 1, joined: 0 })
      await ok(recordJoin(context, projectId, { id: `join-${runId}`, lineId: planned.id, delta: 1 }))
      expect((await view(projectId)).joins[0]).toMatchObject({ joined: 1 })
    } else expect(folded.joins).toEqual([])
    const pieces = [{ lineId: planned.id, pieces: '1' }]
    await ok(handOver(context, projectId, { note: '', pieces }))
    expect((await view(projectId)).next.deed).toBe('nothing left')
    const history = await readLessons(context)
    expect(history.pace(design).loggedPieces).toBeGreaterThanOrEqual(units)
    // Measured 50 mm, where the flat folds give so much at the line's own sheet and gauges.
    const measured = variantOf(planned.design, variant.key)
    const flat = finishedSizes(planned.design, measured, planned.sheetMm, planned.gauges).find(
      (size) => size.axis === axis?.axis,
    )
    const samples = await readSamples(context, design.id)
    expect(samples[variant.key]?.[axis?.axis ?? '']).toEqual([50 / (flat?.sizeMm ?? NaN)])
  },
)

const WAYS = EACH.flatMap(({ design, variant }) =>
  waysOf(mainPart(design), variant)
    .filter((way) => way !== 'whole')
    .map((way) => ({ design, variant, way })),
)
test.each(WAYS)('$design.id, $variant.key, $way: fewer steps, each with its own picture', async (one) => {
  const { design, variant, way } = one
  const start = (which: Way) =>
    startLooseRun(database.context, {
      designId: design.id,
      variantKey: variant.key,
      paperId: '',
      size: '15',
      pieces: '2',
      grain: 'fold',
      order: 'piece by piece',
      traySize: '2',
      hand: 'right',
      way: which,
    })
  const { runId } = await ok(start(way))
  const shown = await readRunDesign(database.context, runId)
  const steps = stagesOf(mainPart(design), variantOf(design, variant.key), way).flatMap(
    (stage) => stage.steps,
  )
  expect(shown?.run.steps.map(({ say }) => say)).toEqual(steps.map(({ say }) => say))
  expect(new Set(shown?.pictures?.moves.map(({ step }) => step))).toEqual(new Set(steps.keys()))
})
test('a state saved as a file is the one of the way it was looked at in', async () => {
  const title = async (way: Way, move: number) => {
    const shown = { variantKey: 'plain', sheetMm: 150, gauges: {}, way }
    const asked = await designAsked(database.context, 'tulip', shown)
    return asked && (JSON.parse(foldFileOf(asked, move).text) as { file_title: string }).file_title
  }
  const [whole, direct] = [await title('whole', 0), await title('direct', 0)]
  const movesOf = (text: string | null) => Number(/of (\d+)$/.exec(text ?? '')?.[1])
  // One half, two diagonals and two turns are left out.
  expect(movesOf(whole) - movesOf(direct)).toBe(5)
})
test('a way a design cannot be folded is refused at its field', async () => {
  const result = await startLooseRun(database.context, {
    designId: 'narrow-leaf',
    variantKey: 'halved',
    paperId: '',
    size: '10',
    pieces: '2',
    grain: 'fold',
    order: 'piece by piece',
    traySize: '2',
    hand: 'right',
    way: 'direct',
  })
  expect(result).toMatchObject({ ok: false, fields: { way: expect.stringContaining('another') as string } })
})
