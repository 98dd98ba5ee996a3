import { MEASURED } from '../../../test/library'
import { kindOf, LIBRARY, mainPart, stagesOf, variantOf } from '@/core/design'
import { cellsOf, NONE_CLOSED, runState, tapsOf, type RunPlan, type TapGrain } from '@/core/run'
import { saidStep } from '@/flows/run-plan'
import type { RunView } from '@/flows/read/run'
import { lookWords, nextLine, nowWords } from './words'

const DESIGNS = MEASURED

/** A run of a design as the screen is given it, without a database. */
function runOf(designId: string, change: Partial<RunPlan> = {}): RunView {
  const design = DESIGNS.find((candidate) => candidate.id === designId)
  if (!design) throw new Error(designId)
  const [variant] = design.variants
  const stages = stagesOf(mainPart(design), variantOf(design, variant?.key ?? ''))
  const steps = stages.flatMap((stage, index) => stage.steps.map((step) => ({ index, stage, step })))
  const source = LIBRARY.find((candidate) => candidate.id === designId)!
  const moves = stagesOf(mainPart(source), variantOf(source, variant?.key ?? '')).flatMap((stage) =>
    stage.steps.map(({ rounds }) => rounds),
  )
  return {
    id: 'run',
    projectId: null,
    projectName: null,
    designId,
    designName: design.name,
    variantName: variant?.name ?? '',
    variantKey: variant?.key ?? '',
    partName: mainPart(design).name,
    test: design.guide?.test ?? null,
    paper: null,
    hand: 'right',
    sheetMm: 150,
    startedAtMs: 0,
    archived: false,
    plan: {
      steps: steps.map(({ index, step }) => ({ stage: index, repeats: step.repeats })),
      grain: 'fold',
      order: 'piece by piece',
      traySize: 6,
      wanted: 12,
      ...change,
    },
    steps: steps.map(({ stage, step }, index) => saidStep(stage.name, step, moves[index] ?? [])),
    kinds: [[{ key: 'overhang', name: 'petal overhang', mm: 3 }]],
    oddClocks: 0,
    closed: NONE_CLOSED,
    feed: { epoch: 'e', seq: 0, events: [] },
  }
}

const told = (mm: number) => `${mm / 10} cm`

test('the third corner of the first round is said as it is in the hands', () => {
  const run = runOf('corner-folded-rosette')
  const now = nowWords(run, { piece: 1, step: 1, repeat: 3 }, told)
  expect(now).toMatchObject({ count: '3', of: 'of 4 corners', say: 'Corner to the centre' })
  expect(now.note).toContain('Round 1 of 3')
  expect(nextLine(run, { piece: 1, step: 1, repeat: 3 })).toBe('corner 4')
  expect(nextLine(run, { piece: 1, step: 1, repeat: 4 })).toBe('Corner to the centre, all layers')
})

test('a fold to a gauge tells its length in the reader’s unit, on every piece', () => {
  const run = runOf('corner-folded-rosette')
  const out = run.steps.findIndex(({ gauges }) => gauges.includes('overhang'))
  expect(out).toBeGreaterThan(0)
  expect(nowWords(run, { piece: 5, step: out, repeat: 1 }, told).note).toContain(
    'To the gauge: petal overhang 0.3 cm.',
  )
  expect(nowWords(run, { piece: 5, step: 0, repeat: 1 }, told).note ?? '').not.toContain('gauge')
})

test('of siblings each piece is told its own gauge, whatever one tap takes', () => {
  const run = runOf('corner-folded-rosette')
  const kinds = [3, 5, 1].map((mm) => [{ key: 'overhang', name: 'petal overhang', mm }])
  const siblings = { ...run, kinds }
  const out = run.steps.findIndex(({ gauges }) => gauges.includes('overhang'))
  const notes = [1, 2, 3, 4, 5, 6, 7, 8, 9].map(
    (piece) => nowWords(siblings, { piece, step: out, repeat: 1 }, told).note ?? '',
  )
  for (const [piece, note] of notes.entries())
    expect(note).toContain(
      `This piece, to the gauge: petal overhang ${told(kinds[kindOf(piece, 3)]![0]!.mm)}.`,
    )
  expect(new Set(notes).size).toBe(3)
  const whole = { ...siblings, plan: { ...run.plan, grain: 'piece' as const } }
  expect(nowWords(whole, { piece: 2, step: out, repeat: 1 }, told).note).toBe(
    `This piece: petal overhang ${told(kinds[kindOf(1, 3)]![0]!.mm)}.`,
  )
  const alike = { ...run, plan: { ...run.plan, grain: 'piece' as const } }
  expect(nowWords(alike, { piece: 2, step: out, repeat: 1 }, told).note).toBeNull()
})

