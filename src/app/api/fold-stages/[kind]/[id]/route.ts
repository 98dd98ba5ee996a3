import { ofFoldsAsked, type FoldsParams } from '@/app/_server/folds-asked'
import { handler } from '@/app/_server/guard'
import { moveStages } from '@/flows/read/move-stages'

export const dynamic = 'force-dynamic'

/** A move of a design or a base in stages, by the query of its steps page. */
export const GET = handler<FoldsParams>({ reads: 'anyone in' }, (request, params) =>
  ofFoldsAsked(request, params, async (asked, move) =>
    Response.json(await moveStages(asked, move), { headers: { 'cache-control': 'no-store' } }),
  ),
)
