'use server'

import { act, actOn } from '@/app/_server/act'
import { addSheets, countSheets, putPaperAway, savePaper } from '@/flows/deeds/papers'

export const addPaperAction = async (input: unknown) => act((context) => savePaper(context, null, input))

export const savePaperAction = async (paperId: unknown, input: unknown) =>
  actOn(paperId, (context, id) => savePaper(context, id, input))

export const addSheetsAction = async (input: unknown) => act((context) => addSheets(context, input))

export const countSheetsAction = async (input: unknown) => act((context) => countSheets(context, input))

export const putPaperAwayAction = async (paperId: unknown, away: unknown) =>
  actOn(paperId, (context, id) => putPaperAway(context, id, away === true))
