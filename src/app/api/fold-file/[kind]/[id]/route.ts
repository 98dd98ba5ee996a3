import { SHOWN_SHEET_MM, shownSheetMm } from '@/core/design'
import { handler, refused } from '@/app/_server/guard'
import { CoreError } from '@/core/errors'
import { flowContext } from '@/flows/context'
import type { FlowContext } from '@/flows/flow-context'
import { readLibrary } from '@/flows/designs'
import { baseFoldFile, designFoldFile, type SavedFile } from '@/flows/read/fold-file'
import { currentSettings } from '@/flows/settings'
import { readStepsQuery, startOf, type Query } from '@/schema/designs-query'
import { foldProblem } from '@/ui/steps/fold-problem'

export const dynamic = 'force-dynamic'

async function fileOf(
  context: FlowContext,
  kind: string,
  id: string,
  query: Query,
): Promise<SavedFile | string | null> {
  if (kind === 'base') return baseFoldFile(id, SHOWN_SHEET_MM, startOf(query))
  const design = (await readLibrary(context)).find((one) => one.document.id === id)?.document
  if (kind !== 'design' || !design) return null
  const { unit } = await currentSettings(context)
  const usualMm = shownSheetMm(design)
  const { value, fields } = readStepsQuery(query, design, { unit, usualMm })
  const [slip] = Object.values(fields)
  return slip ?? designFoldFile(context, id, value, value.start)
}

interface Params {
  readonly kind: string
  readonly id: string
}

/** A state of a design or a base as a FOLD file, by the query of its steps page. */
export const GET = handler<Params>({ reads: 'anyone in' }, async (request, { kind, id }) => {
  const query = Object.fromEntries(new URL(request.url).searchParams)
  try {
    const file = await fileOf(await flowContext(), kind, id, query)
    if (file === null) return refused(404, 'There is no such design or base with folds.')
    if (typeof file === 'string') return refused(400, file)
    return new Response(file.text, {
      headers: {
        'content-type': 'application/json',
        'content-disposition': `attachment; filename="${file.name}"`,
        'cache-control': 'no-store',
      },
    })
  } catch (error) {
    if (error instanceof CoreError) return refused(400, foldProblem(error))
    throw error
  }
})
