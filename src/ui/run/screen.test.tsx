import { renderToStaticMarkup } from 'react-dom/server'
import { NONE_CLOSED, runState, type RunEvent, type RunPlan } from '@/core/run'
import type { RunView } from '@/flows/read/run'
import { InspectTray } from './InspectTray'
import { RunFinished } from './RunFinished'
import { TrayStrip } from './TrayStrip'
import type { RunAtTable } from './useRun'

const PLAN: RunPlan = {
  steps: [{ stage: 0, repeats: 2 }],
  grain: 'fold',
  order: 'piece by piece',
  traySize: 3,
  wanted: 4,
}
const RUN: RunView = {
  id: 'run',
  projectId: 'project',
  projectName: 'Lids',
  designId: 'narrow-leaf',
  designName: 'Narrow leaf',
  variantName: 'halved',
  variantKey: 'halved',
  partName: 'leaf',
  test: null,
  paper: {
    id: 'p',
    name: 'Reed Green',
    frontColour: '#7f9563',
    backColour: '#ffffff',
    pattern: 'plain',
    caliperMm: 0.1,
  },
  hand: 'right',
  sheetMm: 60,
  startedAtMs: 0,
  archived: false,
  plan: PLAN,
  steps: [],
  kinds: [[]],
  oddClocks: 0,
  closed: NONE_CLOSED,
  feed: { epoch: 'e', seq: 0, events: [] },
}
const nothing = () => undefined
const tableWith = (events: readonly RunEvent[]): RunAtTable => ({
  state: runState(PLAN, events),
  sync: 'kept',
  unsent: 0,
  refused: 0,
  persistent: true,
  ready: true,
  offered: null,
  justSpoiled: null,
  next: nothing,
  checkOff: nothing,
  undo: nothing,
  spoil: nothing,
  spoilPiece: nothing,
  unspoilPiece: nothing,
  grade: nothing,
  reason: nothing,
})
const base = (index: number) => ({ id: `e${index}`, lane: 1, atMs: 0 })
const folds = (piece: number, count: number, lapMs = 30_000): readonly RunEvent[] =>
  Array.from({ length: count }, (_, index) => ({
    ...base(piece * 10 + index),
    kind: 'done' as const,
    piece,
    step: 0,
    repeat: index + 1,
    attempt: 0,
    lapMs,
  }))
const spoiled = (piece: number): RunEvent => ({ ...base(900 + piece), kind: 'spoil', piece, attempt: 0 })

test('the tray says of each piece whether it is blank, begun, folded or spoiled', () => {
  const strip = renderToStaticMarkup(
    <TrayStrip run={RUN} table={tableWith([...folds(1, 2), spoiled(2), ...folds(3, 1)])} />,
  )
  expect(strip).toContain('Piece 1: folded')
  expect(strip).toContain('Piece 2: spoiled')
  expect(strip).toContain('Piece 3: begun, 50 in 100')
  expect(strip).not.toContain('Piece 4')
  expect(renderToStaticMarkup(<TrayStrip run={RUN} table={tableWith([])} />)).toContain('Piece 1: blank')
})

test('at the end of a tray a spoiled piece asks for its reason, the others for nothing', () => {
  const table = tableWith([...folds(1, 2), spoiled(2), ...folds(3, 2)])
  const screen = renderToStaticMarkup(<InspectTray run={RUN} table={table} tray={0} pieces={[1, 2, 3]} />)
  expect(screen).toContain('Say why a piece was spoiled')
  expect(screen).toContain('Why piece 2 was spoiled')
  expect(screen).not.toContain('Why piece 1 was spoiled')
  expect([...screen.matchAll(/type="radio"[^>]*checked=""/g)]).toHaveLength(3)
})

test('a finished run tells pieces, time and pace, and what was spoiled', () => {
  const all = [...folds(1, 2), ...folds(2, 2), spoiled(3), ...folds(4, 2), ...folds(5, 2)]
  const screen = renderToStaticMarkup(<RunFinished run={RUN} table={tableWith(all)} />)
  expect(screen).toContain('4 leaves folded')
  expect(screen).toContain('4 min with hands on paper, 1 min each, 1 spoiled.')
  expect(screen).toContain('href="/projects/project/fold"')
})

test('without measured times it says so instead of a pace of nothing', () => {
  const all = [1, 2, 3, 4].flatMap((piece) => folds(piece, 2, 0))
  expect(
    renderToStaticMarkup(<RunFinished run={{ ...RUN, projectId: null }} table={tableWith(all)} />),
  ).toContain('Times were not measured')
})
