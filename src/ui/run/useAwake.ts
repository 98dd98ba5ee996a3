'use client'

import { useEffect, useState, useSyncExternalStore } from 'react'

const never = () => () => undefined

/** Keeps the screen awake where the browser may. *Returns* false where it cannot (plain http on a tablet). */
export function useAwake(): boolean {
  const supported = useSyncExternalStore(
    never,
    () => 'wakeLock' in navigator,
    () => true,
  )
  const [refused, setRefused] = useState(false)
  useEffect(() => {
    if (!supported) return
    let lock: WakeLockSentinel | null = null
    const hold = () => {
      if (document.visibilityState !== 'visible') return
      navigator.wakeLock.request('screen').then(
        (held) => {
          lock = held
        },
        () => setRefused(true),
      )
    }
    hold()
    document.addEventListener('visibilitychange', hold)
    return () => {
      document.removeEventListener('visibilitychange', hold)
      void lock?.release()
    }
  }, [supported])
  return supported && !refused
}
