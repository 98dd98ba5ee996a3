import fc from 'fast-check'
import { joinable, nextDeed, stationsOf, STATIONS, type ProjectFacts } from '.'

const EMPTY: ProjectFacts = {
  lines: 0,
  units: 0,
  papers: 0,
  shortUnits: 0,
  shortSheets: 0,
  sheetsCut: 0,
  sheetsToCut: 0,
  proofsToCut: 0,
  proofsToJudge: 0,
  waitingUnits: 0,
  foldedUnits: 0,
  openRuns: 0,
  joinsWanted: 0,
  joined: 0,
  joinable: 0,
  handedOver: false,
}
const planned: ProjectFacts = { ...EMPTY, lines: 2, units: 108, papers: 4, sheetsToCut: 24, joinsWanted: 36 }

test.each([
  [EMPTY, 'write the brief'],
  [{ ...planned, proofsToCut: 2 }, 'cut a proof piece'],
  [{ ...planned, proofsToCut: 1, proofsToJudge: 1 }, 'judge the proof piece'],
  [planned, 'cut sheets'],
  [{ ...planned, shortUnits: 3, shortSheets: 1 }, 'get paper'],
  [{ ...planned, sheetsToCut: 0, sheetsCut: 24, waitingUnits: 120 }, 'start folding'],
  [{ ...planned, sheetsToCut: 0, sheetsCut: 24, openRuns: 1 }, 'go on folding'],
  [{ ...planned, sheetsToCut: 0, foldedUnits: 108 }, 'join'],
  [{ ...planned, sheetsToCut: 0, foldedUnits: 108, joined: 36 }, 'hand over'],
  [{ ...planned, handedOver: true }, 'nothing left'],
] as const)('case %#: the next deed follows from the facts', (facts, deed) => {
  expect(nextDeed(facts).deed).toBe(deed)
})

test('every station is told, and the next deed is never at a station that is done', () => {
  const count = fc.integer({ min: 0, max: 200 })
  const facts = fc.record({
    lines: fc.integer({ min: 0, max: 3 }),
    units: fc.integer({ min: 1, max: 200 }),
    papers: count,
    shortUnits: count,
    shortSheets: fc.option(count),
    sheetsCut: count,
    sheetsToCut: count,
    proofsToCut: fc.integer({ min: 0, max: 3 }),
    proofsToJudge: fc.integer({ min: 0, max: 3 }),
    waitingUnits: count,
    foldedUnits: count,
    openRuns: fc.constant(0),
    joinsWanted: count,
    joined: count,
    joinable: count,
    handedOver: fc.boolean(),
  })
  fc.assert(
    fc.property(facts, (known) => {
      const stations = stationsOf(known)
      expect(stations.map((station) => station.key)).toEqual(STATIONS)
      const next = nextDeed(known)
      const there = stations.find((station) => station.key === next.station)
      if (next.deed !== 'nothing left') expect(there?.state).not.toBe('done')
    }),
  )
})

test('two leaves each: the scarcest part decides', () => {
  expect(joinable({ pieces: 36, folded: 12, parts: [{ perPiece: 2, folded: 20 }] })).toBe(10)
  expect(joinable({ pieces: 36, folded: 50, parts: [] })).toBe(36)
  expect(joinable({ pieces: 36, folded: 0, parts: [{ perPiece: 2, folded: 20 }] })).toBe(0)
})
