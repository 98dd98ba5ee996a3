'use server'

import { act, actOn } from '@/app/_server/act'
import { archiveProject } from '@/flows/deeds/archive-project'
import { tickCut, undoCut } from '@/flows/deeds/cuts'
import { handOver, recordJoin, undoHandOver } from '@/flows/deeds/joins'
import { acceptProof, askProofAgain, cutProof, skipProof } from '@/flows/deeds/proofs'
import { startProjectRun } from '@/flows/deeds/runs'
import { saveBrief } from '@/flows/deeds/save-brief'

export const createProjectAction = async (input: unknown) => act((context) => saveBrief(context, null, input))

export const saveBriefAction = async (projectId: unknown, input: unknown) =>
  actOn(projectId, (context, id) => saveBrief(context, id, input))

export const archiveProjectAction = async (projectId: unknown, away: unknown) =>
  actOn(projectId, (context, id) => archiveProject(context, id, away === true))

export const cutProofAction = async (projectId: unknown, input: unknown) =>
  actOn(projectId, (context, id) => cutProof(context, id, input))

export const acceptProofAction = async (projectId: unknown, input: unknown) =>
  actOn(projectId, (context, id) => acceptProof(context, id, input))

export const skipProofAction = async (projectId: unknown, lineId: unknown) =>
  actOn(projectId, (context, id) => skipProof(context, id, String(lineId)))

export const askProofAgainAction = async (projectId: unknown, lineId: unknown) =>
  actOn(projectId, (context, id) => askProofAgain(context, id, String(lineId)))

export const tickCutAction = async (projectId: unknown, input: unknown) =>
  actOn(projectId, (context, id) => tickCut(context, id, input))

export const undoCutAction = async (projectId: unknown, cutId: unknown) =>
  actOn(projectId, (context, id) => undoCut(context, id, String(cutId)))

export const startRunAction = async (projectId: unknown, input: unknown) =>
  actOn(projectId, (context, id) => startProjectRun(context, id, input))

export const recordJoinAction = async (projectId: unknown, input: unknown) =>
  actOn(projectId, (context, id) => recordJoin(context, id, input))

export const handOverAction = async (projectId: unknown, input: unknown) =>
  actOn(projectId, (context, id) => handOver(context, id, input))

export const undoHandOverAction = async (projectId: unknown) => actOn(projectId, undoHandOver)
