import { lengthInput, type Preferences } from '../format'

/** Where it is said what a rectangle of a paper is good for. */
export const fitsHref = (
  paperId: string,
  { widthMm, heightMm }: { readonly widthMm: number; readonly heightMm: number },
  preferences: Preferences,
): string =>
  `/papers/fits?${new URLSearchParams({
    paper: paperId,
    width: lengthInput(widthMm, preferences),
    height: lengthInput(heightMm, preferences),
  }).toString()}`
