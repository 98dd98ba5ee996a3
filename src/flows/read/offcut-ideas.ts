import {
  defaultGauges,
  highPerWide,
  mainPart,
  shownSheetMm,
  smallestSheet,
  unitsOf,
  type DesignDocument,
} from '@/core/design'
import {
  cutDemands,
  demandOf,
  scaleThatFits,
  surveyProject,
  unpromised,
  type LineProgress,
} from '@/core/plan'
import { bestGrid, gridOf, pieceSizeUm, shrinkingSquares, type SizeUm, type SquareRun } from '@/core/sheet'
import { SMALLEST_OFFCUT_UM } from '@/core/cut'
import { roundToRuler, mmFromUm, umFromMm, type RulerKey } from '@/core/units'
import { listOwingProjects } from '@/data/repositories/projects'
import type { FlowContext } from '../flow-context'
import { readOffered } from '../designs'
import { readLessons, type Learnt } from '../lessons'
import { paperIdsOf, readStock, stockSheets } from '../project-plan'
import { loadProjects } from '../project-records'
import { currentSettings } from '../settings'
import { readEnd } from './folds'
import { readDrawer, type DrawerPaper } from './papers'
import { firstSize } from './starts'

/** So many pieces of a design out of some offcuts of one paper. */
export interface OffcutIdea {
  readonly designId: string
  readonly name: string
  readonly family: string
  readonly paper: Pick<DrawerPaper, 'id' | 'name' | 'frontColour' | 'backColour'>
  readonly sideMm: number
  readonly pieces: number
  /** Finished, along the design's first axis. */
  readonly sizeMm: number
  readonly sizeLabel: string
  readonly seconds: number
  /** How much of the offcuts it takes, of 1. */
  readonly used: number
}

interface Rectangle {
  readonly sizeUm: SizeUm
  readonly amount: number
}

/** A piece of paper is folded of nothing narrower: 1.5 cm. Common practice, no source. */
const SMALLEST_PIECE_UM = 15_000

/** As large as the offcuts give, and smaller in steps. */
const STEPS = [1, 0.8, 0.65, 0.5] as const

const areaOf = ({ widthUm, heightUm }: SizeUm): number => widthUm * heightUm

/** What ideas are reckoned with. */
interface Knowing {
  readonly lessons: Learnt
  readonly ruler: RulerKey
}

/** A design with what limits how small it is folded. */
interface Foldable {
  readonly document: DesignDocument
  readonly hardest: Parameters<typeof smallestSheet>[0]
}

/** All designs that are offered. Their last steps are looked up once, not for every paper. */
async function foldables(context: FlowContext): Promise<readonly Foldable[]> {
  const all: Foldable[] = []
  for (const { document, hash } of await readOffered(context)) {
    const [variant] = document.variants
    if (!variant) continue
    const shown = {
      variantKey: variant.key,
      sheetMm: shownSheetMm(document),
      gauges: defaultGauges(document),
    }
    all.push({ document, hardest: (await readEnd(context, hash, shown))?.hardest ?? [] })
  }
  return all
}

/** The best use of some rectangles of a paper for one design; `null` where it cannot be folded of them. */
function ideaOf(
  { document, hardest }: Foldable,
  paper: DrawerPaper,
  rectangles: readonly Rectangle[],
  minutes: number | null,
  { lessons, ruler }: Knowing,
): OffcutIdea | null {
  const [variant] = document.variants
  if (!variant) return null
  const part = mainPart(document)
  const high = highPerWide(part)
  const unit = pieceSizeUm(1_000_000, high)
  const mostMm =
    rectangles.reduce((most, { sizeUm }) => Math.max(most, scaleThatFits(sizeUm, unit)), 0) * 1000
  const leastMm = Math.max(20, smallestSheet(hardest, paper.caliperMm)?.sheetMm ?? 0)
  const units = unitsOf(part, variant)
  const secondsPerPiece = lessons.pace(document).secondsPerPiece * units
  const byTime = minutes === null ? Infinity : Math.floor((60 * minutes) / secondsPerPiece)
  const all = rectangles.reduce((sum, { sizeUm, amount }) => sum + amount * areaOf(sizeUm), 0)
  let best: OffcutIdea | null = null
  for (const step of STEPS) {
    const sideMm = roundToRuler(mostMm * step, ruler, 'down')
    if (sideMm < leastMm) continue
    const piece = pieceSizeUm(umFromMm(sideMm), high)
    if (Math.min(piece.widthUm, piece.heightUm) < SMALLEST_PIECE_UM) continue
    const cut = rectangles.reduce(
      (sum, { sizeUm, amount }) =>
        sum + amount * (paper.turnable ? bestGrid(sizeUm, piece) : gridOf(sizeUm, piece, false)).count,
      0,
    )
    const pieces = Math.min(byTime, Math.floor(cut / units))
    const size = pieces >= 1 ? firstSize(document, sideMm) : null
    if (!size) continue
    const used = (pieces * units * areaOf(piece)) / all
    if (best && used <= best.used) continue
    const { id, name, frontColour, backColour } = paper
    best = {
      designId: document.id,
      name: document.name,
      family: document.family,
      paper: { id, name, frontColour, backColour },
      sideMm,
      pieces,
      ...size,
      seconds: pieces * secondsPerPiece,
      used,
    }
  }
  return best
}

