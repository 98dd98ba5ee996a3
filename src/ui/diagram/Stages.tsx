'use client'

import { useEffect, useState } from 'react'
import type { HalfwayPicture } from '@/core/fold'
import { largest, least } from '@/core/numeric'
import { startMoveStages } from '@/workers/move-stages-client'
import type { MoveAsked } from '@/workers/move-stages.worker'
import { Halfway } from './Halfway'
import type { PaperFaces } from './Paper'

/** How long a stage is seen, and the last one. */
const [STAGE_MS, LAST_MS] = [520, 1100]

type Worked = readonly HalfwayPicture[] | 'failed' | null

/** The stages of a move, worked out beside the page when they are asked for; `null` until they are there. */
function useStages(address: string): Worked {
  const [worked, setWorked] = useState<{ readonly address: string; readonly stages: Worked } | null>(null)
  useEffect(() => {
    const leaving = new AbortController()
    const { signal } = leaving
    void fetch(address, { signal })
      .then(async (answer) =>
        answer.ok ? stagesUntil(signal, (await answer.json()) as MoveAsked) : 'failed',
      )
      .catch(() => 'failed' as const)
      .then((stages) => {
        if (!signal.aborted) setWorked({ address, stages })
      })
    return () => leaving.abort()
  }, [address])
  return worked?.address === address ? worked.stages : null
}

/** The worker ends when nobody waits for it any more. */
function stagesUntil(leaving: AbortSignal, asked: MoveAsked): Promise<readonly HalfwayPicture[]> {
  leaving.throwIfAborted()
  const { answer, cancel } = startMoveStages(asked)
  leaving.addEventListener('abort', cancel)
  return answer
}

/** One box around all of them, so that the piece keeps its scale from stage to stage. */
function inOneBox(stages: readonly HalfwayPicture[]): readonly HalfwayPicture[] {
  const boxes = stages.map(({ box }) => box)
  const box = {
    left: least(boxes.map(({ left }) => left)),
    right: largest(boxes.map(({ right }) => right)),
    bottom: least(boxes.map(({ bottom }) => bottom)),
    top: largest(boxes.map(({ top }) => top)),
  }
  return stages.map((stage) => ({ ...stage, box }))
}

interface StagesProps {
  /** Where the folds are fetched, with the number of the move. */
  readonly address: string
  readonly faces: PaperFaces
  readonly leftHanded: boolean
  /** All beside one another, and nothing moves. */
  readonly still: boolean
  readonly onEnd: () => void
}

/** A move that lifts and turns in space, stage after stage. */
export function Stages({ address, faces, leftHanded, still, onEnd }: StagesProps) {
  const worked = useStages(address)
  if (worked === null)
    return (
      <p className="second m-auto" role="status">
        The stages are worked out …
      </p>
    )
  if (worked === 'failed' || worked.length === 0)
    return (
      <div className="m-auto text-center" role="alert">
        <p>The stages of this fold could not be shown.</p>
        <button type="button" className="btn mt-2 btn-sm btn-outline" onClick={onEnd}>
          Back to the picture
        </button>
      </div>
    )
  const stages = inOneBox(worked)
  return still ? (
    <Stills count={stages.length}>
      {(index) => <Halfway picture={stages[index] ?? stages[0]!} faces={faces} leftHanded={leftHanded} />}
    </Stills>
  ) : (
    <InTurn stages={stages} faces={faces} leftHanded={leftHanded} onEnd={onEnd} />
  )
}

function InTurn({
  stages,
  faces,
  leftHanded,
  onEnd,
}: Omit<StagesProps, 'address' | 'still'> & { readonly stages: readonly HalfwayPicture[] }) {
  const [at, setAt] = useState(0)
  const last = at === stages.length - 1
  useEffect(() => {
    const timer = setTimeout(() => (last ? onEnd() : setAt(at + 1)), last ? LAST_MS : STAGE_MS)
    return () => clearTimeout(timer)
  }, [at, last, onEnd])
  const stage = stages[at]
  return stage ? (
    <div className="min-h-0 grow" data-stage={at + 1}>
      <Halfway picture={stage} faces={faces} leftHanded={leftHanded} />
    </div>
  ) : null
}

/** Stills of a fold beside one another, in order. */
export const Stills = ({
  count,
  children,
}: {
  readonly count: number
  readonly children: (index: number) => React.ReactNode
}) => (
  <ol className="grid min-h-0 grow grid-cols-3 gap-3" aria-label="The fold in stages">
    {Array.from({ length: count }, (_, index) => (
      <li key={index} className="flex min-h-0 flex-col">
        <span className="second text-sm">{index + 1}</span>
        <div className="min-h-0 grow">{children(index)}</div>
      </li>
    ))}
  </ol>
)
