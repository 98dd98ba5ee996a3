'use client'

import { useCallback, useRef } from 'react'
import { playTone, type Tone } from './tones'

/** Plays tones, where they are wanted and the browser gives sound. */
export function useTone(wanted: boolean): (tone: Tone) => void {
  const audio = useRef<AudioContext | null>(null)
  return useCallback(
    (tone: Tone) => {
      if (!wanted) return
      try {
        audio.current ??= new AudioContext()
        playTone(audio.current, tone)
      } catch {
        audio.current = null
      }
    },
    [wanted],
  )
}
