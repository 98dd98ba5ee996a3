/** The seven stations of a project, in working order. */
export const STATIONS = ['brief', 'colour', 'paper', 'cut', 'fold', 'join', 'deliver'] as const
export type StationKey = (typeof STATIONS)[number]

/** `planned`: there is a good answer by itself, and nobody has said that it is the one. */
export type StationState = 'done' | 'wanting' | 'planned' | 'not yet'

/** What is known of a project, in counts. */
export interface ProjectFacts {
  readonly lines: number
  readonly units: number
  readonly papers: number
  /** Lines whose pieces can follow each other in one order or another, and those for which one was chosen. */
  readonly ordersWanted: number
  readonly ordersChosen: number
  /** Whether what is still to be cut has a plan. */
  readonly planned: boolean
  /** Units that the stock has no sheet for, and the whole sheets that would mend it (`null`: no size to buy known). */
  readonly shortUnits: number
  readonly shortSheets: number | null
  readonly sheetsCut: number
  readonly sheetsToCut: number
  /** Offcuts are no sheets: nobody buys them. */
  readonly offcutsCut: number
  readonly offcutsToCut: number
  /** Of both, those that are the piece already: they are only taken out, when they are folded. */
  readonly readySheets: number
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
  /** Pieces ordered, handed over, and ready to be. */
  readonly ordered: number
  readonly handedOver: number
  readonly ready: number
}

export interface Station {
  readonly key: StationKey
  readonly state: StationState
  /** The one most telling number; for a count out of a total, `of` is the total. */
  readonly figure: { readonly count: number; readonly of: number | null }
}

type Telling = Omit<Station, 'key'>

const tell = (state: StationState, count: number, of: number | null = null): Telling => ({
  state,
  figure: { count, of },
})

/** Sheets and offcuts that a cut is still to be made in. */
const stillToCut = ({
  sheetsToCut,
  offcutsToCut,
  readySheets,
}: Pick<ProjectFacts, 'sheetsToCut' | 'offcutsToCut' | 'readySheets'>): number =>
  sheetsToCut + offcutsToCut - readySheets

export const allDelivered = ({ lines, ordered, handedOver }: ProjectFacts): boolean =>
  lines > 0 && handedOver >= ordered

/**
 * What each station tells. A station that is added to `STATIONS` and not here does not compile.
 */
const TELLS = {
  brief: ({ lines, units }) => tell(lines > 0 ? 'done' : 'wanting', units),
  colour: ({ lines, papers, ordersWanted, ordersChosen }) =>
    tell(lines === 0 ? 'not yet' : ordersChosen < ordersWanted ? 'planned' : 'done', papers),
  paper: ({ lines, planned, shortUnits, shortSheets, ...cut }) =>
    lines === 0
      ? tell('not yet', 0)
      : shortUnits > 0 || !planned
        ? tell('wanting', shortSheets ?? shortUnits)
        : tell('done', cut.sheetsToCut + cut.sheetsCut),
  cut: ({ lines, planned, shortUnits, proofsToJudge, ...facts }) => {
    const cut = facts.sheetsCut + facts.offcutsCut
    const toCut = stillToCut(facts)
    const wanting = !planned || toCut > 0 || shortUnits > 0 || proofsToJudge > 0
    return tell(lines === 0 ? 'not yet' : wanting ? 'wanting' : 'done', cut, cut + toCut)
  },
  fold: ({ lines, foldedUnits, units, waitingUnits, openRuns }) =>
    tell(
      openRuns > 0
        ? 'wanting'
        : lines > 0 && foldedUnits >= units
          ? 'done'
          : waitingUnits > 0 || foldedUnits > 0
            ? 'wanting'
            : 'not yet',
      foldedUnits,
      units,
    ),
  join: ({ lines, joined, joinsWanted, joinable }) =>
    tell(
      lines > 0 && joined >= joinsWanted ? 'done' : joinable > joined || joined > 0 ? 'wanting' : 'not yet',
      joined,
      joinsWanted,
    ),
  deliver: (facts) =>
    tell(
      allDelivered(facts) ? 'done' : facts.ready > 0 || facts.handedOver > 0 ? 'wanting' : 'not yet',
      facts.handedOver,
      facts.ordered,
    ),
} as const satisfies Record<StationKey, (facts: ProjectFacts) => Telling>

/** Every station's state and its telling figure. */
export const stationsOf = (facts: ProjectFacts): readonly Station[] =>
  STATIONS.map((key) => ({ key, ...TELLS[key](facts) }))

export type NextDeed =
  | 'write the brief'
  | 'plan the cuts'
  | 'get paper'
  | 'cut a proof piece'
  | 'judge the proof piece'
  | 'cut sheets'
  | 'go on folding'
  | 'start folding'
  | 'join'
  | 'hand over'
  | 'nothing left'

interface Next {
  readonly deed: NextDeed
  readonly station: StationKey
}

/** The one thing to do next, and the station it is done at. */
export function nextDeed(facts: ProjectFacts): Next {
  const next = (deed: NextDeed, station: StationKey): Next => ({ deed, station })
  if (facts.lines === 0) return next('write the brief', 'brief')
  if (allDelivered(facts)) return next('nothing left', 'deliver')
  if (facts.openRuns > 0) return next('go on folding', 'fold')
  if (facts.proofsToJudge > 0) return next('judge the proof piece', 'cut')
  const short = facts.shortUnits > 0
  if (!facts.planned && facts.waitingUnits === 0) return next('plan the cuts', 'paper')
  if (short && facts.waitingUnits === 0) return next('get paper', 'paper')
  const toCut = stillToCut(facts) > 0
  if (facts.proofsToCut > 0 && toCut) return next('cut a proof piece', 'cut')
  if (toCut) return next('cut sheets', 'cut')
  if (facts.foldedUnits < facts.units)
    return short && facts.waitingUnits === 0 ? next('get paper', 'paper') : next('start folding', 'fold')
  if (facts.joined < facts.joinsWanted) return next('join', 'join')
  return next('hand over', 'deliver')
}
