import { useSyncExternalStore } from 'react'

const never = () => () => undefined

/** True once the page listens: false on the server and until its first work in the browser. */
export function useHydrated(): boolean {
  return useSyncExternalStore(
    never,
    () => true,
    () => false,
  )
}
