import { measured } from '../../../test/library'
import fc from 'fast-check'
import { NO_HISTORY } from '../batch'
import { countsOf, planByRule, USUAL_TOOLS, type CutProblem, type StockSheets } from '../cut'
import { LIBRARY, mainPart, unitsOf } from '../design'
import { pieceSizeUm } from '../sheet'
import {
  baselineOf,
  byPrecedence,
  demandKey,
  joinable,
  nextDeed,
  planProject,
  sheetFor,
  sheetsFor,
  sheetsTaken,
  stationsOf,
  STATIONS,
  surveyProject,
  versionOf,
  type Brief,
  type BriefLine,
  type Claimant,
  type Lessons,
  type PlanInput,
  type ProjectFacts,
  type ProjectPlan,
  type ProjectRecords,
  type Reservation,
} from '.'

const EMPTY: ProjectFacts = {
  lines: 0,
  units: 0,
  papers: 0,
  ordersWanted: 0,
  ordersChosen: 0,
  planned: true,
  shortUnits: 0,
  shortSheets: 0,
  sheetsCut: 0,
  sheetsToCut: 0,
  offcutsCut: 0,
  offcutsToCut: 0,
  readySheets: 0,
  proofsToCut: 0,
  proofsToJudge: 0,
  waitingUnits: 0,
  foldedUnits: 0,
  openRuns: 0,
  joinsWanted: 0,
  joined: 0,
  joinable: 0,
  ordered: 0,
  handedOver: 0,
  ready: 0,
}
const planned: ProjectFacts = {
  ...EMPTY,
  lines: 2,
  units: 108,
  papers: 4,
  sheetsToCut: 24,
  joinsWanted: 36,
  ordered: 36,
}

test.each<[Partial<ProjectFacts>, string]>([
  [EMPTY, 'write the brief'],
  [{ ...planned, planned: false }, 'plan the cuts'],
  [{ ...planned, proofsToCut: 2 }, 'cut a proof piece'],
  [{ ...planned, proofsToCut: 1, proofsToJudge: 1 }, 'judge the proof piece'],
  [planned, 'cut sheets'],
  [{ ...planned, sheetsToCut: 0, offcutsToCut: 1 }, 'cut sheets'],
  // Squares of the right size are only taken out: there is no cut to make.
  [{ ...planned, readySheets: 24 }, 'start folding'],
  [{ ...planned, readySheets: 20 }, 'cut sheets'],
  [{ ...planned, shortUnits: 3, shortSheets: 1 }, 'get paper'],
  [{ ...planned, sheetsToCut: 0, sheetsCut: 24, waitingUnits: 120 }, 'start folding'],
  [{ ...planned, sheetsToCut: 0, sheetsCut: 24, openRuns: 1 }, 'go on folding'],
  [{ ...planned, sheetsToCut: 0, foldedUnits: 108 }, 'join'],
  [{ ...planned, sheetsToCut: 0, foldedUnits: 108, joined: 36, ready: 36 }, 'hand over'],
  [{ ...planned, sheetsToCut: 0, foldedUnits: 108, joined: 36, ready: 20, handedOver: 16 }, 'hand over'],
  [{ ...planned, handedOver: 36 }, 'nothing left'],
])('case %#: the next deed follows from the facts', (facts, deed) => {
  expect(nextDeed({ ...EMPTY, ...facts }).deed).toBe(deed)
})

test('every station is told, and the next deed is never at a station that is done', () => {
  const count = fc.integer({ min: 0, max: 200 })
  const facts = fc.record({
    lines: fc.integer({ min: 0, max: 3 }),
    units: fc.integer({ min: 1, max: 200 }),
    papers: count,
    planned: fc.boolean(),
    shortUnits: count,
    shortSheets: fc.option(count),
    sheetsCut: count,
    sheetsToCut: count,
    offcutsCut: count,
    offcutsToCut: count,
    readySheets: fc.constant(0),
    proofsToCut: fc.integer({ min: 0, max: 3 }),
    proofsToJudge: fc.integer({ min: 0, max: 3 }),
    waitingUnits: count,
    foldedUnits: count,
    openRuns: fc.integer({ min: 0, max: 2 }),
    ordersWanted: count,
    ordersChosen: count,
    joinsWanted: count,
    joined: count,
    joinable: count,
    ordered: count,
    handedOver: count,
    ready: count,
  })
  fc.assert(
    fc.property(facts, (known) => {
      const stations = stationsOf(known)
      expect(stations.map((station) => station.key)).toEqual(STATIONS)
      const next = nextDeed(known)
      const there = stations.find((station) => station.key === next.station)
      if (next.deed !== 'nothing left') expect(there?.state).not.toBe('done')
    }),
    { numRuns: 1000 },
  )
})

