import { openHandler } from '@/app/_server/guard'
import { recordEvents } from '@/flows/deeds/runs'
import { refusalWords } from '@/ui/format'

export const dynamic = 'force-dynamic'

/** Largest batch of taps, far above 500 events. */
const MOST_BYTES = 512 * 1024

/** The body as JSON; `undefined` where it is none, or longer than a batch can be: then the rest is not even read. */
async function readJson(request: Request): Promise<unknown> {
  const chunks: Uint8Array[] = []
  let bytes = 0
  for await (const chunk of request.body ?? []) {
    bytes += chunk.length
    if (bytes > MOST_BYTES) return undefined
    chunks.push(chunk)
  }
  try {
    return JSON.parse(Buffer.concat(chunks).toString('utf8')) as unknown
  } catch {
    return undefined
  }
}

/** Takes taps in and gives back what the client has not seen; see docs/formats/run-events.md. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ runId: string }> },
): Promise<Response> {
  const opened = await openHandler(request)
  if ('response' in opened) return opened.response
  const result = await recordEvents(opened.context, (await params).runId, await readJson(request))
  if (result.ok) return Response.json(result)
  const status = result.code === 'NOT_FOUND' ? 404 : 422
  return Response.json(
    { ok: false, code: result.code, message: refusalWords(result), fields: result.fields },
    { status },
  )
}
