'use client'

import { nanoid } from 'nanoid'
import { useCallback, useRef } from 'react'

/**
 * Gives each press an id of its own. Where no answer came, the next press carries the same id: should the first have
 * arrived after all, the server counts them once.
 */
export function usePress(): <Answer>(send: (press: string) => Promise<Answer>) => Promise<Answer> {
  const unanswered = useRef<string | null>(null)
  return useCallback(async (send) => {
    unanswered.current ??= nanoid()
    const answer = await send(unanswered.current)
    unanswered.current = null
    return answer
  }, [])
}
