import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { ok } from '../../test/deeds'
import { temporaryDatabase, type TemporaryDatabase } from '../../test/temporary-database'
import { typedBrief, typedLine, typedPaper, typedRosette, typedSheets } from '../../test/typed'
import { markOf, projectView } from '../../test/view'
import { howFolded } from '@/ui/project/StartRun'
import type { DeedResult } from './deed'
import type { FlowContext } from './flow-context'
import * as archiveProject from './deeds/archive-project'
import * as cuts from './deeds/cuts'
import * as deliveries from './deeds/deliveries'
import * as joins from './deeds/joins'
import * as keepRest from './deeds/keep-rest'
import * as ledger from './deeds/ledger'
import * as orders from './deeds/orders'
import * as packs from './deeds/packs'
import * as papers from './deeds/papers'
import * as passOver from './deeds/pass-over'
import * as plainLines from './deeds/plain-lines'
import * as planCuts from './deeds/plan-cuts'
import * as proofs from './deeds/proofs'
import * as runs from './deeds/runs'
import * as saveBrief from './deeds/save-brief'
import * as shelf from './deeds/shelf'
import * as supplies from './deeds/supplies'
import * as swapPapers from './deeds/swap-papers'
import * as takeNewerDesign from './deeds/take-newer-design'
import * as takeTableIn from './deeds/take-table-in'
import { previewDrawer, TABLE_MEANS } from './drawer-table'
import { readPacks } from './read/packs'
import { readShopping } from './read/shopping'
import { readSupplies } from './read/supplies'

const ROOMS = {
  ...archiveProject,
  ...cuts,
  ...deliveries,
  ...joins,
  ...keepRest,
  ...ledger,
  ...orders,
  ...packs,
  ...papers,
  ...passOver,
  ...plainLines,
  ...planCuts,
  ...proofs,
  ...runs,
  ...saveBrief,
  ...shelf,
  ...supplies,
  ...swapPapers,
  ...takeNewerDesign,
  ...takeTableIn,
}

/** Parts of deeds, which no window presses. */
const NO_DEEDS: readonly string[] = ['takeOutReady', 'recordProofCut']

/** What two windows see of a project with rosettes in one paper and leaves in two, half of it cut and folded. */
interface World {
  readonly context: FlowContext
  readonly projectId: string
  readonly otherId: string
  readonly paperId: string
  readonly lineId: string
}

type Press = () => Promise<DeedResult<unknown>>

interface Race {
  /** Makes the world ready and gives the press that both windows make, each as its page shows things. */
  readonly ready: (world: World) => Promise<Press> | Press
  /** A number that the deed changes. */
  readonly counted: (world: World) => Promise<number>
  /** By how much, for both presses together. */
  readonly by: number
  /** How the second is refused; where it is not, it finds done what it wants, or counts by itself. */
  readonly second: string | null
}

const rows = async (
  { context }: World,
  table: 'cut' | 'run' | 'delivery' | 'project' | 'paper',
): Promise<number> => {
  const { n } = await context.db
    .selectFrom(table)
    .select((select) => select.fn.countAll<number>().as('n'))
    .executeTakeFirstOrThrow()
  return n
}
const inDrawer = async ({ context }: World): Promise<number> => {
  const levels = await context.db.selectFrom('stock_level').select('amount').execute()
  return levels.reduce((sum, { amount }) => sum + amount, 0)
}
const steps = async ({ context }: World): Promise<number> =>
  (await context.db.selectFrom('line_order').select('step').execute()).length
const nothing = () => Promise.resolve(0)
const view = ({ context, projectId }: World) => projectView(context, projectId)

