'use client'

import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'

type State =
  | { readonly kind: 'idle' }
  | { readonly kind: 'sending'; readonly share: number }
  | { readonly kind: 'done' }
  | { readonly kind: 'refused'; readonly message: string }

/** Sends a file with progress: fetch cannot tell how much has gone. */
function send(
  file: File,
  onShare: (share: number) => void,
): { done: Promise<{ ok: boolean; message?: string }>; abort: () => void } {
  const request = new XMLHttpRequest()
  const done = new Promise<{ ok: boolean; message?: string }>((resolve, reject) => {
    request.upload.onprogress = (event) => onShare(event.total === 0 ? 0 : event.loaded / event.total)
    request.onload = () => {
      try {
        resolve(JSON.parse(request.responseText) as { ok: boolean; message?: string })
      } catch {
        reject(new Error('no answer'))
      }
    }
    request.onerror = () => reject(new Error('no answer'))
    request.onabort = () => reject(new Error('cancelled'))
    request.open('POST', '/api/backup/restore')
    request.setRequestHeader('content-type', 'application/octet-stream')
    request.send(file)
  })
  return { done, abort: () => request.abort() }
}

export function RestoreForm() {
  const router = useRouter()
  const input = useRef<HTMLInputElement>(null)
  const running = useRef<(() => void) | null>(null)
  const [state, setState] = useState<State>({ kind: 'idle' })
  const restore = async () => {
    const file = input.current?.files?.[0]
    if (!file) {
      setState({ kind: 'refused', message: 'Choose the backup file first.' })
      return
    }
    setState({ kind: 'sending', share: 0 })
    const { done, abort } = send(file, (share) => setState({ kind: 'sending', share }))
    running.current = abort
    try {
      const answer = await done
      setState(
        answer.ok
          ? { kind: 'done' }
          : { kind: 'refused', message: answer.message ?? 'The backup was refused.' },
      )
      if (answer.ok) router.refresh()
    } catch (error) {
      const cancelled = error instanceof Error && error.message === 'cancelled'
      setState({
        kind: 'refused',
        message: cancelled
          ? 'Cancelled. Nothing was changed.'
          : 'Kelpfield did not answer. Nothing was changed.',
      })
    }
  }
  return (
    <div className="flex flex-col items-start gap-3">
      <label className="text-sm font-semibold" htmlFor="backup-file">
        Backup file
      </label>
      <input id="backup-file" ref={input} type="file" accept=".db" className="file-input w-full" />
      {state.kind === 'sending' ? (
        <div className="flex items-center gap-3" role="status">
          <progress className="progress w-48" value={state.share} max={1} aria-label="Sent" />
          <button type="button" className="btn btn-sm btn-ghost" onClick={() => running.current?.()}>
            Cancel
          </button>
        </div>
      ) : (
        <button type="button" className="btn btn-outline" onClick={() => void restore()}>
          Put it back
        </button>
      )}
      <p role="alert" className="font-semibold">
        {state.kind === 'refused' ? state.message : ''}
      </p>
      <p role="status">{state.kind === 'done' ? 'The backup is in place.' : ''}</p>
    </div>
  )
}