/** Offcuts of every paper that nobody was promised and that are not kept for stems. */
async function freeOffcuts(
  context: FlowContext,
): Promise<readonly (readonly [DrawerPaper, readonly Rectangle[]])[]> {
  const drawer = await readDrawer(context)
  const { stock, reservations } = await readStock(
    context,
    drawer.map(({ id }) => id),
  )
  const free = unpromised(stock.filter(({ kept_for }) => kept_for === '').map(stockSheets), reservations)
  return drawer.flatMap((paper) => {
    const own = free.filter(
      ({ paperId, offcut, available }) => paperId === paper.id && offcut && available > 0,
    )
    return own.length === 0
      ? []
      : [[paper, own.map(({ sizeUm, available }) => ({ sizeUm, amount: available }))] as const]
  })
}

const MOST_SUGGESTED = 3

/**
 * Three things to fold of the offcuts in so many minutes: those that use most of both, each of another design, of other
 * papers and families where there are such.
 */
export async function readScraps(context: FlowContext, minutes: number): Promise<readonly OffcutIdea[]> {
  const lessons = await readLessons(context)
  const { ruler } = await currentSettings(context)
  const offered = await foldables(context)
  const ideas: OffcutIdea[] = []
  for (const [paper, rectangles] of await freeOffcuts(context))
    for (const one of offered) {
      const idea = ideaOf(one, paper, rectangles, minutes, { lessons, ruler })
      if (idea) ideas.push(idea)
    }
  const worth = ({ used, seconds }: OffcutIdea) => Math.sqrt(used) * Math.min(1, seconds / (60 * minutes))
  const left = ideas.sort((a, b) => worth(b) - worth(a))
  const chosen: OffcutIdea[] = []
  const isNew = (idea: OffcutIdea, of: (one: OffcutIdea) => string) =>
    chosen.every((one) => of(one) !== of(idea))
  while (chosen.length < MOST_SUGGESTED) {
    const others = left.filter((idea) => isNew(idea, ({ designId }) => designId))
    const next =
      others.find((idea) => isNew(idea, ({ family }) => family) && isNew(idea, ({ paper }) => paper.id)) ??
      others.find((idea) => isNew(idea, ({ family }) => family)) ??
      others[0]
    if (!next) break
    chosen.push(next)
  }
  return chosen
}

/** Pieces that a project still wants of a paper, and how many of them come out of a rectangle. */
export interface StillWanted {
  readonly projectId: string
  readonly projectName: string
  readonly designName: string
  readonly sizeUm: SizeUm
  readonly wanted: number
  readonly fits: number
}

export interface Fits {
  readonly wanted: readonly StillWanted[]
  readonly ideas: readonly OffcutIdea[]
  /** Squares one after another off the end, ever smaller. */
  readonly squares: readonly SquareRun[]
}

/** What a rectangle of a paper is good for: what is still wanted, and what else could be folded of it. */
export async function readFits(context: FlowContext, paper: DrawerPaper, sizeUm: SizeUm): Promise<Fits> {
  const lessons = await readLessons(context)
  const { ruler } = await currentSettings(context)
  const open = await loadProjects(context, await listOwingProjects(context.db))
  const rateOf = ({ design }: LineProgress) => lessons.rejectRate(design.family)
  const wanted = open
    .filter((project) => paperIdsOf(project).includes(paper.id))
    .flatMap((project) => {
      const survey = surveyProject(project)
      return cutDemands(
        survey,
        { rateOf, certainty: project.brief.certainty, spares: lessons.spares },
        [],
      ).flatMap(({ key, paperId, sizeUm: piece, count }): readonly StillWanted[] => {
        const grid = paper.turnable ? bestGrid(sizeUm, piece) : gridOf(sizeUm, piece, false)
        const { lineId } = demandOf(key)
        const what =
          survey.lines.find(({ line }) => line.id === lineId)?.design.name ??
          survey.plain.find(({ line }) => line.id === lineId)?.line.name
        if (paperId !== paper.id || grid.count === 0 || what === undefined) return []
        const { id, name } = project.row
        return [
          {
            projectId: id,
            projectName: name,
            designName: what,
            sizeUm: piece,
            wanted: count,
            fits: Math.min(count, grid.count),
          },
        ]
      })
    })
  const ideas: OffcutIdea[] = []
  for (const one of await foldables(context)) {
    const idea = ideaOf(one, paper, [{ sizeUm, amount: 1 }], null, { lessons, ruler })
    if (idea) ideas.push(idea)
  }
  return {
    wanted,
    ideas: ideas.sort((a, b) => b.used - a.used),
    squares: shrinkingSquares(
      mmFromUm(sizeUm.widthUm),
      mmFromUm(sizeUm.heightUm),
      mmFromUm(SMALLEST_OFFCUT_UM),
    ),
  }
}