const skipAll = async (world: World): Promise<void> => {
  for (const { id } of (await view(world)).lines)
    await ok(proofs.skipProof(world.context, world.projectId, id))
}
const cutAll = async (world: World): Promise<void> => {
  await skipAll(world)
  const { cutPlan } = await view(world)
  for (const { id, sheets } of cutPlan!.layouts)
    await ok(
      cuts.tickCut(world.context, world.projectId, {
        planId: cutPlan!.id,
        layoutId: id,
        sheets: String(sheets),
      }),
    )
}
const rowOf = async (world: World, line = 0) => {
  const one = (await view(world)).lines[line]!
  const row = one.papers[0]!
  return { lineId: one.id, partKey: row.part.key, paperId: row.paper.id }
}
/** Folds so many rosettes. */
const folded = async (world: World, pieces: number): Promise<string> => {
  await cutAll(world)
  const of = await rowOf(world)
  const { runId } = await ok(
    runs.startProjectRun(world.context, world.projectId, { ...of, ...byPiece(pieces) }),
  )
  await ok(runs.recordEvents(world.context, runId, { epoch: '', since: 0, events: taps(pieces) }))
  return runId
}
/** Whole pieces at a tap. */
const byPiece = (pieces: number) => ({ ...howFolded(pieces, 'right'), grain: 'piece' })
const taps = (pieces: number) =>
  Array.from({ length: pieces }, (_, index) => ({
    id: `tap-${index + 1}-aaaa`,
    lane: 1,
    atMs: Date.UTC(2026, 10, 25, 9, 30) + index,
    kind: 'done',
    piece: index + 1,
    step: 7,
    repeat: 1,
    attempt: 0,
    lapMs: 60_000,
  }))
const order = (world: World) => async () => {
  const { lines } = await view(world)
  const papersOf = lines[1]!.papers.map(({ paper }) => paper.id)
  return { lineId: lines[1]!.id, seed: 1, papers: papersOf, at: [0, 0, 1, 1], locked: [] }
}