test('what work began with: all sheets, those cut before among them; a cost only where every price is known', () => {
  const layouts = [
    { stockId: 'a4', sheets: 20, share: 1 },
    { stockId: 'a3', sheets: 4, share: 1 },
  ] as unknown as ProjectPlan['layouts']
  const plan = { lines: [], layouts, facts: { ...planned, sheetsCut: 3 } }
  const prices = new Map([
    ['a4', 10],
    ['a3', 25],
  ])
  const kept = baselineOf(plan, { dueOn: '2026-12-24' }, (id) => prices.get(id) ?? null, 7)
  expect(kept).toMatchObject({ atMs: 7, units: 108, sheets: 27, dueOn: '2026-12-24', paperCost: 300 })
  const unpriced = baselineOf(plan, { dueOn: null }, (id) => (id === 'a4' ? 10 : null), 7)
  expect(unpriced.paperCost).toBeNull()
})

test('two leaves each: the scarcest part decides', () => {
  expect(joinable({ pieces: 36, folded: 12, parts: [{ perPiece: 2, folded: 20 }] })).toBe(10)
  expect(joinable({ pieces: 36, folded: 50, parts: [] })).toBe(36)
  expect(joinable({ pieces: 36, folded: 0, parts: [{ perPiece: 2, folded: 20 }] })).toBe(0)
})

const DESIGNS = ['corner-folded-rosette', 'ring-star', 'narrow-leaf'].map((id) =>
  measured(LIBRARY.find((design) => design.id === id)!),
)
const ENGINE = 1
const designs = new Map(
  DESIGNS.map((design) => [versionOf({ designHash: design.id, engine: ENGINE }), design]),
)
const LESSONS: Lessons = {
  rejectRate: () => NO_HISTORY,
  pace: ({ usualMinutes }) => ({ secondsPerPiece: usualMinutes * 60, loggedPieces: 0 }),
}
const PAPERS = ['green', 'orange']
const some = (most: number) => fc.integer({ min: 0, max: most })

/** Lines of known designs, each in one paper or two. */
const line = (index: number): fc.Arbitrary<BriefLine> =>
  fc
    .record({
      design: fc.constantFrom(...DESIGNS),
      variant: fc.nat(),
      sideUm: fc.integer({ min: 40, max: 190 }).map((mm) => mm * 1000),
      shares: fc.tuple(fc.integer({ min: 1, max: 30 }), some(20)),
    })
    .map(({ design, variant, sideUm, shares }) => {
      const chosen = design.variants[variant % design.variants.length]!
      const part = mainPart(design)
      const unitsPerPiece = unitsOf(part, chosen)
      const papers = PAPERS.flatMap((paperId, at) => {
        const pieces = shares[at] ?? 0
        return pieces === 0 ? [] : [{ paperId, units: pieces * unitsPerPiece }]
      })
      return {
        id: `line-${index}`,
        ordinal: index,
        designHash: design.id,
        engine: ENGINE,
        variantKey: chosen.key,
        pieces: shares[0] + shares[1],
        sizing: 'sheet' as const,
        axis: null,
        askedMm: sideUm / 1000,
        gauges: {},
        making: { kind: 'batch' as const, values: {} },
        attachedTo: null,
        perPiece: null,
        goesWith: null,
        sizeOf: null,
        parts: [{ key: part.key, sheetUm: pieceSizeUm(sideUm, 1), unitsPerPiece, papers }],
      }
    })

