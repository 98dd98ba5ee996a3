'use server'

import { act } from '@/app/_server/act'
import { startLooseRun } from '@/flows/deeds/runs'

export const startLooseRunAction = async (input: unknown) => act((context) => startLooseRun(context, input))