const RACES: Readonly<Record<string, Race>> = {
  archiveProject: {
    ready:
      ({ context, projectId }) =>
      () =>
        archiveProject.archiveProject(context, projectId, true),
    counted: async ({ context }) =>
      (await context.db.selectFrom('project').select('id').where('archived_at_ms', 'is not', null).execute())
        .length,
    by: 1,
    second: null,
  },
  tickCut: {
    ready: async (world) => {
      await skipAll(world)
      const { cutPlan } = await view(world)
      const [layout] = cutPlan!.layouts
      const tick = { planId: cutPlan!.id, layoutId: layout!.id, sheets: String(layout!.sheets) }
      return () => cuts.tickCut(world.context, world.projectId, tick)
    },
    counted: (world) => rows(world, 'cut'),
    by: 1,
    second: 'ALREADY_CUT',
  },
  undoCut: {
    ready: async (world) => {
      await cutAll(world)
      const { id } = (await view(world)).cuts[0]!
      return () => cuts.undoCut(world.context, world.projectId, id)
    },
    counted: async ({ context }) =>
      (await context.db.selectFrom('cut').select('id').where('undone_at_ms', 'is not', null).execute())
        .length,
    by: 1,
    second: 'NOT_FOUND',
  },
  handOver: {
    ready: async (world) => {
      await folded(world, 4)
      const pieces = [{ lineId: world.lineId, pieces: '4' }]
      return () => deliveries.handOver(world.context, world.projectId, { note: '', pieces })
    },
    counted: (world) => rows(world, 'delivery'),
    by: 1,
    second: 'FIELDS',
  },
  undoHandOver: {
    ready: async (world) => {
      await folded(world, 4)
      const pieces = [{ lineId: world.lineId, pieces: '4' }]
      await ok(deliveries.handOver(world.context, world.projectId, { note: '', pieces }))
      const { id } = await world.context.db.selectFrom('delivery').select('id').executeTakeFirstOrThrow()
      return () => deliveries.undoHandOver(world.context, world.projectId, id)
    },
    counted: async (world) => (await view(world)).deliveries.length,
    by: -1,
    second: 'NOT_FOUND',
  },
  recordJoin: {
    // Leaves go on rosettes: one is folded, so one can be joined, whoever presses.
    ready: async (world) => {
      await folded(world, 1)
      let press = 0
      const { lineId } = world
      return () =>
        joins.recordJoin(world.context, world.projectId, { id: `press-${press++}-aaaa`, lineId, delta: 1 })
    },
    counted: async ({ context }) => (await context.db.selectFrom('join_move').select('id').execute()).length,
    by: 0,
    second: 'both',
  },
  keepRest: {
    ready: async (world) => {
      await cutAll(world)
      const of = await rowOf(world)
      const { runId } = await ok(
        runs.startProjectRun(world.context, world.projectId, { ...of, ...byPiece(4) }),
      )
      const [tap] = taps(1)
      const spoiled = {
        id: 'tap-spoiled-1',
        lane: 1,
        atMs: tap!.atMs,
        kind: 'spoil',
        piece: 1,
        attempt: 0,
      }
      await ok(runs.recordEvents(world.context, runId, { epoch: '', since: 0, events: [spoiled] }))
      return () => keepRest.keepRest(world.context, runId, { piece: 1 })
    },
    counted: inDrawer,
    by: 1,
    second: 'REST_KEPT',
  },
  takeSheets: {
    ready: async ({ context, paperId }) => {
      const { id, amount } = await context.db
        .selectFrom('stock_level')
        .innerJoin('stock_item', 'stock_item.id', 'stock_level.stock_item_id')
        .select(['stock_item.id', 'amount'])
        .where('paper_id', '=', paperId)
        .executeTakeFirstOrThrow()
      const take = { stockItemId: id, amount: String(amount), kind: 'spoiled', note: '' }
      return () => ledger.takeSheets(context, take)
    },
    counted: inDrawer,
    by: -20,
    second: 'FIELDS',
  },
  undoMove: {
    ready: async ({ context }) => {
      const { paperId } = await ok(papers.savePaper(context, null, typedPaper('Sea Holly')))
      await ok(papers.addSheets(context, typedSheets(paperId, '7')))
      const { id } = await context.db
        .selectFrom('stock_move')
        .innerJoin('stock_item', 'stock_item.id', 'stock_move.stock_item_id')
        .select('stock_move.id')
        .where('paper_id', '=', paperId)
        .executeTakeFirstOrThrow()
      return () => ledger.undoMove(context, id)
    },
    counted: inDrawer,
    by: -7,
    second: 'MOVE_UNDONE',
  },
  keepForStems: {
    ready: async ({ context }) => {
      const { id } = await context.db.selectFrom('stock_item').select('id').executeTakeFirstOrThrow()
      return () => ledger.keepForStems(context, id, true)
    },
    counted: async ({ context }) =>
      (await context.db.selectFrom('stock_item').select('id').where('kept_for', '=', 'stems').execute())
        .length,
    by: 1,
    second: null,
  },
  chooseOrder: {
    ready: async (world) => {
      const input = await order(world)()
      return () => orders.chooseOrder(world.context, world.projectId, input)
    },
    counted: steps,
    by: 1,
    second: null,
  },
  undoOrder: {
    ready: async (world) => {
      const input = await order(world)()
      await ok(orders.chooseOrder(world.context, world.projectId, input))
      await ok(orders.chooseOrder(world.context, world.projectId, { ...input, at: [0, 1, 0, 1] }))
      return () => orders.undoOrder(world.context, world.projectId, { lineId: input.lineId, step: 2 })
    },
    counted: steps,
    by: -1,
    second: 'CHANGED_SINCE',
  },
  choosePlannedOrders: {
    ready:
      ({ context, projectId }) =>
      () =>
        orders.choosePlannedOrders(context, projectId),
    counted: steps,
    by: 1,
    second: null,
  },
  savePack: {
    ready:
      ({ context, paperId }) =>
      () =>
        packs.savePack(context, pack(paperId)),
    counted: async ({ context, paperId }) => (await readPacks(context, paperId)).length,
    by: 1,
    second: null,
  },
  askShop: {
    ready: async ({ context, paperId }) => {
      await ok(packs.askShop(context, paperId))
      return () => packs.askShop(context, paperId)
    },
    counted: async ({ context, paperId }) => (await readPacks(context, paperId)).length,
    by: 0,
    second: null,
  },
  forgetPack: {
    ready: async ({ context, paperId }) => {
      await ok(packs.savePack(context, pack(paperId)))
      const [one] = await readPacks(context, paperId)
      return () => packs.forgetPack(context, one!.id)
    },
    counted: async ({ context, paperId }) => (await readPacks(context, paperId)).length,
    by: -1,
    second: 'NOT_FOUND',
  },
  takeInPacks: {
    ready: async ({ context }) => {
      const { paperId } = await ok(papers.savePaper(context, null, typedPaper('Sea Holly')))
      await ok(packs.savePack(context, pack(paperId)))
      await ok(
        saveBrief.saveBrief(context, null, typedBrief([typedRosette(paperId, '4')], { name: 'Short' })),
      )
      const [short] = (await readShopping(context, '2026-11-25')).papers
      const [one] = await readPacks(context, paperId)
      const come = { packs: [{ packId: one!.id, count: 1 }], there: short!.sheetsThere }
      return () => packs.takeInPacks(context, come)
    },
    counted: inDrawer,
    by: 10,
    second: 'DRAWER_CHANGED',
  },
  savePaper: {
    ready:
      ({ context }) =>
      () =>
        papers.savePaper(context, null, typedPaper('Sea Holly')),
    counted: (world) => rows(world, 'paper'),
    by: 1,
    second: 'FIELDS',
  },
  addPaper: {
    ready:
      ({ context }) =>
      () =>
        papers.addPaper(context, {
          ...typedPaper('Sea Holly'),
          width: '21',
          height: '29.7',
          amount: '5',
        }),
    counted: (world) => rows(world, 'paper'),
    by: 1,
    second: 'FIELDS',
  },
  // Whoever puts sheets in has them in hand: what two put in is two times so many.
  addSheets: {
    ready:
      ({ context, paperId }) =>
      () =>
        papers.addSheets(context, typedSheets(paperId, '5')),
    counted: inDrawer,
    by: 10,
    second: null,
  },
  countSheets: {
    ready: async ({ context, paperId }) => {
      const { id } = await context.db
        .selectFrom('stock_item')
        .select('id')
        .where('paper_id', '=', paperId)
        .executeTakeFirstOrThrow()
      return () => papers.countSheets(context, { stockItemId: id, amount: '23' })
    },
    counted: inDrawer,
    by: 3,
    second: null,
  },
  putPaperAway: {
    ready: async ({ context }) => {
      const { paperId } = await ok(papers.savePaper(context, null, typedPaper('Sea Holly')))
      return () => papers.putPaperAway(context, paperId, true)
    },
    counted: async ({ context }) =>
      (await context.db.selectFrom('paper').select('id').where('archived_at_ms', 'is not', null).execute())
        .length,
    by: 1,
    second: null,
  },
  passOver: {
    ready: async ({ context }) => {
      const { projectId } = await ok(
        saveBrief.saveBrief(
          context,
          null,
          typedBrief(
            [
              typedRosette(
                (await context.db.selectFrom('paper').select('id').executeTakeFirstOrThrow()).id,
                '2',
              ),
            ],
            {
              name: 'Every year',
              dueOn: '2026-03-01',
              yearly: true,
            },
          ),
        ),
      )
      return () => passOver.passOver(context, projectId, '2027-03-01')
    },
    counted: async ({ context }) =>
      (await context.db.selectFrom('project').select('id').where('passed_over', 'is not', null).execute())
        .length,
    by: 1,
    second: null,
  },
  // Pieces of the same name and size may be wanted twice; the page lists both.
  addPlainLine: {
    ready:
      ({ context, projectId, paperId }) =>
      () =>
        plainLines.addPlainLine(context, projectId, plain(paperId)),
    counted: async ({ context }) => (await context.db.selectFrom('plain_line').select('id').execute()).length,
    by: 2,
    second: null,
  },
  dropPlainLine: {
    ready: async ({ context, projectId, paperId }) => {
      await ok(plainLines.addPlainLine(context, projectId, plain(paperId)))
      const { id } = await context.db.selectFrom('plain_line').select('id').executeTakeFirstOrThrow()
      return () => plainLines.dropPlainLine(context, projectId, id)
    },
    counted: async ({ context }) => (await context.db.selectFrom('plain_line').select('id').execute()).length,
    by: -1,
    second: 'NOT_FOUND',
  },
  planAgain: {
    ready:
      ({ context, projectId }) =>
      () =>
        planCuts.planAgain(context, projectId),
    counted: inDrawer,
    by: 0,
    second: null,
  },
  holdPaperFirst: {
    ready:
      ({ context, projectId }) =>
      () =>
        planCuts.holdPaperFirst(context, projectId, true),
    counted: async ({ context }) =>
      (await context.db.selectFrom('project').select('id').where('hold_first', '=', 1).execute()).length,
    by: 1,
    second: null,
  },
  takeFoundPlan: {
    ready: async (world) => {
      const { cutPlan } = await view(world)
      const { layouts } = cutPlan!.plan
      return () =>
        planCuts.takeFoundPlan(world.context, world.projectId, { planId: cutPlan!.id, layouts, proofs: [] })
    },
    counted: async ({ context }) => (await context.db.selectFrom('cut_plan').select('id').execute()).length,
    by: 0,
    second: null,
  },
  cutTogether: {
    ready:
      ({ context, projectId, otherId }) =>
      () =>
        planCuts.cutTogether(context, projectId, { projects: [otherId] }),
    counted: async (world) => (await view(world)).together.length,
    by: 1,
    second: null,
  },
  cutApart: {
    ready: async ({ context, projectId, otherId }) => {
      await ok(planCuts.cutTogether(context, projectId, { projects: [otherId] }))
      return () => planCuts.cutApart(context, projectId)
    },
    counted: async (world) => (await view(world)).together.length,
    by: -1,
    second: null,
  },
  cutProof: {
    ready:
      ({ context, projectId, lineId, paperId }) =>
      () =>
        proofs.cutProof(context, projectId, { lineId, paperId }),
    counted: (world) => rows(world, 'cut'),
    by: 1,
    second: 'PROOF_DONE',
  },
  acceptProof: {
    ready: async ({ context, projectId, lineId, paperId }) => {
      await ok(proofs.cutProof(context, projectId, { lineId, paperId }))
      return () => proofs.acceptProof(context, projectId, { lineId, axis: '', measured: '' })
    },
    counted: nothing,
    by: 0,
    second: 'PROOF_DONE',
  },
  skipProof: {
    ready:
      ({ context, projectId, lineId }) =>
      () =>
        proofs.skipProof(context, projectId, lineId),
    counted: nothing,
    by: 0,
    second: 'PROOF_DONE',
  },
  askProofAgain: {
    ready: async ({ context, projectId, lineId }) => {
      await ok(proofs.skipProof(context, projectId, lineId))
      return () => proofs.askProofAgain(context, projectId, lineId)
    },
    counted: nothing,
    by: 0,
    second: 'PROOF_DONE',
  },
  startProjectRun: {
    ready: async (world) => {
      await cutAll(world)
      const of = await rowOf(world)
      return () => runs.startProjectRun(world.context, world.projectId, { ...of, ...byPiece(4) })
    },
    counted: (world) => rows(world, 'run'),
    by: 1,
    second: 'RUN_OPEN',
  },
  // Two people who just fold are two.
  startLooseRun: {
    ready:
      ({ context }) =>
      () =>
        runs.startLooseRun(context, {
          designId: 'narrow-leaf',
          variantKey: 'halved',
          paperId: '',
          size: '15',
          ...byPiece(2),
        }),
    counted: (world) => rows(world, 'run'),
    by: 2,
    second: null,
  },
  recordEvents: {
    ready: async (world) => {
      await cutAll(world)
      const of = await rowOf(world)
      const { runId } = await ok(
        runs.startProjectRun(world.context, world.projectId, { ...of, ...byPiece(4) }),
      )
      return () => runs.recordEvents(world.context, runId, { epoch: '', since: 0, events: taps(2) })
    },
    counted: async (world) => (await view(world)).lines[0]!.papers[0]!.usableUnits,
    by: 2,
    second: null,
  },
  archiveRun: {
    ready: async (world) => {
      const runId = await folded(world, 1)
      return () => runs.archiveRun(world.context, runId, true)
    },
    counted: async ({ context }) =>
      (await context.db.selectFrom('run').select('id').where('archived_at_ms', 'is not', null).execute())
        .length,
    by: 1,
    second: null,
  },
  saveBrief: {
    ready: async ({ context, projectId }) => {
      const seen = await markOf(context, projectId)
      const { lines } = await projectView(context, projectId)
      const paperIds = lines[1]!.papers.map(({ paper }) => paper.id)
      const [one = ''] = paperIds
      let window = 3
      // Each window takes another number of pieces.
      return () =>
        saveBrief.saveBrief(
          context,
          projectId,
          typedBrief(
            [typedRosette(one, String(++window), { id: lines[0]!.id }), leaves(paperIds, lines[1]!.id)],
            {
              seen,
              note: String(window),
            },
          ),
        )
    },
    counted: nothing,
    by: 0,
    second: 'CHANGED_SINCE',
  },
  shelveLeftOver: {
    ready: async (world) => {
      await cutAll(world)
      const of = await rowOf(world)
      const { runId } = await ok(
        runs.startProjectRun(world.context, world.projectId, { ...of, ...byPiece(5) }),
      )
      await ok(runs.recordEvents(world.context, runId, { epoch: '', since: 0, events: taps(5) }))
      return () => shelf.shelveLeftOver(world.context, world.projectId, of)
    },
    counted: onShelf,
    by: 1,
    second: 'NOTHING_LEFT_OVER',
  },
  takeOffShelf: {
    ready: async (world) => {
      const of = await stocked(world)
      return () => shelf.takeOffShelf(world.context, world.otherId, of)
    },
    counted: onShelf,
    by: -1,
    second: 'NOT_ON_THE_SHELF',
  },
  putBackOnShelf: {
    ready: async (world) => {
      const of = await stocked(world)
      await ok(shelf.takeOffShelf(world.context, world.otherId, of))
      return () => shelf.putBackOnShelf(world.context, world.otherId, of)
    },
    counted: onShelf,
    by: 1,
    second: 'NOT_ON_THE_SHELF',
  },
  addSupply: {
    ready:
      ({ context }) =>
      () =>
        supplies.addSupply(context, sticks),
    counted: async ({ context }) => (await readSupplies(context)).length,
    by: 1,
    second: 'FIELDS',
  },
  moveSupply: {
    ready: async ({ context }) => {
      const { supplyId } = await ok(supplies.addSupply(context, sticks))
      return () => supplies.moveSupply(context, { supplyId, kind: 'given away', amount: '12', note: '' })
    },
    counted: async ({ context }) =>
      (await readSupplies(context)).reduce((sum, { amount }) => sum + amount, 0),
    by: -12,
    second: 'FIELDS',
  },
  undoSupplyMove: {
    ready: async ({ context }) => {
      await ok(supplies.addSupply(context, sticks))
      const { id } = await context.db.selectFrom('supply_move').select('id').executeTakeFirstOrThrow()
      return () => supplies.undoSupplyMove(context, id)
    },
    counted: async ({ context }) =>
      (await readSupplies(context)).reduce((sum, { amount }) => sum + amount, 0),
    by: -18,
    second: 'MOVE_UNDONE',
  },
  putSupplyAway: {
    ready: async ({ context }) => {
      const { supplyId } = await ok(supplies.addSupply(context, sticks))
      return () => supplies.putSupplyAway(context, supplyId)
    },
    counted: async ({ context }) => (await readSupplies(context)).length,
    by: -1,
    second: null,
  },
  swapPapers: {
    ready: async (world) => {
      const { paperId } = await ok(papers.savePaper(world.context, null, typedPaper('Sea Holly')))
      const { lines } = await view(world)
      const swap = { lineId: lines[1]!.id, instead: { [lines[1]!.papers[0]!.paper.id]: paperId } }
      return () => swapPapers.swapPapers(world.context, world.projectId, swap)
    },
    counted: nothing,
    by: 0,
    second: 'CHANGED_SINCE',
  },
  takeNewerDesign: {
    // The only version there is: none is newer, for either.
    ready:
      ({ context, projectId, lineId }) =>
      () =>
        takeNewerDesign.takeNewerDesign(context, projectId, lineId),
    counted: nothing,
    by: 0,
    second: 'both',
  },
  takeTableIn: {
    ready: async ({ context }) => {
      const text = 'paper,width,height,sheets\nSea Holly,21 cm,29.7 cm,5\n'
      const means = TABLE_MEANS[0]
      const { stamp } = (await previewDrawer(context, text, means)) as { stamp: string }
      return () => takeTableIn.takeTableIn(context, { text, means, stamp })
    },
    counted: inDrawer,
    by: 5,
    second: 'DRAWER_CHANGED',
  },
}