const brief: fc.Arbitrary<Brief> = fc
  .record({
    lines: fc.tuple(line(0), line(1), line(2)),
    plain: fc
      .array(
        fc.record({
          paperId: fc.constantFrom(...PAPERS),
          sizeUm: fc.constantFrom(
            { widthUm: 90_000, heightUm: 55_000 },
            { widthUm: 10_000, heightUm: 200_000 },
          ),
          pieces: fc.integer({ min: 0, max: 30 }),
        }),
        { maxLength: 2 },
      )
      .map((list) => list.map((one, index) => ({ ...one, id: `plain-${index}`, name: 'Card' }))),
    taken: fc.integer({ min: 1, max: 3 }),
    certainty: fc.constantFrom(0.8, 0.95),
    dueOn: fc.option(fc.constantFrom('2026-12-01', '2026-12-24')),
    createdAtMs: some(3),
    holdFirst: fc.boolean(),
  })
  .map(({ lines, taken, ...rest }) => ({
    id: 'project',
    name: 'A project',
    zone: 'UTC',
    archived: false,
    ...rest,
    lines: lines.slice(0, taken),
  }))

const drawer: fc.Arbitrary<readonly StockSheets[]> = fc
  .array(
    fc.record({
      paperId: fc.constantFrom(...PAPERS),
      sizeUm: fc.constantFrom(
        { widthUm: 210_000, heightUm: 297_000 },
        { widthUm: 150_000, heightUm: 150_000 },
      ),
      available: some(40),
      offcut: fc.boolean(),
    }),
    { maxLength: 6 },
  )
  .map((list) => list.map((one, index) => ({ ...one, stockId: `stock-${index}` })))

const NOTHING: ProjectRecords = {
  proofs: [],
  cuts: [],
  runs: [],
  shelf: [],
  joined: new Map(),
  deliveries: [],
  cutPlan: null,
  orders: new Map(),
}

/** What may have been recorded of a brief: some cut, some of that folded, some handed over. */
const recordsOf = ({ lines }: Brief): fc.Arbitrary<ProjectRecords> =>
  fc
    .record({
      cut: fc.array(some(30), { minLength: 6, maxLength: 6 }),
      usable: fc.array(some(30), { minLength: 6, maxLength: 6 }),
      spoiled: fc.array(some(5), { minLength: 6, maxLength: 6 }),
      gone: fc.array(some(5), { minLength: 3, maxLength: 3 }),
    })
    .map(({ cut, usable, spoiled, gone }) => {
      const places = lines.flatMap((one) =>
        one.parts.flatMap((part) => part.papers.map(({ paperId }) => ({ one, part, paperId }))),
      )
      return {
        ...NOTHING,
        cuts: places.map(({ one, part, paperId }, index) => ({
          id: `cut-${index}`,
          paperId,
          proof: false,
          sheets: 1 + (cut[index] ?? 0),
          offcut: index % 2 === 1,
          pieces: [{ lineId: one.id, partKey: part.key, count: cut[index] ?? 0, sizeUm: part.sheetUm }],
          layout: null,
          atMs: index,
        })),
        runs: places.map(({ one, part, paperId }, index) => ({
          id: `run-${index}`,
          lineId: one.id,
          partKey: part.key,
          paperId,
          usable: usable[index] ?? 0,
          spoiled: spoiled[index] ?? 0,
          open: index % 2 === 0,
          activeMs: 0,
        })),
        deliveries: lines.map((one, index) => ({
          id: `gone-${index}`,
          atMs: index,
          note: '',
          lines: [{ lineId: one.id, pieces: gone[index] ?? 0 }],
        })),
      }
    })

const input: fc.Arbitrary<PlanInput> = fc.tuple(brief, drawer).chain(([asked, stock]) =>
  recordsOf(asked).map((records) => ({
    brief: asked,
    designs,
    records,
    stock,
    reservations: [],
    lessons: LESSONS,
    tools: USUAL_TOOLS,
  })),
)

/** The same facts in another order. */
const turned = (given: PlanInput): PlanInput => ({
  ...given,
  brief: { ...given.brief, lines: given.brief.lines.toReversed() },
  stock: given.stock.toReversed(),
  records: {
    ...given.records,
    cuts: given.records.cuts.toReversed(),
    runs: given.records.runs.toReversed(),
    deliveries: given.records.deliveries.toReversed(),
  },
})

