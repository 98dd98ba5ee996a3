import type { PlainTyped } from '../cut/AddPlain'
import { lengthInput, type Preferences } from '../format'

/** Where it is said what a rectangle of a paper is good for: to a project, where one is named. */
export const fitsHref = (
  paperId: string,
  { widthMm, heightMm }: { readonly widthMm: number; readonly heightMm: number },
  preferences: Preferences,
  projectId?: string,
): string =>
  `/papers/fits?${new URLSearchParams({
    paper: paperId,
    width: lengthInput(widthMm, preferences),
    height: lengthInput(heightMm, preferences),
    ...(projectId === undefined ? {} : { for: projectId }),
  }).toString()}`

/** A project's Cut station with pieces filled in that are only cut. */
export const cutHref = (
  projectId: string,
  {
    name,
    widthMm,
    heightMm,
    pieces,
  }: {
    readonly name: string
    readonly widthMm: number
    readonly heightMm: number
    readonly pieces: number
  },
  preferences: Preferences,
  paperId?: string,
): string => {
  const typed: Partial<PlainTyped> = {
    name,
    width: lengthInput(widthMm, preferences),
    height: lengthInput(heightMm, preferences),
    pieces: String(pieces),
    ...(paperId === undefined ? {} : { paperId }),
  }
  return `/projects/${projectId}/cut?${new URLSearchParams(typed).toString()}#plain`
}
