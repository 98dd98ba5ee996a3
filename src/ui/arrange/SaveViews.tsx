'use client'

import { useState } from 'react'
import { useHydrated } from '../forms/useHydrated'
import { fileName, save } from './save'
import { pageBlob, pngBlob, svgBlob } from './self-contained'

interface SaveViewsProps {
  /** What the files are called after. */
  readonly name: string
}

/** The pictures of this page that can be saved: each marked with the words that stand over it. */
const views = () =>
  [...document.querySelectorAll<HTMLElement>('[data-view]')].flatMap((place) => {
    const svg = place.querySelector('svg')
    return svg ? [{ words: place.dataset['view'] ?? '', svg }] : []
  })

const WAYS = [
  ['A page to send', 'html'],
  ['As SVG', 'svg'],
  ['As PNG', 'png'],
] as const

/** Saves what is seen here: one page for who ordered it, or the pictures by themselves. Nothing leaves the machine. */
export function SaveViews({ name }: SaveViewsProps) {
  const ready = useHydrated()
  const [problem, setProblem] = useState<string | null>(null)
  const saveAs = async (ending: (typeof WAYS)[number][1]) => {
    const shown = views()
    setProblem(null)
    try {
      if (ending === 'html') return save(await pageBlob(name, shown), fileName(name, ending))
      for (const { words, svg } of shown)
        save(await (ending === 'svg' ? svgBlob(svg) : pngBlob(svg)), fileName(`${name} ${words}`, ending))
    } catch {
      setProblem('The pictures could not be saved. Is Kelpfield still running? Try again, or save as SVG.')
    }
  }
  return (
    <div className="flex flex-wrap items-center gap-3">
      {WAYS.map(([label, ending]) => (
        <button
          key={ending}
          type="button"
          disabled={!ready}
          className="btn btn-sm btn-outline"
          onClick={() => void saveAs(ending)}
        >
          {label}
        </button>
      ))}
      <span role="status" className="font-semibold text-error">
        {problem}
      </span>
    </div>
  )
}
