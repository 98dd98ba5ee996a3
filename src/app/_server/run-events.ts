import 'server-only'
import { flowContext } from '@/flows/context'
import { recordEvents } from '@/flows/deeds/runs'
import { handler, refusalResponse, type Asked } from './guard'

/** Largest batch of taps, far above 500 events. */
const MOST_BYTES = 512 * 1024

/** The body as JSON; `undefined` where it is none, or longer than a batch can be: then the rest is not even read. */
async function readJson({ body }: Asked): Promise<unknown> {
  const chunks: Uint8Array[] = []
  let bytes = 0
  for await (const chunk of body ?? []) {
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
export const postRunEvents = handler<{ readonly runId: string }, Asked>(
  { reads: 'own pages only' },
  async (request, { runId }) => {
    const result = await recordEvents(await flowContext(), runId, await readJson(request))
    return result.ok ? Response.json(result) : refusalResponse(result)
  },
)
