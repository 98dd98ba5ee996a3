'use client'

import { useState } from 'react'
import { useHydrated } from '../forms/useHydrated'
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

function save(blob: Blob, name: string): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(blob)
  link.download = name
  link.click()
  // The browser has taken it up by then.
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000)
}

/** The name as a file can carry it everywhere. */
const fileName = (name: string, ending: string): string =>
  `${name.replaceAll(/[^\p{L}\p{N}]+/gu, '-').replaceAll(/^-|-$/g, '') || 'kelpfield'}.${ending}`

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
      if (ending === 'html') return save(pageBlob(name, shown), fileName(name, ending))
      for (const { words, svg } of shown)
        save(ending === 'svg' ? svgBlob(svg) : await pngBlob(svg), fileName(`${name} ${words}`, ending))
    } catch {
      setProblem('This browser could not draw the picture. Save it as SVG instead.')
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
