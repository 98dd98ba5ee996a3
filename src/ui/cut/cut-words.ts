import type { CutOff, CutOrder, CutStep } from '@/core/cut'
import type { SizeUm } from '@/core/sheet'
import { mmFromUm, roundToRuler } from '@/core/units'
import { countOf, formatExact, formatLength, plural, type Preferences } from '../format'

/** A hair that no ruler tells: a length this near a mark is on it. */
const ON_THE_MARK_MM = 0.02

/** A distance as it is, and where it is on no mark of the reader's ruler the mark below: what is cut there fits. */
function told(um: number, preferences: Preferences): string {
  const exact = formatExact(mmFromUm(um), preferences)
  // Inches are told in fractions of the ruler already, with what is over.
  if (preferences.unit === 'in') return exact
  const mark = markBelow(um, preferences)
  return Math.abs(mmFromUm(um) - mark) <= ON_THE_MARK_MM
    ? exact
    : `${exact} (by ruler ${formatLength(mark, preferences)})`
}

const markBelow = (um: number, { ruler }: Preferences): number =>
  roundToRuler(mmFromUm(um) + ON_THE_MARK_MM, ruler, 'down')

/** A distance as it is marked with the reader's ruler. */
const marked = (um: number, preferences: Preferences): string =>
  preferences.unit === 'in' ? told(um, preferences) : formatLength(markBelow(um, preferences), preferences)

/** Where the cuts of a step run from the edge at the stop, one after another. */
export function marksOf({ offs }: CutStep): readonly number[] {
  const marks: number[] = []
  let at = 0
  for (const { setUm, parts, cuts } of offs)
    for (let part = 0; part < parts; part++) {
      at += setUm
      if (part < cuts) marks.push(at)
    }
  return marks
}

/** Marks along two edges of the sheet: where its strips end, and where those of the first kind of strip are parted. */
export function rulerMarks(
  { steps, marginUm }: CutOrder,
  preferences: Preferences,
): readonly { readonly axis: 'x' | 'y'; readonly atUm: number; readonly says: string }[] {
  const [first, second] = [steps[0], steps.find((step) => step.axis !== steps[0]?.axis)]
  return [first, second].flatMap((step) =>
    step
      ? marksOf(step).map((um) => ({
          axis: step.axis,
          atUm: marginUm + um,
          says: formatLength(mmFromUm(marginUm + um), preferences).replace(/ (cm|in)$/, ''),
        }))
      : [],
  )
}

/** So many pieces of a demand, in words. */
export type PiecesOf = (count: number, demand: string) => string

/** What some cuts with one setting give. */
function offWords(
  { setUm, parts, cuts, gives }: CutOff,
  piecesOf: PiecesOf,
  preferences: Preferences,
): string {
  const set = told(setUm, preferences)
  if (gives === 'rest') return `take ${set} off`
  const what = gives === 'strip' ? countOf(parts, 'strip') : piecesOf(parts, gives.demand)
  return cuts === 0 ? `what is left, ${set}, is ${what}` : `set ${set}, ${plural(cuts, 'cut')}, for ${what}`
}

/** One step of the order, as it is read at the trimmer. */
export function stepWords(
  step: CutStep,
  sheet: SizeUm,
  piecesOf: PiecesOf,
  preferences: Preferences,
): { readonly take: string; readonly cut: string; readonly marks: string | null } {
  const along = step.axis === 'x' ? sheet.widthUm : sheet.heightUm
  const square = sheet.widthUm === sheet.heightUm
  const take =
    step.from === 'sheet'
      ? square
        ? 'The sheet'
        : `The sheet, along its ${told(along, preferences)} side`
      : step.of === 1
        ? `The strip of ${told(step.from.stripUm, preferences)}, along it`
        : `Each of the ${step.of} strips of ${told(step.from.stripUm, preferences)}, along it`
  const marks = marksOf(step)
  return {
    take,
    cut: step.offs.map((off) => offWords(off, piecesOf, preferences)).join('; then '),
    marks: marks.length < 2 ? null : marks.map((um) => marked(um, preferences)).join(', '),
  }
}

/** How much work an order is. */
export const orderWords = ({ cuts, settings }: CutOrder): string =>
  `${plural(cuts, 'cut')}, ${plural(settings, 'distance')} to set`
