'use server'

import { actOn } from '@/app/_server/act'
import { archiveRun } from '@/flows/deeds/runs'

export const archiveRunAction = async (runId: unknown, away: unknown) =>
  actOn(runId, (context, id) => archiveRun(context, id, away === true))
