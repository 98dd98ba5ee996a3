import type { StockSheets } from '@/core/cut'
import {
  allDelivered,
  cutDemands,
  leadTime,
  surveyProject,
  wantedTogether,
  type LineProgress,
  type MissingSize,
  type PackChoice,
  type ProjectSurvey,
  type SupplyWanted,
} from '@/core/plan'
import { sizeAsKept } from '@/core/paper'
import { mmFromUm } from '@/core/units'
import { packsOf, type PackRow } from '@/data/repositories/packs'
import { papersById } from '@/data/repositories/papers'
import { listOwingProjects } from '@/data/repositories/projects'
import { stockOf, wholeSheets } from '@/data/repositories/stock'
import type { PaperRow } from '@/data/tables'
import { daysOn } from '@/schema/days'
import { INLINE_POOL } from '@/pool/inline-pool'
import type { FlowContext } from '../flow-context'
import { readLessons, type Learnt } from '../lessons'
import { paperIdsOf, stockSheets } from '../project-plan'
import { loadProjects, type LoadedProject } from '../project-records'
import { currentSettings } from '../settings'
import { paperView, type PaperView } from './papers'
import { needsOfSupplies, readSupplies, wantedOf, type SupplyNeed } from './supplies'

/** What a project is short of in one paper. */
interface WantedBy {
  readonly projectId: string
  readonly name: string
  readonly pieces: number
  /** The day its paper has to be there, so that folding and drying end in time; `null` where it has no day. */
  readonly neededOn: string | null
}

/** A paper that more is wanted of than there is. */
export interface PaperToBuy {
  readonly paper: PaperView
  readonly pieces: number
  readonly by: readonly WantedBy[]
  readonly neededOn: string | null
  /** The last day to order the best choice; `null` where no day is asked. */
  readonly orderOn: string | null
  /** The cheapest that comes in time, else the soonest; `null` where no pack is known that gives such pieces. */
  readonly best: PackChoice | null
  readonly others: readonly PackChoice[]
  /** Whole sheets of it in the drawer. */
  readonly sheetsThere: number
  /** Packs are known, but none gives pieces as large as these. */
  readonly tooLarge: boolean
}

export interface ShoppingList {
  readonly papers: readonly PaperToBuy[]
  readonly supplies: readonly SupplyNeed[]
}

interface Open {
  readonly loaded: LoadedProject
  readonly survey: ProjectSurvey
}

/** The day a project's paper has to be there: folding an evening a day, then drying, end on its day. */
function neededOn({ loaded, survey }: Open, lessons: Learnt, eveningSeconds: number): string | null {
  const { dueOn } = loaded.brief
  if (dueOn === null) return null
  const foldingSeconds = survey.lines.reduce((sum, line) => {
    const units = line.parts.reduce((all, part) => all + part.units - part.foldedUnits, 0)
    return sum + units * lessons.pace(line.design).secondsPerPiece
  }, 0)
  const dryingMinutes = survey.lines.reduce(
    (most, { design }) => Math.max(most, design.guide?.dryingMinutes ?? 0),
    0,
  )
  return daysOn(dueOn, -leadTime({ foldingSeconds, eveningSeconds, dryingMinutes, shoppingDays: 0 }).days)
}

/** Pieces that a project's stored plan found no sheet for and that are still wanted, by paper. */
function missingOf(
  { loaded: { records, brief }, survey }: Open,
  lessons: Learnt,
  stock: readonly StockSheets[],
): readonly (MissingSize & { readonly paperId: string })[] {
  const plan = records.cutPlan?.plan
  if (plan?.status !== 'short') return []
  const rateOf = ({ design }: LineProgress) => lessons.rejectRate(design.family)
  return cutDemands(survey, { rateOf, certainty: brief.certainty, spares: lessons.spares }, stock).flatMap(
    ({ key, paperId, sizeUm, count }) => {
      const missing = plan.missing.find(({ demand }) => demand === key)?.count ?? 0
      return Math.min(missing, count) > 0 ? [{ paperId, sizeUm, count: Math.min(missing, count) }] : []
    },
  )
}

/** What the lines of a project want that is not folded. */
const suppliesWanted = ({ survey }: Open): readonly SupplyWanted[] =>
  wantedOf(
    survey.lines.map(({ line, design }) => ({
      ...line,
      design,
      sheetMm: mmFromUm(line.parts[0]?.sheetUm.widthUm ?? 0),
    })),
  )

