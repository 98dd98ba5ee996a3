import { openHandler } from '@/app/_server/guard'
import { recordEvents } from '@/flows/deeds/runs'
import { refusalWords } from '@/ui/format'

export const dynamic = 'force-dynamic'

/** Largest batch of taps, far above 500 events. */
const MOST_BYTES = 512 * 1024

async function readJson(request: Request): Promise<unknown> {
  const text = await request.text()
  if (text.length > MOST_BYTES) return undefined
  try {
    return JSON.parse(text) as unknown
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
