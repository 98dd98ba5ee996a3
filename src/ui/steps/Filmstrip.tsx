'use client'

import { memo, useEffect, useRef } from 'react'
import type { DrawnProgram } from '@/core/fold'
import { FoldDiagram } from '../diagram/FoldDiagram'
import type { PaperFaces } from '../diagram/Paper'
import type { FoldWords } from '@/flows/read/folds'

interface FilmstripProps {
  readonly shown: DrawnProgram
  readonly words: readonly FoldWords[]
  readonly faces: PaperFaces
  readonly leftHanded: boolean
  /** Which move is shown large; as many as there are moves is the finished piece. */
  readonly at: number
  readonly go: (move: number) => void
}

const Small = memo(FoldDiagram)

/** One small picture a step, and the end: where one is, and a way to any other. */
export function Filmstrip({ shown, words, faces, leftHanded, at, go }: FilmstripProps) {
  const strip = useRef<HTMLOListElement>(null)
  const here = shown.moves[at]?.step
  useEffect(() => {
    const frame = strip.current?.querySelector('[aria-current]')
    const list = strip.current
    if (!frame || !list) return
    const [inner, outer] = [frame.getBoundingClientRect(), list.getBoundingClientRect()]
    list.scrollLeft += inner.left - outer.left - (outer.width - inner.width) / 2
  }, [here])
  const firsts = words.map((_, step) => shown.moves.findIndex((move) => move.step === step))
  return (
    <ol ref={strip} className="flex gap-2 overflow-x-auto px-1 py-2" aria-label="Steps">
      {firsts.map((first, step) => {
        const picture = shown.moves[first]?.picture
        return picture ? (
          <Frame
            key={step}
            label={`Step ${step + 1}: ${words[step]?.says[0] ?? ''}`}
            number={String(step + 1)}
            current={here === step}
            go={() => go(first)}
          >
            <Small picture={picture} faces={faces} leftHanded={leftHanded} title="" small />
          </Frame>
        ) : null
      })}
      <Frame
        label="The finished piece"
        number="end"
        current={here === undefined}
        go={() => go(shown.moves.length)}
      >
        <Small picture={shown.front} faces={faces} leftHanded={leftHanded} title="" small />
      </Frame>
    </ol>
  )
}

function Frame({
  label,
  number,
  current,
  go,
  children,
}: {
  readonly label: string
  readonly number: string
  readonly current: boolean
  readonly go: () => void
  readonly children: React.ReactNode
}) {
  return (
    <li className="shrink-0">
      <button
        type="button"
        aria-label={label}
        aria-current={current ? 'step' : undefined}
        className={`flex w-20 flex-col items-center gap-1 border-b-4 px-1 py-1 hover:border-accent ${current ? 'border-accent bg-base-100' : 'border-transparent'}`}
        onClick={go}
      >
        <span className="block h-14 w-16" aria-hidden>
          {children}
        </span>
        <span className={`text-sm ${current ? 'font-semibold' : 'second'}`}>{number}</span>
      </button>
    </li>
  )
}
