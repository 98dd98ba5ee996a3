'use server'

import { actOn } from '@/app/_server/act'
import { keepRest } from '@/flows/deeds/keep-rest'
import { archiveRun } from '@/flows/deeds/runs'

export const archiveRunAction = async (runId: unknown, away: unknown) =>
  actOn(runId, (context, id) => archiveRun(context, id, away === true))

export const keepRestAction = async (runId: unknown, input: unknown) =>
  actOn(runId, (context, id) => keepRest(context, id, input))
