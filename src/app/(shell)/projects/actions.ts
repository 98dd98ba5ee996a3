'use server'

import { actOn, actOnBoth, actOnce, actOnceOn, ask } from '@/app/_server/act'
import { archiveProject } from '@/flows/deeds/archive-project'
import { tickCut, undoCut } from '@/flows/deeds/cuts'
import { handOver, undoHandOver } from '@/flows/deeds/deliveries'
import { recordJoin } from '@/flows/deeds/joins'
import { chooseOrder, choosePlannedOrders, undoOrder } from '@/flows/deeds/orders'
import { cutApart, cutTogether, holdPaperFirst, planAgain, takeFoundPlan } from '@/flows/deeds/plan-cuts'
import { addPlainLine, dropPlainLine } from '@/flows/deeds/plain-lines'
import { acceptProof, askProofAgain, cutProof, skipProof } from '@/flows/deeds/proofs'
import { startProjectRun } from '@/flows/deeds/runs'
import { readBriefDesign } from '@/flows/read/brief-designs'
import { passOver } from '@/flows/deeds/pass-over'
import { saveBrief } from '@/flows/deeds/save-brief'
import { swapPapers } from '@/flows/deeds/swap-papers'
import { takeNewerDesign } from '@/flows/deeds/take-newer-design'
import { saveCutting } from '@/flows/settings'
import { putBackOnShelf, shelveLeftOver, takeOffShelf } from '@/flows/deeds/shelf'

/** A design for a line of a brief, loaded when it is chosen. */
export const loadDesignAction = async (id: unknown) =>
  ask(id, (context, designId) => readBriefDesign(context, designId))

// `press` is the id that the client made for this press: doubled, retried or late, it counts once.

export const createProjectAction = async (input: unknown, press: unknown) =>
  actOnce(press, 'plan a project', input, (context) => saveBrief(context, null, input))

export const saveBriefAction = async (projectId: unknown, input: unknown, press: unknown) =>
  actOnceOn(projectId, press, 'save the brief of', input, (context, id) => saveBrief(context, id, input))

export const archiveProjectAction = async (projectId: unknown, away: unknown) =>
  actOn(projectId, (context, id) => archiveProject(context, id, away === true))

export const passOverAction = async (projectId: unknown, day: unknown) =>
  actOn(projectId, (context, id) => passOver(context, id, day))

export const cutProofAction = async (projectId: unknown, input: unknown, press: unknown) =>
  actOnceOn(projectId, press, 'cut a proof for', input, (context, id) => cutProof(context, id, input))

export const acceptProofAction = async (projectId: unknown, input: unknown) =>
  actOn(projectId, (context, id) => acceptProof(context, id, input))

export const skipProofAction = async (projectId: unknown, lineId: unknown) =>
  actOnBoth(projectId, lineId, skipProof)

export const askProofAgainAction = async (projectId: unknown, lineId: unknown) =>
  actOnBoth(projectId, lineId, askProofAgain)

export const tickCutAction = async (projectId: unknown, input: unknown, press: unknown) =>
  actOnceOn(projectId, press, 'tick a cut of', input, (context, id) => tickCut(context, id, input))

export const undoCutAction = async (projectId: unknown, cutId: unknown) =>
  actOnBoth(projectId, cutId, undoCut)

export const startRunAction = async (projectId: unknown, input: unknown, press: unknown) =>
  actOnceOn(projectId, press, 'start a run of', input, (context, id) => startProjectRun(context, id, input))

export const recordJoinAction = async (projectId: unknown, input: unknown, press: unknown) =>
  actOnceOn(projectId, press, 'join one of', input, (context, id) => recordJoin(context, id, input))

export const chooseOrderAction = async (projectId: unknown, input: unknown) =>
  actOn(projectId, (context, id) => chooseOrder(context, id, input))

export const undoOrderAction = async (projectId: unknown, input: unknown) =>
  actOn(projectId, (context, id) => undoOrder(context, id, input))

export const swapPapersAction = async (projectId: unknown, input: unknown, press: unknown) =>
  actOnceOn(projectId, press, 'swap papers of', input, (context, id) => swapPapers(context, id, input))

export const choosePlannedOrdersAction = async (projectId: unknown) => actOn(projectId, choosePlannedOrders)

export const handOverAction = async (projectId: unknown, input: unknown, press: unknown) =>
  actOnceOn(projectId, press, 'hand over', input, (context, id) => handOver(context, id, input))

export const undoHandOverAction = async (projectId: unknown, deliveryId: unknown) =>
  actOnBoth(projectId, deliveryId, undoHandOver)

export const takeNewerDesignAction = async (projectId: unknown, lineId: unknown) =>
  actOnBoth(projectId, lineId, takeNewerDesign)

export const planAgainAction = async (projectId: unknown) => actOn(projectId, planAgain)

export const takeFoundPlanAction = async (projectId: unknown, found: unknown) =>
  actOn(projectId, (context, id) => takeFoundPlan(context, id, found))

export const cutTogetherAction = async (projectId: unknown, input: unknown) =>
  actOn(projectId, (context, id) => cutTogether(context, id, input))

export const cutApartAction = async (projectId: unknown) => actOn(projectId, cutApart)

export const addPlainLineAction = async (projectId: unknown, input: unknown, press: unknown) =>
  actOnceOn(projectId, press, 'cut plain pieces for', input, (context, id) =>
    addPlainLine(context, id, input),
  )

export const dropPlainLineAction = async (projectId: unknown, lineId: unknown) =>
  actOnBoth(projectId, lineId, dropPlainLine)

/** What sheets are cut with; the project's cuts are planned for it at once. */
export const saveCuttingAction = async (projectId: unknown, input: unknown) =>
  actOn(projectId, async (context, id) => {
    const saved = await saveCutting(context, input)
    return saved.ok ? planAgain(context, id) : saved
  })

export const holdPaperFirstAction = async (projectId: unknown, first: unknown) =>
  actOn(projectId, (context, id) => holdPaperFirst(context, id, first === true))

export const shelveLeftOverAction = async (projectId: unknown, input: unknown, press: unknown) =>
  actOnceOn(projectId, press, 'shelve what is left of', input, (context, id) =>
    shelveLeftOver(context, id, input),
  )

export const takeOffShelfAction = async (projectId: unknown, input: unknown, press: unknown) =>
  actOnceOn(projectId, press, 'take off the shelf for', input, (context, id) =>
    takeOffShelf(context, id, input),
  )

export const putBackOnShelfAction = async (projectId: unknown, input: unknown, press: unknown) =>
  actOnceOn(projectId, press, 'put back on the shelf from', input, (context, id) =>
    putBackOnShelf(context, id, input),
  )
