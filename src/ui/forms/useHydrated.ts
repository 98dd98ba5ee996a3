import { useSyncExternalStore } from 'react'

/** True once the page listens: false on the server and until its first work in the browser. */
export function useHydrated(): boolean {
  return useSyncExternalStore(
    never,
    () => true,
    () => false,
  )
}