test('a fold that meets no mark tells how deep its flap is, before its own note', () => {
  const run = runOf('framed-heart')
  const hem = run.steps.findIndex(({ tellsDepth }) => tellsDepth)
  expect(nowWords(run, { piece: 5, step: hem, repeat: 1 }, told, 28).note).toBe(
    'The flap is 2.8 cm deep. An eighth onto a quarter gives three sixteenths.',
  )
})

test('a fold by eye says so where the design has no note of its own', () => {
  const run = runOf('corner-folded-rosette')
  const curl = run.steps.length - 1
  expect(nowWords(run, { piece: 1, step: curl, repeat: 1 }, told)).toMatchObject({
    count: '1',
    of: 'curl',
    note: 'By eye, to the gauge.',
  })
})

test('the last fold leads to the tray, or to the next piece of it', () => {
  const last = { piece: 1, step: 3, repeat: 1 }
  expect(nextLine(runOf('narrow-leaf'), last)).toBe('into the tray, take the next')
  expect(nextLine(runOf('narrow-leaf', { order: 'across the tray' }), last)).toBe(
    'the next piece of the tray',
  )
})

test('the proof piece is looked over in full at the last cheap moment; later pieces by the tray', () => {
  const run = runOf('corner-folded-rosette')
  const gate = run.steps.findIndex(({ look }) => look.length > 0)
  const repeats = run.steps[gate]?.repeats ?? 0
  expect(nowWords(run, { piece: 1, step: gate, repeat: repeats }, told).look).toEqual(run.steps[gate]?.look)
  expect(nowWords(run, { piece: 1, step: gate, repeat: 1 }, told).look).toEqual([])
  expect(nowWords(run, { piece: 2, step: gate, repeat: repeats }, told).look).toEqual([])
  // A tray is looked over finished: not for what was to be seen half way.
  expect(lookWords(run)).toEqual(['Lay it down: it lies flat, and all four outer tips stand out alike'])
  expect(lookWords({ ...run, test: null })).toEqual(run.steps.findLast(({ look }) => look.length > 0)?.look)
  const odd = run.steps.findIndex(({ normal }) => normal !== null)
  expect(nowWords(run, { piece: 1, step: odd, repeat: 1 }, told).normal).toContain('eight layers spring')
  expect(nowWords(run, { piece: 2, step: odd, repeat: 1 }, told).normal).toBeNull()
})

test('a stage is told with its steps and their counts, a piece whole', () => {
  const byStage = runOf('narrow-leaf', { grain: 'stage' })
  const now = nowWords(byStage, { piece: 1, step: 2, repeat: 2 }, told)
  expect(now.of).toBe('Kites')
  expect(now.say).toContain('Raw edge to the rib, 2 times')
  expect(nextLine(byStage, { piece: 1, step: 2, repeat: 2 })).toBe('Halve')
  expect(
    nowWords(runOf('narrow-leaf', { grain: 'piece' }), { piece: 1, step: 3, repeat: 1 }, told),
  ).toMatchObject({
    count: '1',
    of: 'leaf',
  })
})

test.each(
  DESIGNS.flatMap((design) =>
    (['fold', 'stage', 'piece'] as const).map((grain) => [design.id, grain] as const),
  ),
)('every tap of %s, a %s at a time, has words and something after it', (id, grain: TapGrain) => {
  const run = runOf(id, { grain })
  expect(runState(run.plan, []).phase.kind).toBe('fold')
  const cells = cellsOf(run.plan, [1])
  expect(cells).toHaveLength(tapsOf(run.plan.steps, grain).length)
  for (const cell of cells) {
    expect(nowWords(run, cell, told).say.length).toBeGreaterThan(3)
    expect(nowWords(run, cell, told).of).not.toMatch(/undefined/)
    expect(nextLine(run, cell).length).toBeGreaterThan(3)
  }
})
