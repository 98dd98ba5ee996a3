interface WorkGoingProps {
  /** What is looked at, for who does not see the bar. */
  readonly label: string
  readonly done: number
  readonly total: number
  readonly stop: () => void
  /** What is said before the bar, and on the button. */
  readonly says?: string
  readonly stopWord?: string
}

/** Work that goes on beside the page: how far it is, and a way to stop it. */
export const WorkGoing = ({ label, done, total, stop, says, stopWord = 'Cancel' }: WorkGoingProps) => (
  <div className="flex flex-wrap items-center gap-3" role="status">
    {says === undefined ? null : <span>{says}</span>}
    <progress className="progress w-48" value={done} max={total} aria-label={label} />
    <button type="button" className="btn btn-sm btn-ghost" onClick={stop}>
      {stopWord}
    </button>
  </div>
)
