'use client'

import { useEffect, useRef, useState } from 'react'
import type { FoldProgram, GaugeShares } from '@/core/fold'
import type { FoldedEndView } from '@/flows/read/folds'
import { startFoldEnd } from '@/workers/fold-end-client'
import { FoldDiagram } from '../diagram/FoldDiagram'
import type { PaperFaces } from '../diagram/Paper'
import { foldProblem } from '../steps/fold-problem'

interface FoldedEndProps {
  readonly name: string
  readonly end: FoldedEndView
  readonly shares: GaugeShares
  readonly faces: PaperFaces
}

/** Typing goes on while the paper is folded: a little pause, then a fold in a worker. */
const PAUSE_MS = 200
const GAVE_UP = 'The browser gave the folds up. Change the size a little, or load the page again.'

/** The finished piece from both sides, folded anew in a worker as the gauges change. */
export function FoldedEnd({ name, end, shares, faces }: FoldedEndProps) {
  const { program } = end
  const standard = JSON.stringify(end.shares)
  const asked = JSON.stringify(shares)
  const [made, setMade] = useState<{
    readonly of: FoldProgram
    readonly asked: string
    readonly pictures: Pick<FoldedEndView, 'front' | 'back'> | null
    readonly problem: string | null
  } | null>(null)
  const cancel = useRef<() => void>(() => undefined)
  useEffect(() => {
    if (asked === standard) return
    const timer = setTimeout(() => {
      const running = startFoldEnd(program, JSON.parse(asked) as GaugeShares)
      cancel.current = running.cancel
      running.answer.then(
        (answer) =>
          setMade({
            of: program,
            asked,
            pictures: answer.ok ? answer : null,
            problem: answer.ok ? null : foldProblem(answer.problem),
          }),
        () => setMade({ of: program, asked, pictures: null, problem: GAVE_UP }),
      )
    }, PAUSE_MS)
    return () => {
      clearTimeout(timer)
      cancel.current()
    }
  }, [program, asked, standard])
  const own = made?.of === program ? made : null
  const fresh = asked === standard || own?.asked === asked
  const pictures = asked === standard ? end : (own?.pictures ?? end)
  const problem = fresh && asked !== standard ? (own?.problem ?? null) : null
  if (problem !== null)
    return (
      <p role="alert" className="note flex h-56 items-center">
        {problem}
      </p>
    )
  return (
    <div className={`grid h-56 grid-cols-2 gap-4 ${fresh ? '' : 'opacity-60'}`} aria-busy={!fresh}>
      <FoldDiagram picture={pictures.front} faces={faces} title={`${name}, from above`} small />
      <FoldDiagram picture={pictures.back} faces={faces} title={`${name}, turned over`} small />
    </div>
  )
}