describe('planning', () => {
  test('is pure and does not depend on the order of what was recorded', () => {
    fc.assert(
      fc.property(input, (given) => {
        const plan = planProject(given)
        expect(planProject(given)).toEqual(plan)
        expect(planProject(turned(given))).toEqual(plan)
      }),
      { numRuns: 60 },
    )
  })
  test('units are conserved: what is wanted is folded, waiting or to be cut, spares beside', () => {
    fc.assert(
      fc.property(input, (given) => {
        for (const { parts } of planProject(given).lines)
          for (const { papers } of parts)
            for (const paper of papers) {
              const { goodUnits, usableUnits, waitingUnits, unitsToCut, spareUnits } = paper
              const left = Math.max(0, goodUnits - usableUnits)
              expect(unitsToCut).toBe(Math.max(0, left + spareUnits - waitingUnits))
              if (left === 0) expect(spareUnits).toBe(0)
            }
      }),
      { numRuns: 60 },
    )
  })
  test('ring stars count units, not pieces, from cut to log', () => {
    const star = DESIGNS[1]!
    const nine = star.variants.find(({ key }) => key === 'nine')!
    const sheet = sheetFor(
      star,
      { variantKey: nine.key, sizing: 'sheet', axis: '', mm: 75, gauges: {} },
      { ruler: 'mm-0.5', sheets: [] },
    )
    expect(sheet.parts).toMatchObject([{ unitsPerPiece: 9, sheetUm: { widthUm: 75_000, heightUm: 75_000 } }])
  })
  test('nothing delivered closes no order, however much is folded; a part of it leaves the rest owed', () => {
    fc.assert(
      fc.property(input, (given) => {
        const { owed, facts } = surveyProject(given)
        for (const one of owed) expect(one.owed).toBe(Math.max(0, one.pieces - one.handedOver))
        const gone = owed.reduce((sum, one) => sum + Math.min(one.pieces, one.handedOver), 0)
        expect(facts.handedOver).toBe(gone)
      }),
      { numRuns: 60 },
    )
  })
})

describe('promises', () => {
  const claimants = fc
    .array(
      fc.record({
        dueOn: fc.option(fc.constantFrom('2026-12-01', '2026-12-02')),
        createdAtMs: some(3),
        holdFirst: fc.boolean(),
        side: fc.integer({ min: 40, max: 200 }),
        count: fc.integer({ min: 1, max: 60 }),
      }),
      { minLength: 2, maxLength: 6 },
    )
    .map((list) => list.map((one, index) => ({ ...one, id: `p${index}` })))

  /** Every project plans with what those before it left, in any order of asking; the last word is by precedence. */
  const promise = (
    list: readonly (Claimant & { side: number; count: number })[],
    stock: readonly StockSheets[],
  ) => {
    const known = new Map(list.map((one) => [one.id, one]))
    const reservations: Reservation[] = []
    for (const one of list.toSorted(byPrecedence)) {
      const sizeUm = { widthUm: one.side * 1000, heightUm: one.side * 1000 }
      const problem: CutProblem = {
        demands: PAPERS.map((paperId) => ({
          key: demandKey({ lineId: one.id, partKey: 'part', paperId }),
          paperId,
          sizeUm,
          count: one.count,
          turnable: true,
        })),
        stock: sheetsFor([one], stock, reservations, known),
      }
      const plan = planByRule(problem)
      for (const layout of plan.layouts) expect(countsOf(layout).size).toBeGreaterThan(0)
      const takes = sheetsTaken(plan.layouts)
      for (const [stockId, sheets] of takes) reservations.push({ projectId: one.id, stockId, sheets })
    }
    return reservations
  }

  test('over random drawers and projects no sheet is promised twice, in whatever order they come', () => {
    fc.assert(
      fc.property(claimants, drawer, (list, stock) => {
        const reservations = promise(list, stock)
        for (const { stockId, available } of stock) {
          const held = reservations.filter((one) => one.stockId === stockId)
          expect(held.reduce((sum, one) => sum + one.sheets, 0)).toBeLessThanOrEqual(available)
        }
        expect(promise(list.toReversed(), stock)).toEqual(reservations)
      }),
    )
  })
  test('whose sheets come first: the user’s word, the date, the older', () => {
    const base = { dueOn: null, createdAtMs: 5, holdFirst: false }
    const asked: Claimant[] = [
      { ...base, id: 'no date' },
      { ...base, id: 'late', dueOn: '2026-12-24' },
      { ...base, id: 'as early, but younger', dueOn: '2026-12-01', createdAtMs: 9 },
      { ...base, id: 'early', dueOn: '2026-12-01' },
      { ...base, id: 'chosen', holdFirst: true },
    ]
    expect(asked.toSorted(byPrecedence).map(({ id }) => id)).toEqual([
      'chosen',
      'early',
      'as early, but younger',
      'late',
      'no date',
    ])
  })
})