const pack = (paperId: string) => ({
  paperId,
  form: 'sheets',
  width: '21',
  height: '29.7',
  sheets: '10',
  price: '2.10',
  leadDays: '3',
})
const plain = (paperId: string) => ({ name: 'Tags', paperId, width: '4', height: '6', pieces: '3' })
const sticks = { name: 'Sticks', told: 'counted', each: '', amount: '18', note: '' }
const leaves = (paperIds: readonly string[], id = 'new-2') =>
  typedLine({
    id,
    size: '8.5',
    pieces: '4',
    papers: paperIds.map((paperId) => ({ paperId, pieces: '2' })),
  })

async function onShelf({ context }: World): Promise<number> {
  const moves = await context.db.selectFrom('shelf_move').select('delta').execute()
  return moves.reduce((sum, { delta }) => sum + delta, 0)
}

/** One rosette too many lies on the shelf. *Returns* where the other project could use it. */
async function stocked(world: World) {
  await (
    await RACES['shelveLeftOver']!.ready(world)
  )()
  const other = (await projectView(world.context, world.otherId)).lines[0]!
  return { lineId: other.id, partKey: other.papers[0]!.part.key, paperId: other.papers[0]!.paper.id }
}

let database: TemporaryDatabase
beforeEach(async () => {
  database = await temporaryDatabase()
})
afterEach(() => database.remove())

