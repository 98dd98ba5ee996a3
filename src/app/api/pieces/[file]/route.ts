import { handler, refused } from '@/app/_server/guard'
import { readShippedPicture } from '@/flows/shipped-forms'

export const dynamic = 'force-dynamic'

/** The picture of a finished piece: its name is of its content, so that it never changes. */
export const GET = handler<{ readonly file: string }>({ reads: 'anyone in' }, async (_, { file }) => {
  const picture = await readShippedPicture(process.cwd(), file)
  if (!picture) return refused(404, 'There is no such picture.')
  return new Response(new Uint8Array(picture), {
    headers: { 'content-type': 'image/png', 'cache-control': 'private, max-age=31536000, immutable' },
  })
})
