'use client'

import { useEffect, useState } from 'react'

/** Keeps the screen awake where the browser may. *Returns* false where it cannot (plain http on a tablet). */
export function useAwake(): boolean {
  const [awake, setAwake] = useState(true)
  useEffect(() => {
    if (!('wakeLock' in navigator)) {
      setAwake(false)
      return
    }
    let lock: WakeLockSentinel | null = null
    const hold = () => {
      if (document.visibilityState !== 'visible') return
      navigator.wakeLock.request('screen').then(
        (held) => {
          lock = held
        },
        () => setAwake(false),
      )
    }
    hold()
    document.addEventListener('visibilitychange', hold)
    return () => {
      document.removeEventListener('visibilitychange', hold)
      void lock?.release()
    }
  }, [])
  return awake
}