async function world(): Promise<World> {
  const { context } = database
  const paper = async (name: string) => {
    const { paperId } = await ok(papers.savePaper(context, null, typedPaper(name)))
    await ok(papers.addSheets(context, typedSheets(paperId, '20')))
    return paperId
  }
  const [one, other] = [await paper('Buoy Orange'), await paper('Reed Green')]
  const lines = [typedRosette(one, '4'), leaves([one, other])]
  const { projectId } = await ok(saveBrief.saveBrief(context, null, typedBrief(lines)))
  const { projectId: otherId } = await ok(
    saveBrief.saveBrief(context, null, typedBrief([typedRosette(one, '3')], { name: 'Table' })),
  )
  const [line] = (await projectView(context, projectId)).lines
  return { context, projectId, otherId, paperId: one, lineId: line!.id }
}

test('every deed there is has its race', () => {
  const files = readdirSync(join(__dirname, 'deeds')).map((name) => name.replace(/\.ts$/, ''))
  expect(files).toHaveLength(20)
  const deeds = Object.keys(ROOMS).filter((name) => !NO_DEEDS.includes(name))
  expect(Object.keys(RACES).sort()).toEqual(deeds.sort())
})

test.each(Object.keys(RACES))('%s, pressed in two windows at once', async (name) => {
  const race = RACES[name]!
  const at = await world()
  const press = await race.ready(at)
  const before = await race.counted(at)
  const answers = await Promise.all([press(), press()])
  expect((await race.counted(at)) - before).toBe(race.by)
  const refused = answers.flatMap((answer) => (answer.ok ? [] : [answer.code]))
  if (race.second === null) expect(refused).toEqual([])
  else if (race.second === 'both') expect(refused).toHaveLength(2)
  else expect(refused).toEqual([race.second])
})
