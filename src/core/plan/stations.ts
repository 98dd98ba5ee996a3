/** The seven stations of a project, in working order. */
export const STATIONS = ['brief', 'colour', 'paper', 'cut', 'fold', 'join', 'deliver'] as const
export type StationKey = (typeof STATIONS)[number]

export type StationState = 'done' | 'wanting' | 'not yet'

/** What is known of a project, in counts. */
export interface ProjectFacts {
  readonly lines: number
  readonly units: number
  readonly papers: number
  /** Units that the stock has no sheet for, and the whole sheets that would mend it (`null`: no size to buy known). */
  readonly shortUnits: number
  readonly shortSheets: number | null
  readonly sheetsCut: number
  readonly sheetsToCut: number
  /** Lines whose proof piece is neither accepted nor skipped. */
  readonly proofsToCut: number
  readonly proofsToJudge: number
  /** Units cut and waiting to be folded. */
  readonly waitingUnits: number
  readonly foldedUnits: number
  readonly openRuns: number
  readonly joinsWanted: number
  readonly joined: number
  /** Joins whose pieces are all folded. */
  readonly joinable: number
  readonly handedOver: boolean
}

export interface Station {
  readonly key: StationKey
  readonly state: StationState
  /** The one most telling number; for a count out of a total, `of` is the total. */
  readonly figure: { readonly count: number; readonly of: number | null }
}

const station = (key: StationKey, state: StationState, count: number, of: number | null = null): Station => ({
  key,
  state,
  figure: { count, of },
})

function paperStation(facts: ProjectFacts): Station {
  if (facts.lines === 0) return station('paper', 'not yet', 0)
  const short = facts.shortSheets ?? facts.shortUnits
  return facts.shortUnits > 0
    ? station('paper', 'wanting', short)
    : station('paper', 'done', facts.sheetsToCut + facts.sheetsCut)
}

function cutStation(facts: ProjectFacts): Station {
  const total = facts.sheetsCut + facts.sheetsToCut
  const missing = facts.sheetsToCut > 0 || facts.shortUnits > 0
  const state = facts.lines === 0 ? 'not yet' : missing || facts.proofsToJudge > 0 ? 'wanting' : 'done'
  return station('cut', state, facts.sheetsCut, total)
}

function foldStation(facts: ProjectFacts): Station {
  const state =
    facts.lines > 0 && facts.foldedUnits >= facts.units
      ? 'done'
      : facts.waitingUnits > 0 || facts.foldedUnits > 0 || facts.openRuns > 0
        ? 'wanting'
        : 'not yet'
  return station('fold', state, facts.foldedUnits, facts.units)
}

function joinStation(facts: ProjectFacts): Station {
  const state =
    facts.lines > 0 && facts.joined >= facts.joinsWanted
      ? 'done'
      : facts.joinable > facts.joined || facts.joined > 0
        ? 'wanting'
        : 'not yet'
  return station('join', state, facts.joined, facts.joinsWanted)
}

/** Every station's state and its telling figure. */
export function stationsOf(facts: ProjectFacts): readonly Station[] {
  const ready = facts.lines > 0 && facts.foldedUnits >= facts.units && facts.joined >= facts.joinsWanted
  return [
    station('brief', facts.lines > 0 ? 'done' : 'wanting', facts.units),
    station('colour', facts.papers > 0 ? 'done' : 'not yet', facts.papers),
    paperStation(facts),
    cutStation(facts),
    foldStation(facts),
    joinStation(facts),
    station('deliver', facts.handedOver ? 'done' : ready ? 'wanting' : 'not yet', facts.handedOver ? 1 : 0),
  ]
}

export type NextDeed =
  | 'write the brief'
  | 'get paper'
  | 'cut a proof piece'
  | 'judge the proof piece'
  | 'cut sheets'
  | 'go on folding'
  | 'start folding'
  | 'join'
  | 'hand over'
  | 'nothing left'

/** The one thing to do next, and the station it is done at. */
export function nextDeed(facts: ProjectFacts): { readonly deed: NextDeed; readonly station: StationKey } {
  if (facts.handedOver) return { deed: 'nothing left', station: 'deliver' }
  if (facts.lines === 0) return { deed: 'write the brief', station: 'brief' }
  if (facts.proofsToJudge > 0) return { deed: 'judge the proof piece', station: 'cut' }
  if (facts.openRuns > 0) return { deed: 'go on folding', station: 'fold' }
  if (facts.shortUnits > 0 && facts.waitingUnits === 0) return { deed: 'get paper', station: 'paper' }
  if (facts.proofsToCut > 0 && facts.sheetsToCut > 0) return { deed: 'cut a proof piece', station: 'cut' }
  if (facts.sheetsToCut > 0) return { deed: 'cut sheets', station: 'cut' }
  if (facts.foldedUnits < facts.units) return { deed: 'start folding', station: 'fold' }
  if (facts.joined < facts.joinsWanted) return { deed: 'join', station: 'join' }
  return { deed: 'hand over', station: 'deliver' }
}
