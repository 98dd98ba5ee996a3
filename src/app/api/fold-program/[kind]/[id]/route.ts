import { ofFoldsAsked, type FoldsParams } from '@/app/_server/folds-asked'
import { handler } from '@/app/_server/guard'
import type { MoveAsked } from '@/workers/move-stages.worker'

export const dynamic = 'force-dynamic'

/** The folds of a design or a base, by the query of its steps page: the browser works stages of a move out from them. */
export const GET = handler<FoldsParams>({ reads: 'anyone in' }, (request, params) =>
  ofFoldsAsked(request, params, ({ program, shares }, move) => {
    const asked: MoveAsked = { program, shares, move }
    return Response.json(asked, { headers: { 'cache-control': 'no-store' } })
  }),
)
