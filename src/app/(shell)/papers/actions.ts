'use server'

import { actOn, actOnce } from '@/app/_server/act'
import { takeSheets, undoMove } from '@/flows/deeds/ledger'
import { addPaper, addSheets, countSheets, putPaperAway, savePaper } from '@/flows/deeds/papers'

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
