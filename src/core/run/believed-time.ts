/** Clocks of tablets are off by minutes, ms: our own choice. Beyond that one was never set, or set wrong. */
export const CLOCK_SLACK_MS = 10 * 60_000

interface Received {
  /** The server's clock when the run began and when the tap arrived, UTC ms. */
  readonly startedAtMs: number
  readonly receivedAtMs: number
}

/** Whether a tap's own time can be: not before its run began, not after it arrived. */
export const timeBelieved = (atMs: number, { startedAtMs, receivedAtMs }: Received): boolean =>
  atMs >= startedAtMs - CLOCK_SLACK_MS && atMs <= receivedAtMs + CLOCK_SLACK_MS

/** When a tap is taken to have been, UTC ms: its own time where that can be, else when it arrived. */
export const believedAtMs = (atMs: number, received: Received): number =>
  timeBelieved(atMs, received) ? atMs : received.receivedAtMs
