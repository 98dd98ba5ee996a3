import { SHOWN_SHEET_MM, shownSheetMm } from '@/core/design'
import { CoreError } from '@/core/errors'
import { flowContext } from '@/flows/context'
import { readLibrary } from '@/flows/designs'
import { baseAsked, designAsked, type ProgramAsked } from '@/flows/read/program-asked'
import { currentSettings } from '@/flows/settings'
import { readStepsQuery, startOf } from '@/schema/designs-query'
import { foldProblem } from '@/ui/steps/fold-problem'
import { refused } from './guard'

/** What is asked of folds: of a design or of a base, by the query of its steps page. */
export interface FoldsParams {
  readonly kind: string
  readonly id: string
}

/** What is made of the folds that a request asks for, at the move it names; else why not. */
export async function ofFoldsAsked(
  request: Request,
  { kind, id }: FoldsParams,
  answer: (asked: ProgramAsked, move: number) => Response | Promise<Response>,
): Promise<Response> {
  const query = Object.fromEntries(new URL(request.url).searchParams)
  try {
    const found = await askedOf(kind, id, query)
    if (found === null) return refused(404, 'There is no such design or base with folds.')
    return typeof found === 'string' ? refused(400, found) : await answer(found.asked, found.move)
  } catch (error) {
    if (error instanceof CoreError) return refused(400, foldProblem(error))
    throw error
  }
}

async function askedOf(
  kind: string,
  id: string,
  query: Readonly<Record<string, string>>,
): Promise<{ readonly asked: ProgramAsked; readonly move: number } | string | null> {
  if (kind === 'base') {
    const asked = baseAsked(id, SHOWN_SHEET_MM)
    return asked && { asked, move: startOf(query) }
  }
  const context = await flowContext()
  const design = (await readLibrary(context)).find((one) => one.document.id === id)?.document
  if (kind !== 'design' || !design) return null
  const { unit } = await currentSettings(context)
  const { value, fields } = readStepsQuery(query, design, { unit, usualMm: shownSheetMm(design) })
  const [slip] = Object.values(fields)
  if (slip) return slip
  const asked = await designAsked(context, id, value)
  return asked && { asked, move: value.start }
}
