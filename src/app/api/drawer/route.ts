import { revalidatePath } from 'next/cache'
import { handler, refusalResponse, refused } from '@/app/_server/guard'
import { inWords } from '@/app/_server/act'
import { flowContext } from '@/flows/context'
import { contentHash } from '@/flows/content-hash'
import { takeTableIn } from '@/flows/deeds/take-table-in'
import { previewDrawer, TABLE_MEANS } from '@/flows/drawer-table'
import { once } from '@/flows/once'
import { drawerAsCsv } from '@/flows/read/drawer-table'
import { MOST_CSV_BYTES } from '@/formats/drawer-csv'

export const dynamic = 'force-dynamic'

const TOO_LARGE = `This file is larger than ${MOST_CSV_BYTES / 1024 / 1024} MB. Nothing was changed.`

/** The whole drawer as a table. */
export const GET = handler({ reads: 'anyone in' }, async () => {
  const text = await drawerAsCsv(await flowContext())
  return new Response(text, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="papers.csv"',
      'cache-control': 'no-store',
    },
  })
})

/** The body as text; `null` where it is too large. */
async function textOf(request: Request): Promise<string | null> {
  if (Number(request.headers.get('content-length') ?? 0) > MOST_CSV_BYTES) return null
  const chunks: Uint8Array[] = []
  let bytes = 0
  for await (const chunk of request.body ?? []) {
    bytes += chunk.length
    if (bytes > MOST_CSV_BYTES) return null
    chunks.push(chunk)
  }
  return new TextDecoder().decode(Buffer.concat(chunks))
}

/** What a table would do to the drawer; with `stamp` and `press` of a preview it is taken in. */
export const POST = handler({ reads: 'own pages only' }, async (request) => {
  const query = new URL(request.url).searchParams
  const means = TABLE_MEANS.find((one) => one === query.get('means'))
  if (!means) return refused(400, 'Say whether the sheets are to be put in or are all there are.')
  const text = await textOf(request)
  if (text === null) return refused(413, TOO_LARGE)
  const context = await flowContext()
  const stamp = query.get('stamp')
  if (stamp === null) return Response.json(await previewDrawer(context, text, means))
  const input = { text: contentHash({ text }).hash, means, stamp }
  const result = await inWords(() =>
    once(context, { id: query.get('press'), kind: 'take a table in', input }, (inDeed) =>
      takeTableIn(inDeed, { text, means, stamp }),
    ),
  )
  if (!result.ok) return refusalResponse(result)
  revalidatePath('/', 'layout')
  return Response.json(result)
})
