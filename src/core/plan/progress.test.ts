import { LIBRARY, mainPart, measureDesign } from '../design'
import { progressOf } from './progress'
import type { Brief, BriefLine, ProjectRecords } from './types'

const star = measureDesign(LIBRARY.find(({ id }) => id === 'ring-star')!)
const PAPERS = ['orange', 'tide', 'plum']

/** Two stars of nine units, six units in each of three papers; so many of each are folded. */
function foldedPieces(usable: readonly number[], inTurn: boolean): number {
  const part = mainPart(star)
  const line: BriefLine = {
    id: 'line',
    ordinal: 0,
    designHash: 'star',
    engine: 1,
    variantKey: 'nine',
    pieces: 2,
    sizing: 'sheet',
    axis: null,
    askedMm: 85,
    gauges: {},
    making: { kind: 'batch', values: { pieces: 2 }, ...(inTurn ? { inTurn } : {}) },
    attachedTo: null,
    perPiece: null,
    goesWith: null,
    sizeOf: null,
    parts: [
      {
        key: part.key,
        sheetUm: { widthUm: 85_000, heightUm: 85_000 },
        unitsPerPiece: 9,
        papers: PAPERS.map((paperId) => ({ paperId, units: 6 })),
      },
    ],
  }
  const runs = PAPERS.map((paperId, at) => ({
    id: `run-${at}`,
    lineId: 'line',
    partKey: part.key,
    paperId,
    usable: usable[at] ?? 0,
    spoiled: 0,
    open: false,
  }))
  const records = { cuts: [], shelf: [], deliveries: [], runs } as unknown as ProjectRecords
  const brief = { lines: [line] } as unknown as Brief
  return progressOf(brief, new Map([['star 1', star]]), records)[0]?.foldedPieces ?? NaN
}

test.each([
  [[6, 6, 6], 2, 2],
  [[6, 6, 3], 1, 1],
  // Fourteen units are enough for a star, but not for one of three of each.
  [[6, 6, 2], 0, 1],
  [[6, 0, 6], 0, 1],
  [[9, 9, 3], 1, 1],
  [[0, 0, 0], 0, 0],
])('%j units folded make %d stars of all papers by turns, %d of whatever paper', (usable, turns, whole) => {
  expect(foldedPieces(usable, true)).toBe(turns)
  expect(foldedPieces(usable, false)).toBe(whole)
})
