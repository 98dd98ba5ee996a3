'use server'

import { act, actOn, actOnce } from '@/app/_server/act'
import { keepForStems, takeSheets, undoMove } from '@/flows/deeds/ledger'
import { askShop, forgetPack, savePack, takeInPacks } from '@/flows/deeds/packs'
import { addPaper, addSheets, countSheets, putPaperAway, savePaper } from '@/flows/deeds/papers'
import { addSupply, moveSupply, putSupplyAway, undoSupplyMove } from '@/flows/deeds/supplies'

export const addPaperAction = async (input: unknown, press: unknown) =>
  actOnce(press, 'add a paper', input, (context) => addPaper(context, input))

export const savePaperAction = async (paperId: unknown, input: unknown) =>
  actOn(paperId, (context, id) => savePaper(context, id, input))

export const addSheetsAction = async (input: unknown, press: unknown) =>
  actOnce(press, 'add sheets', input, (context) => addSheets(context, input))

export const countSheetsAction = async (input: unknown, press: unknown) =>
  actOnce(press, 'count sheets', input, (context) => countSheets(context, input))

export const takeSheetsAction = async (input: unknown, press: unknown) =>
  actOnce(press, 'take sheets', input, (context) => takeSheets(context, input))

export const undoMoveAction = async (moveId: unknown) => actOn(moveId, undoMove)

export const putPaperAwayAction = async (paperId: unknown, away: unknown) =>
  actOn(paperId, (context, id) => putPaperAway(context, id, away === true))

export const savePackAction = async (input: unknown) => act((context) => savePack(context, input))

export const askShopAction = async (paperId: unknown) => actOn(paperId, askShop)

export const forgetPackAction = async (packId: unknown) => actOn(packId, forgetPack)

export const takeInPacksAction = async (input: unknown, press: unknown) =>
  actOnce(press, 'take in packs', input, (context) => takeInPacks(context, input))

export const addSupplyAction = async (input: unknown, press: unknown) =>
  actOnce(press, 'add a supply', input, (context) => addSupply(context, input))

export const moveSupplyAction = async (input: unknown, press: unknown) =>
  actOnce(press, 'move a supply', input, (context) => moveSupply(context, input))

export const undoSupplyMoveAction = async (moveId: unknown) => actOn(moveId, undoSupplyMove)

export const putSupplyAwayAction = async (supplyId: unknown) => actOn(supplyId, putSupplyAway)

export const keepForStemsAction = async (stockItemId: unknown, keep: unknown) =>
  actOn(stockItemId, (context, id) => keepForStems(context, id, keep === true))