const earliest = (days: readonly (string | null)[]): string | null =>
  days.reduce((first, day) => (day !== null && (first === null || day < first) ? day : first), null)

const offered = (paper: PaperRow, packs: readonly PackRow[]) =>
  packs
    .filter(({ paper_id }) => paper_id === paper.id)
    .map((pack) => ({
      id: pack.id,
      sizeUm: sizeAsKept(
        { grain: paper.grain, turnable: paper.turnable === 1 },
        { widthUm: pack.width_um, heightUm: pack.height_um },
        false,
      ),
      sheets: pack.sheets,
      priceMinor: pack.price_minor,
      leadDays: pack.lead_days,
    }))

/** What all open projects are short of: packs at least cost, and by when to order. `today` is a local date. */
export async function readShopping(context: FlowContext, today: string): Promise<ShoppingList> {
  const { db } = context
  const loaded = await loadProjects(context, await listOwingProjects(db))
  const open = loaded
    .map((one): Open => ({ loaded: one, survey: surveyProject(one) }))
    .filter(({ survey }) => !allDelivered(survey.facts))
  const lessons = await readLessons(context)
  const settings = await currentSettings(context)
  const eveningSeconds = 60 * Number(settings.evening)
  const drawer = await stockOf(db, [...new Set(loaded.flatMap(paperIdsOf))])
  const stock = drawer.map(stockSheets)
  const wanted = open.flatMap((one) => {
    const { id, name } = one.loaded.row
    const missing = missingOf(one, lessons, stock)
    return missing.map((of) => ({
      ...of,
      project: { projectId: id, name, neededOn: neededOn(one, lessons, eveningSeconds) },
    }))
  })
  const paperIds = [...new Set(wanted.map(({ paperId }) => paperId))]
  const papers = await papersById(db, paperIds)
  const packs = await packsOf(db, paperIds)
  const { pool = INLINE_POOL } = context
  const supplies = await readSupplies(context)
  return {
    papers: soonestFirst(
      await Promise.all(
        papers.map(async (paper): Promise<PaperToBuy> => {
          const own = wanted.filter(({ paperId }) => paperId === paper.id)
          const known = offered(paper, packs)
          const choices = await pool.run('choose packs', {
            missing: own.map(({ sizeUm, count }) => ({ sizeUm, count })),
            offered: known,
            turnable: paper.turnable === 1,
            toleranceUm: paper.tolerance_um ?? 0,
            tools: settings.cutting,
          })
          const sheetsThere = wholeSheets(drawer.filter(({ paper_id }) => paper_id === paper.id))
          return { ...toBuy(paper, own, choices, known.length > 0, today), sheetsThere }
        }),
      ),
    ),
    supplies: needsOfSupplies(wantedTogether(open.flatMap(suppliesWanted)), supplies),
  }
}

/** What must be ordered first, first; what has no day last, by name. */
const soonestFirst = (papers: readonly PaperToBuy[]): readonly PaperToBuy[] =>
  papers.toSorted(
    (a, b) =>
      (a.orderOn ?? a.neededOn ?? '9999').localeCompare(b.orderOn ?? b.neededOn ?? '9999') ||
      a.paper.name.localeCompare(b.paper.name),
  )

function toBuy(
  paper: PaperRow,
  own: readonly (MissingSize & { readonly project: Omit<WantedBy, 'pieces'> })[],
  choices: readonly PackChoice[],
  packsKnown: boolean,
  today: string,
): Omit<PaperToBuy, 'sheetsThere'> {
  const needed = earliest(own.map(({ project }) => project.neededOn))
  const inTime = choices.find(({ leadDays }) => needed === null || daysOn(today, leadDays) <= needed)
  const soonest = choices.toSorted((a, b) => a.leadDays - b.leadDays)[0]
  const best = inTime ?? soonest ?? null
  const projects = new Map(own.map(({ project }) => [project.projectId, project]))
  const piecesOf = (some: readonly MissingSize[]) => some.reduce((sum, { count }) => sum + count, 0)
  return {
    paper: paperView(paper),
    pieces: piecesOf(own),
    by: [...projects.values()].map((project) => ({
      ...project,
      pieces: piecesOf(own.filter((one) => one.project.projectId === project.projectId)),
    })),
    neededOn: needed,
    orderOn: needed === null || best === null ? null : daysOn(needed, -best.leadDays),
    best,
    others: choices.filter((choice) => choice !== best),
    tooLarge: packsKnown && choices.length === 0,
  }
}
