/** Wrong tries at the passphrase since the last right one, and when the next try is taken. */
interface Tries {
  readonly wrong: number
  readonly freeAtMs: number
}

/** Wrong tries one may make at once, slips of the finger; after the last of them waiting begins. */
export const FREE_TRIES = 5
/** The longest wait. Short enough that a stranger's tries do not lock the household out. */
export const LONGEST_WAIT_MS = 60_000

/** How long the next try has to wait, ms; never longer than the longest wait, whatever the clock did. */
export const waitMs = ({ freeAtMs }: Tries, nowMs: number): number =>
  Math.min(LONGEST_WAIT_MS, Math.max(0, freeAtMs - nowMs))

/** What stands after one more try: the wait doubles from one second on. */
export function afterTry({ wrong }: Tries, nowMs: number): Tries {
  const beyond = wrong + 1 - FREE_TRIES
  const delayMs = beyond < 0 ? 0 : Math.min(LONGEST_WAIT_MS, 1000 * 2 ** beyond)
  return { wrong: Math.min(wrong + 1, 1_000_000), freeAtMs: nowMs + delayMs }
}
