'use client'

import { useState, useTransition } from 'react'
import type { DeedResult } from '@/flows/deed'
import { NO_ANSWER, refusalWords } from '../format'
import type { PaperColours } from '../diagram/faces'
import { usePress } from '../forms/usePress'
import { Swatch } from '../paper/Swatch'
import { Pieces } from './Pieces'

type NamedPaper = PaperColours & { readonly id: string; readonly name: string }

interface OtherPapersProps extends Omit<Parameters<typeof Pieces>[0], 'whole' | 'hand'> {
  readonly papers: readonly NamedPaper[]
  readonly drawer: readonly NamedPaper[]
  readonly lineId: string
  readonly swap: (input: object, press: string) => Promise<DeedResult<unknown>>
}

/** The same order in other papers beside it, each in the place of one; and a way to take them. */
export function OtherPapers(props: OtherPapersProps) {
  const { papers, drawer, lineId, swap, title } = props
  const [instead, setInstead] = useState<Readonly<Record<string, string>>>({})
  const [problem, setProblem] = useState<string | null>(null)
  const [pending, start] = useTransition()
  const pressOnce = usePress()
  const others = papers.map((paper) => drawer.find(({ id }) => id === instead[paper.id]) ?? paper)
  const changed = others.some(({ id }, at) => id !== papers[at]?.id)
  const twice = new Set(others.map(({ id }) => id)).size < others.length
  const take = () =>
    start(async () => {
      try {
        const result = await pressOnce((press) => swap({ lineId, instead }, press))
        setProblem(result.ok ? null : refusalWords(result))
        if (result.ok) setInstead({})
      } catch {
        setProblem(NO_ANSWER)
      }
    })
  return (
    <section aria-label="The same in other papers" className="min-w-0">
      <Pieces {...props} papers={others} whole title={`${title}, in other papers`} />
      <ul className="mt-3 flex flex-wrap gap-x-6 gap-y-3">
        {papers.map((paper, at) => (
          <li key={paper.id} className="flex items-end gap-2">
            <Swatch {...swatchOf(others[at] ?? paper)} className="mb-2 h-6 w-9" />
            <label className="text-sm font-semibold">
              Instead of {paper.name}
              <select
                className="select mt-1 flex w-44 font-normal"
                value={others[at]?.id}
                onChange={(event) => setInstead({ ...instead, [paper.id]: event.target.value })}
              >
                {(drawer.some(({ id }) => id === paper.id) ? drawer : [paper, ...drawer]).map(
                  ({ id, name }) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ),
                )}
              </select>
            </label>
          </li>
        ))}
      </ul>
      <div className="mt-3 flex flex-wrap items-center gap-4">
        <button
          type="button"
          className="btn btn-sm btn-outline"
          disabled={!changed || twice || pending}
          onClick={take}
        >
          Take these papers
        </button>
        {twice ? <p className="font-semibold">Two of them are the same paper.</p> : null}
        <p role="status" className="font-semibold">
          {problem}
        </p>
      </div>
    </section>
  )
}

const swatchOf = ({ frontColour, backColour }: PaperColours) => ({ front: frontColour, back: backColour })
