import { postRunEvents } from '@/app/_server/run-events'

export const dynamic = 'force-dynamic'

/** Reached in development alone: the server that is started answers it before the framework does. */
export const POST = (request: Request, context: { params: Promise<{ runId: string }> }): Promise<Response> =>
  postRunEvents(request, context)
