'use client'

import { useEffect, useRef, useState } from 'react'
import { HARD_TO_TELL, nearestPapers } from '@/core/colour'
import { readPalette, writePalette, type PaletteFault } from '@/formats/palette'
import type { PictureAnswer } from '@/workers/picture-colours.worker'
import { startPictureColours } from '@/workers/picture-colours-client'
import type { Running } from '@/workers/running'
import { formatShare, type Preferences } from '../format'
import { useHydrated } from '../forms/useHydrated'
import { fileName, save } from '../arrange/save'
import { Link } from '../shell/Link'
import { Swatch } from '../paper/Swatch'

interface DrawerColour {
  readonly id: string
  readonly name: string
  readonly frontColour: string
  readonly backColour: string
}

interface FindPapersProps {
  readonly papers: readonly DrawerColour[]
  /** The project, and its papers. */
  readonly chosen: { readonly name: string; readonly papers: readonly DrawerColour[] }
  readonly preferences: Preferences
}

/** A colour that a paper is wanted for: how much of the picture it is, or what the palette calls it. */
interface Wanted {
  readonly hex: string
  readonly says: string
}

type State =
  | { readonly kind: 'none' }
  | { readonly kind: 'looking' }
  | { readonly kind: 'found'; readonly colours: readonly Wanted[] }
  | { readonly kind: 'refused'; readonly words: string }

const REFUSED = {
  NOT_A_PICTURE: 'This file is not a picture the browser can read. Choose a photograph (JPEG, PNG or WebP).',
  NO_COLOUR: 'Everything in this picture is transparent. Choose another.',
} as const

const COLOURS = 6
/** Larger texts are no palette. */
const MOST_BYTES = 200_000

const FAULT_WORDS: Readonly<Record<PaletteFault['code'], (fault: PaletteFault) => string>> = {
  NO_COLOUR: () => 'There is no colour in it.',
  NOT_A_COLOUR: ({ line, text }) =>
    `Line ${line} is no colour: ${text}. Write colours like #2c6e7f, or use a palette file (.gpl).`,
  TOO_MANY: () => 'These are more than 256 colours. Keep the ones you want papers for.',
}

const isPalette = ({ name, type }: File): boolean => /\.(gpl|txt|csv)$/i.test(name) || type === 'text/plain'

/**
 * Colours of a picture, of a palette or by hand, each with the nearest paper of the drawer. Nothing leaves the machine.
 */
export function FindPapers({ papers, chosen, preferences }: FindPapersProps) {
  const ready = useHydrated()
  const [state, setState] = useState<State>({ kind: 'none' })
  const running = useRef<Running<PictureAnswer> | null>(null)
  /** What was asked for last: an answer to anything before it comes too late. */
  const latest = useRef<File | null>(null)
  useEffect(() => () => running.current?.cancel(), [])
  const readText = (text: string) => {
    const read = readPalette(text)
    setState(
      read.ok
        ? { kind: 'found', colours: read.colours.map(({ hex, name }) => ({ hex, says: name })) }
        : { kind: 'refused', words: FAULT_WORDS[read.fault.code](read.fault) },
    )
  }
  const look = (file: File | undefined) => {
    running.current?.cancel()
    latest.current = file ?? null
    if (!file) return setState({ kind: 'none' })
    if (isPalette(file)) {
      if (file.size > MOST_BYTES)
        return setState({ kind: 'refused', words: 'This file is too large for a palette of colours.' })
      return void file.text().then(
        (text) => {
          if (latest.current === file) readText(text)
        },
        () => setState({ kind: 'refused', words: 'This file could not be read. Choose it once more.' }),
      )
    }
    setState({ kind: 'looking' })
    const run = startPictureColours(file, COLOURS)
    running.current = run
    run.answer.then(
      (answer) =>
        setState(
          answer.ok
            ? {
                kind: 'found',
                colours: answer.colours.map(({ hex, share }) => ({
                  hex,
                  says: `${formatShare(share, preferences.locale)} of it`,
                })),
              }
            : { kind: 'refused', words: REFUSED[answer.code] },
        ),
      () => setState({ kind: 'refused', words: REFUSED.NOT_A_PICTURE }),
    )
  }
  const byHand = (text: string) => {
    running.current?.cancel()
    latest.current = null
    readText(text)
  }
  return (
    <section aria-labelledby="from-picture" className="mt-8">
      <h2 id="from-picture" className="text-2xl">
        Papers for other colours
      </h2>
      <p className="second">
        A photograph of the place or the flowers, a palette, or colours by hand: which papers of the drawer
        come near them. Nothing leaves this machine.
      </p>
      <label className="mt-3 block font-semibold">
        A picture, or a palette (.gpl)
        <input
          type="file"
          accept="image/*,.gpl,.txt,.csv"
          disabled={!ready}
          className="file-input mt-1 block"
          onChange={(event) => look(event.target.files?.[0])}
        />
      </label>
      <ByHand ready={ready} chosen={chosen} find={byHand} />
      <div role="status" className="mt-3">
        {state.kind === 'looking' ? <p>Looking at it ...</p> : null}
        {state.kind === 'refused' ? <p className="font-semibold text-error">{state.words}</p> : null}
        {state.kind === 'found' ? <Found colours={state.colours} papers={papers} /> : null}
      </div>
    </section>
  )
}

