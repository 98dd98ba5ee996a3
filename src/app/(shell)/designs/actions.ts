'use server'

import { actOnce } from '@/app/_server/act'
import { startLooseRun } from '@/flows/deeds/runs'

export const startLooseRunAction = async (input: unknown, press: unknown) =>
  actOnce(press, 'just fold', input, (context) => startLooseRun(context, input))
