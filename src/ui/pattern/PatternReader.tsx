'use client'

import { useEffect, useRef, useState } from 'react'
import { MOST_FILE_BYTES, tooLarge } from '@/formats/fold-file'
import { startReadPattern } from '@/workers/read-pattern-client'
import type { PatternAnswer, PatternProgress } from '@/workers/read-pattern.worker'
import type { Preferences } from '../format'
import { ReadAnswer } from './ReadAnswer'

type State =
  | { readonly kind: 'idle' }
  | { readonly kind: 'working'; readonly name: string; readonly progress: PatternProgress | null }
  | { readonly kind: 'done'; readonly name: string; readonly answer: PatternAnswer }
  | { readonly kind: 'failed'; readonly name: string }

const DOING = { reading: 'Reading', comparing: 'Comparing the layers of', folding: 'Folding' } as const

/** Reads a FOLD file in this browser: checked and folded in a worker, shown, and nothing of it kept. */
export function PatternReader({ preferences }: { readonly preferences: Preferences }) {
  const [state, setState] = useState<State>({ kind: 'idle' })
  const cancel = useRef<() => void>(() => undefined)
  useEffect(() => () => cancel.current(), [])
  const read = (file: File) => {
    cancel.current()
    const { name } = file
    if (file.size > MOST_FILE_BYTES) {
      setState({ kind: 'done', name, answer: { kind: 'refused', fault: tooLarge(file.size).fault } })
      return
    }
    setState({ kind: 'working', name, progress: null })
    let gone = false
    cancel.current = () => {
      gone = true
    }
    const failed = () => {
      if (!gone) setState({ kind: 'failed', name })
    }
    file.text().then((text) => {
      if (gone) return
      const running = startReadPattern(text, (progress) => setState({ kind: 'working', name, progress }))
      cancel.current = () => {
        gone = true
        running.cancel()
      }
      running.answer.then((answer) => setState({ kind: 'done', name, answer }), failed)
    }, failed)
  }
  return (
    <div className="mt-5">
      <label htmlFor="pattern-file" className="mb-1 block font-semibold">
        A file in the FOLD format
      </label>
      <input
        id="pattern-file"
        type="file"
        accept=".fold,.json,application/json"
        className="file-input w-full max-w-md"
        onChange={(event) => {
          const [file] = event.target.files ?? []
          if (file) read(file)
          // The same file, mended, can be chosen again.
          event.target.value = ''
        }}
      />
      <div className="mt-6" aria-live="polite">
        {state.kind === 'idle' ? (
          <p className="second max-w-xl">
            Nothing is read yet. The flat sheet with its creases is enough; letters and orders of faces are
            used where they are given.
          </p>
        ) : null}
        {state.kind === 'working' ? (
          <Working
            name={state.name}
            progress={state.progress}
            cancel={() => {
              cancel.current()
              setState({ kind: 'idle' })
            }}
          />
        ) : null}
        {state.kind === 'failed' ? (
          <p role="alert" className="note max-w-xl">
            {state.name} could not be read: the browser gave it up. Choose it again.
          </p>
        ) : null}
        {state.kind === 'done' ? (
          <ReadAnswer name={state.name} answer={state.answer} preferences={preferences} />
        ) : null}
      </div>
    </div>
  )
}

interface WorkingProps {
  readonly name: string
  readonly progress: PatternProgress | null
  readonly cancel: () => void
}

/** How far the reading is, and a way to stop it. */
function Working({ name, progress, cancel }: WorkingProps) {
  return (
    <div className="flex flex-wrap items-center gap-4" role="status">
      <span className="loading loading-dots motion-reduce:hidden" aria-hidden />
      <p>
        {DOING[progress?.doing ?? 'reading']} {name}
        {progress?.doing === 'comparing' ? `, ${Math.round(progress.share * 100)} in 100` : ''}
        {progress && progress.tries > 0 ? `, ${progress.tries.toLocaleString('en')} orders tried` : ''}
      </p>
      <button type="button" className="btn btn-sm btn-outline" onClick={cancel}>
        Cancel
      </button>
    </div>
  )
}