interface ByHandProps {
  readonly ready: boolean
  readonly chosen: FindPapersProps['chosen']
  readonly find: (text: string) => void
}

/** Colours typed, and the project's own for somebody else. */
function ByHand({ ready, chosen, find }: ByHandProps) {
  const [typed, setTyped] = useState('')
  return (
    <div className="mt-3 flex flex-wrap items-end gap-3">
      <label className="block font-semibold">
        Or colours by hand
        <input
          type="text"
          disabled={!ready}
          value={typed}
          placeholder="#c4491d #2c6e7f"
          className="input mt-1 block w-72"
          onChange={(event) => setTyped(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') find(typed)
          }}
        />
      </label>
      <button type="button" disabled={!ready} className="btn btn-outline" onClick={() => find(typed)}>
        Find papers
      </button>
      <button
        type="button"
        disabled={!ready || chosen.papers.length === 0}
        className="btn btn-outline"
        onClick={() => save(paletteOf(chosen), fileName(chosen.name, 'gpl'))}
      >
        Save this project’s palette
      </button>
    </div>
  )
}

const paletteOf = ({ name, papers }: FindPapersProps['chosen']): Blob =>
  new Blob(
    [
      writePalette(
        name,
        papers.map((paper) => ({ hex: paper.frontColour, name: paper.name })),
      ),
    ],
    {
      type: 'text/plain',
    },
  )

function Found({
  colours,
  papers,
}: {
  readonly colours: readonly Wanted[]
  readonly papers: readonly DrawerColour[]
}) {
  const known = papers.map(({ id, frontColour }) => ({ id, colour: frontColour }))
  const found = colours.map(({ hex, says }) => {
    const [nearest] = nearestPapers(hex, known)
    return { hex, says, nearest, paper: papers.find(({ id }) => id === nearest?.id) }
  })
  const ids = [...new Set(found.flatMap(({ paper }) => paper?.id ?? []))]
  return (
    <>
      <ul className="flex flex-col">
        {found.map(({ hex, says, nearest, paper }, index) => {
          return (
            <li
              key={`${index} ${hex}`}
              className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t hairline py-2 last:border-b"
            >
              <span className="h-7 w-10 border hairline" style={{ background: hex }} aria-hidden />
              <span className="figure w-20">{hex}</span>
              <span className="second w-40 truncate">{says}</span>
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
      {ids.length === 0 ? null : (
        <Link href={`/projects/new?papers=${ids.join(',')}`} className="btn btn-outline mt-3">
          Start a project in {ids.length === 1 ? 'this paper' : 'these papers'}
        </Link>
      )}
    </>
  )
}
