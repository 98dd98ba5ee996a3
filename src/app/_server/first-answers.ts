import { upgradeFault, type Asked } from './guard'
import { postRunEvents } from './run-events'

type Answer = (request: Asked) => Promise<Response>

const RUN_EVENTS = /^\/api\/runs\/([A-Za-z0-9_-]+)\/events$/

/** Who answers a request before the framework is asked; most requests are the framework's. */
function firstAnswer(method: string, path: string): Answer | null {
  const runId = method === 'POST' ? RUN_EVENTS.exec(path)?.[1] : undefined
  return runId === undefined
    ? null
    : (request) => postRunEvents(request, { params: Promise.resolve({ runId }) })
}

/**
 * For the process that listens (scripts/server.mjs), which holds nothing of ours by itself. No answers in development:
 * there a changed module must be asked for anew.
 */
export function installFirstAnswers(): void {
  const holder = globalThis as typeof globalThis & {
    kelpfieldFirstAnswers?: typeof firstAnswer
    kelpfieldUpgradeFault?: typeof upgradeFault
  }
  holder.kelpfieldUpgradeFault = upgradeFault
  if (process.env.NODE_ENV !== 'development') holder.kelpfieldFirstAnswers = firstAnswer
}
