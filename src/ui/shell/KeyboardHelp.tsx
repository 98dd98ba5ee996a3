'use client'

import { useCallback, useEffect, useRef } from 'react'
import { SPOIL_REASONS } from '@/core/run'

const KEYS = [
  ['?', 'This help'],
  ['Tab, Shift Tab', 'From one thing to the next'],
  ['Enter', 'Press what has the ring around it'],
  ['Esc', 'Close a window'],
] as const

const IN_ORDER = [
  ['Arrows', 'The next piece, the one before'],
  ['Space or Enter', 'Take it up; on another piece, they change places'],
  ['H', 'Hold it there, or let it go'],
  ['Esc', 'Put it back'],
] as const
const AT_THE_TABLE: readonly (readonly [string, string])[] = [
  ['Space or Enter', 'Next: this fold is done'],
  ['Backspace or U', 'Undo the last tap'],
  ['S', 'This piece is spoiled'],
  ['L', 'What the signs mean'],
  [`1 to ${SPOIL_REASONS.length}`, 'Why, right after that'],
]

const STEP_BY_STEP = [
  ['Right, Left', 'The next fold, the one before'],
  ['End, Home', 'The finished piece, the flat sheet'],
  ['L', 'What the signs mean'],
  ['D', 'The same folds directly in the air, or with every crease'],
] as const

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest('input, textarea, select, [contenteditable]') !== null

export function KeyboardHelp() {
  const dialog = useRef<HTMLDialogElement>(null)
  const open = useCallback(() => dialog.current?.showModal(), [])
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === '?' && !isTyping(event.target)) open()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [open])
  return (
    <>
      <button type="button" className="btn btn-sm btn-outline rounded-full" onClick={open}>
        Keys
      </button>
      <dialog ref={dialog} className="modal" aria-labelledby="keys-title">
        <div className="modal-box">
          <h2 id="keys-title" className="text-2xl">
            Everything by keyboard
          </h2>
          <KeyList title="Everywhere" keys={KEYS} />
          <KeyList title="Step by step" keys={STEP_BY_STEP} />
          <KeyList title="Pieces in order" keys={IN_ORDER} />
          <KeyList title="While folding" keys={AT_THE_TABLE} />
          <form method="dialog" className="modal-action">
            <button className="btn btn-primary">Close</button>
          </form>
        </div>
      </dialog>
    </>
  )
}

function KeyList({
  title,
  keys,
}: {
  readonly title: string
  readonly keys: readonly (readonly [string, string])[]
}) {
  return (
    <>
      <h3 className="mt-4 text-lg">{title}</h3>
      <dl className="mt-1 grid grid-cols-[auto_1fr] gap-x-4 gap-y-2">
        {keys.map(([key, does]) => (
          <div key={key} className="contents">
            <dt>
              <kbd className="kbd">{key}</kbd>
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </>
  )
}
