import { ofFoldsAsked, type FoldsParams } from '@/app/_server/folds-asked'
import { handler } from '@/app/_server/guard'
import { foldFileOf } from '@/flows/read/fold-file'

export const dynamic = 'force-dynamic'

/** A state of a design or a base as a FOLD file, by the query of its steps page. */
export const GET = handler<FoldsParams>({ reads: 'anyone in' }, (request, params) =>
  ofFoldsAsked(request, params, (asked, move) => {
    const file = foldFileOf(asked, move)
    return new Response(file.text, {
      headers: {
        'content-type': 'application/json',
        'content-disposition': `attachment; filename="${file.name}"`,
        'cache-control': 'no-store',
      },
    })
  }),
)
