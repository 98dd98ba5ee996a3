import { ChevronLeft, ChevronRight, Play } from 'lucide-react'
import { Link } from '../shell/Link'
import type { ReactNode, Ref } from 'react'
import type { DrawerPaper } from '@/flows/read/papers'

/** No paper of one's own: a word that is no id, so that the choice stays in the address. */
export const PLAIN = 'plain'

interface PaperChoiceProps {
  readonly papers: readonly DrawerPaper[]
  readonly chosen: string | null
  readonly choose: (paperId: string) => void
}

/** The paper whose colours the pictures have. */
export function PaperChoice({ papers, chosen, choose }: PaperChoiceProps) {
  if (papers.length === 0) return null
  return (
    <label className="flex items-center gap-2">
      <span className="second">Paper</span>
      <select
        className="select w-40 select-sm"
        value={chosen ?? PLAIN}
        onChange={(event) => choose(event.target.value)}
      >
        <option value={PLAIN}>plain</option>
        {papers.map((one) => (
          <option key={one.id} value={one.id}>
            {one.name}
          </option>
        ))}
      </select>
    </label>
  )
}

interface TickProps {
  readonly label: string
  readonly on: boolean
  readonly set: (on: boolean) => void
}

export const Tick = ({ label, on, set }: TickProps) => (
  <label className="flex cursor-pointer items-center gap-2">
    <input
      type="checkbox"
      className="checkbox checkbox-sm"
      checked={on}
      onChange={(event) => set(event.target.checked)}
    />
    {label}
  </label>
)

interface PlayButtonProps {
  readonly playing: boolean
  readonly play: () => void
  readonly stop: () => void
}

/** Shows the fold on its way; in stills where less motion was asked for, until they are put away again. */
export const PlayButton = ({ playing, play, stop }: PlayButtonProps) => (
  <>
    <button
      type="button"
      className="btn btn-sm btn-outline motion-reduce:hidden"
      onClick={play}
      disabled={playing}
    >
      <Play size={16} aria-hidden /> See it move
    </button>
    <button
      type="button"
      className="btn hidden btn-sm btn-outline motion-reduce:inline-flex"
      onClick={playing ? stop : play}
    >
      {playing ? 'Back to the picture' : 'See it in stages'}
    </button>
  </>
)

interface BackAndNextProps {
  readonly at: number
  readonly last: number
  readonly go: (to: number) => void
  /** Where it goes on behind the last step; `null` where it does not. */
  readonly onward: Onward | null
}

/** A way on, and what it is called. */
export interface Onward {
  readonly name: string
  readonly address: string
}

export const BackAndNext = ({ at, last, go, onward }: BackAndNextProps) => (
  <div className="flex gap-3">
    <button
      type="button"
      className="btn h-14 grow btn-outline"
      disabled={at === 0}
      onClick={() => go(at - 1)}
    >
      <ChevronLeft aria-hidden /> Back
    </button>
    {at === last && onward ? (
      <Link href={onward.address} className="btn h-14 grow-2 btn-primary">
        {onward.name} <ChevronRight aria-hidden />
      </Link>
    ) : (
      <button
        type="button"
        className="btn h-14 grow-2 btn-primary"
        disabled={at === last}
        onClick={() => go(at + 1)}
      >
        Next <ChevronRight aria-hidden />
      </button>
    )}
  </div>
)

export const SaveFold = ({
  address,
  children,
}: {
  readonly address: string
  readonly children: ReactNode
}) => (
  <p className="text-sm">
    <a href={address} download className="underline">
      Save {children} as a FOLD file
    </a>
  </p>
)

interface OtherWayProps {
  readonly way: { readonly name: string; readonly address: string } | null
  /** Folds left to the end: there the same fold is shown. */
  readonly left: number
  readonly ref: Ref<HTMLAnchorElement>
}

/** The same folds in the other way. */
export const OtherWay = ({ way, left, ref }: OtherWayProps) =>
  way ? (
    <a ref={ref} href={`${way.address}left=${left}`} className="btn btn-sm btn-outline">
      {way.name} (D)
    </a>
  ) : null
