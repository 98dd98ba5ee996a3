'use client'

import { useEffect, useRef, useState } from 'react'
import { HARD_TO_TELL, nearestPapers, type PictureColour } from '@/core/colour'
import type { PictureAnswer } from '@/workers/picture-colours.worker'
import { startPictureColours } from '@/workers/picture-colours-client'
import type { Running } from '@/workers/running'
import { formatShare, type Preferences } from '../format'
import { useHydrated } from '../forms/useHydrated'
import { Swatch } from '../paper/Swatch'

interface DrawerColour {
  readonly id: string
  readonly name: string
  readonly frontColour: string
  readonly backColour: string
}

interface FromPictureProps {
  readonly papers: readonly DrawerColour[]
  readonly preferences: Preferences
}

type State =
  | { readonly kind: 'none' }
  | { readonly kind: 'looking' }
  | { readonly kind: 'found'; readonly colours: readonly PictureColour[] }
  | { readonly kind: 'refused'; readonly words: string }

const REFUSED = {
  NOT_A_PICTURE: 'This file is not a picture the browser can read. Choose a photograph (JPEG, PNG or WebP).',
  NO_COLOUR: 'Everything in this picture is transparent. Choose another.',
} as const

const COLOURS = 6

/** The colours of a picture, each with the nearest paper of the drawer. The picture never leaves the machine. */
export function FromPicture({ papers, preferences }: FromPictureProps) {
  const ready = useHydrated()
  const [state, setState] = useState<State>({ kind: 'none' })
  const running = useRef<Running<PictureAnswer> | null>(null)
  useEffect(() => () => running.current?.cancel(), [])
  const look = (file: File | undefined) => {
    running.current?.cancel()
    if (!file) return setState({ kind: 'none' })
    setState({ kind: 'looking' })
    const run = startPictureColours(file, COLOURS)
    running.current = run
    run.answer.then(
      (answer) =>
        setState(
          answer.ok
            ? { kind: 'found', colours: answer.colours }
            : { kind: 'refused', words: REFUSED[answer.code] },
        ),
      () => setState({ kind: 'refused', words: REFUSED.NOT_A_PICTURE }),
    )
  }
  return (
    <section aria-labelledby="from-picture" className="mt-8">
      <h2 id="from-picture" className="text-2xl">
        Papers from a picture
      </h2>
      <p className="second">
        A photograph of the place or the flowers: which papers of the drawer come near it. It stays on this
        machine.
      </p>
      <label className="mt-3 block font-semibold">
        Picture
        <input
          type="file"
          accept="image/*"
          disabled={!ready}
          className="file-input mt-1 block"
          onChange={(event) => look(event.target.files?.[0])}
        />
      </label>
      <div role="status" className="mt-3">
        {state.kind === 'looking' ? <p>Looking at it ...</p> : null}
        {state.kind === 'refused' ? <p className="font-semibold text-error">{state.words}</p> : null}
        {state.kind === 'found' ? (
          <Found colours={state.colours} papers={papers} preferences={preferences} />
        ) : null}
      </div>
    </section>
  )
}

function Found({
  colours,
  papers,
  preferences,
}: FromPictureProps & { readonly colours: readonly PictureColour[] }) {
  const known = papers.map(({ id, frontColour }) => ({ id, colour: frontColour }))
  return (
    <ul className="flex flex-col">
      {colours.map(({ hex, share }) => {
        const [nearest] = nearestPapers(hex, known)
        const paper = papers.find(({ id }) => id === nearest?.id)
        return (
          <li
            key={hex}
            className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t hairline py-2 last:border-b"
          >
            <span className="h-7 w-10 border hairline" style={{ background: hex }} aria-hidden />
            <span className="figure w-20">{hex}</span>
            <span className="second w-24">{formatShare(share, preferences.locale)} of it</span>
            {paper && nearest ? (
              <span className="flex items-center gap-2">
                <Swatch front={paper.frontColour} back={paper.backColour} />
                {paper.name}, {nearest.difference < HARD_TO_TELL ? 'near' : 'not near'}: difference{' '}
                {nearest.difference.toFixed(1)}
              </span>
            ) : (
              <span className="second">no paper in the drawer yet</span>
            )}
          </li>
        )
      })}
    </ul>
  )
}
