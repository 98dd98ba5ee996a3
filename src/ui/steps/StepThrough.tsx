'use client'

import { ChevronLeft, ChevronRight, Play } from 'lucide-react'
import { useCallback, useEffect, useState } from 'react'
import type { ShownMove, ShownProgram } from '@/core/fold'
import type { Followed, FoldWords } from '@/flows/read/folds'
import type { DrawerPaper } from '@/flows/read/papers'
import { FoldDiagram, type PaperFaces } from '../diagram/FoldDiagram'
import { ANY_PAPER, facesOf } from '../diagram/faces'
import { InBetween } from '../diagram/InBetween'
import { endWords, StackSide } from '../diagram/StackSide'
import { formatLength, type Preferences } from '../format'
import { useUnpacked, type Packed } from '../packed'
import { Filmstrip } from './Filmstrip'
import { StepFigures } from './StepFigures'
import { countWords, kindWords } from './step-words'

interface StepThroughProps {
  readonly name: string
  readonly folds: Omit<Followed, 'shown'>
  readonly shown: Packed<ShownProgram>
  readonly sheetMm: number
  readonly papers: readonly DrawerPaper[]
  readonly paperId: string | null
  readonly hand: 'right' | 'left'
  /** The move shown first, from 0. */
  readonly start: number
  readonly preferences: Preferences
}

const USUAL_CALIPER_MM = 0.1

/** Any folds, one picture at a time: what to do, what it makes, and the way there and back. */
export function StepThrough({
  name,
  folds,
  shown: packed,
  sheetMm,
  papers,
  paperId,
  hand,
  start,
  preferences,
}: StepThroughProps) {
  const shown = useUnpacked(packed)
  const { words, sideUp, shaping } = folds
  const last = shown.moves.length
  const [at, setAt] = useState(Math.min(Math.max(0, start), last))
  const [chosen, setChosen] = useState(paperId)
  const [hidden, setHidden] = useState(false)
  const [leftHanded, setLeftHanded] = useState(hand === 'left')
  const [playing, setPlaying] = useState(false)
  const paper = papers.find((one) => one.id === chosen)
  const faces = facesOf(paper ?? ANY_PAPER, sideUp)
  const move = shown.moves[at]

  const go = useCallback(
    (to: number) => {
      const next = Math.min(Math.max(0, to), last)
      setPlaying(false)
      setAt(next)
      const url = new URL(window.location.href)
      url.searchParams.set('move', String(next + 1))
      window.history.replaceState(null, '', url)
    },
    [last],
  )
  useStepKeys(at, last, go)

  const word = move && words[move.step]
  const said = word && move ? (word.says[move.round] ?? '') : ''
  return (
    <div className="grid gap-x-8 gap-y-4 tablet:grid-cols-[1.25fr_1fr]">
      <div className="sheet-panel flex h-[26rem] flex-col p-3 tablet:h-[30rem]">
        {move ? (
          playing && move.motion ? (
            <InBetween
              picture={move.picture}
              motion={move.motion}
              faces={faces}
              leftHanded={leftHanded}
              onEnd={() => setPlaying(false)}
            />
          ) : (
            <FoldDiagram
              picture={move.picture}
              faces={faces}
              title={`${said}. ${kindWords(move.kind)}`}
              hidden={hidden}
              leftHanded={leftHanded}
            />
          )
        ) : (
          <BothSides shown={shown} faces={faces} leftHanded={leftHanded} name={name} />
        )}
      </div>
      <div className="flex flex-col gap-4 tablet:h-[30rem]">
        <div aria-live="polite" aria-atomic className="min-h-36 grow overflow-y-auto">
          {move && word ? (
            <Said word={word} move={move} said={said} steps={words.length} />
          ) : (
            <Finished shown={shown} shaping={shaping} sheetMm={sheetMm} preferences={preferences} />
          )}
        </div>
        <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
          {papers.length === 0 ? null : (
            <label className="flex items-center gap-2">
              <span className="second">Paper</span>
              <select
                className="select w-40 select-sm"
                value={chosen ?? ''}
                onChange={(event) => setChosen(event.target.value)}
              >
                <option value="">plain</option>
                {papers.map((one) => (
                  <option key={one.id} value={one.id}>
                    {one.name}
                  </option>
                ))}
              </select>
            </label>
          )}
          <Tick label="hidden edges" on={hidden} set={setHidden} />
          <Tick label="for the left hand" on={leftHanded} set={setLeftHanded} />
          {move?.motion ? (
            <button
              type="button"
              className="btn btn-sm btn-outline motion-reduce:hidden"
              onClick={() => setPlaying(true)}
              disabled={playing}
            >
              <Play size={16} aria-hidden /> See it move
            </button>
          ) : null}
        </div>
        <div className="flex gap-3">
          <button
            type="button"
            className="btn h-14 grow btn-outline"
            disabled={at === 0}
            onClick={() => go(at - 1)}
          >
            <ChevronLeft aria-hidden /> Back
          </button>
          <button
            type="button"
            className="btn h-14 grow-2 btn-primary"
            disabled={at === last}
            onClick={() => go(at + 1)}
          >
            Next <ChevronRight aria-hidden />
          </button>
        </div>
      </div>
      <div className="min-w-0 self-start bg-base-300 tablet:col-span-2">
        <Filmstrip shown={shown} words={words} faces={faces} leftHanded={leftHanded} at={at} go={go} />
      </div>
      {move ? (
        <>
          <Side move={move} faces={faces} />
          <StepFigures
            move={move}
            moves={last}
            sheetMm={sheetMm}
            sideUp={sideUp}
            caliperMm={paper?.caliperMm ?? USUAL_CALIPER_MM}
            preferences={preferences}
          />
        </>
      ) : null}
    </div>
  )
}

function Said({
  word,
  move,
  said,
  steps,
}: {
  readonly word: FoldWords
  readonly move: ShownMove
  readonly said: string
  readonly steps: number
}) {
  const { count, of } = countWords(word, move.round)
  return (
    <>
      <p className="second">
        Step {move.step + 1} of {steps}
        {word.stageName === null ? '' : `, ${word.stageName}`}
      </p>
      {word.says.length === 1 ? null : (
        <p className="figure leading-none">
          <span className="text-6xl">{count}</span> <span className="second text-3xl">{of}</span>
        </p>
      )}
      <p className="figure mt-1 text-3xl leading-snug" data-testid="said">
        {said}
      </p>
      <p className="second mt-1">
        {kindWords(move.kind)}
        {word.crease === 'none' ? '' : ` Crease: ${word.crease}. ${RIGOUR[word.rigour]}`}
      </p>
      {word.note === null ? null : <p className="note mt-2">{word.note}</p>}
    </>
  )
}

const RIGOUR = { strict: 'Exactly.', even: 'Even on all sides.', free: 'By eye.' } as const

function Tick({
  label,
  on,
  set,
}: {
  readonly label: string
  readonly on: boolean
  readonly set: (on: boolean) => void
}) {
  return (
    <label className="flex cursor-pointer items-center gap-2">
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={on}
        onChange={(event) => set(event.target.checked)}
      />
      {label}
    </label>
  )
}

/** The stack at the fold, where there is one. */
function Side({ move, faces }: { readonly move: ShownMove; readonly faces: PaperFaces }) {
  const { section } = move.picture
  return (
    <div>
      {section && section.layers.length > 0 ? (
        <figure>
          <StackSide section={section} faces={faces} />
          <figcaption className="second text-sm">
            The stack at the fold line, from the side; heavy layers move. {endWords(section)}
          </figcaption>
        </figure>
      ) : null}
    </div>
  )
}

function Finished({
  shown,
  shaping,
  sheetMm,
  preferences,
}: Pick<Followed, 'shown' | 'shaping'> & Pick<StepThroughProps, 'sheetMm' | 'preferences'>) {
  const [low, high] = [0, 1].map((end) => shaping.reduce((all, { factor }) => all * (factor[end] ?? 1), 1))
  const length = (share: number) => formatLength(share * sheetMm, preferences)
  return (
    <>
      <p className="figure text-5xl leading-tight">Finished</p>
      <ul className="mt-2">
        {shown.sizes.map(({ axis, label, share }) => (
          <li key={axis} className="text-lg">
            <span className="font-semibold">{length(share)}</span> {label}
            {shaping.length === 0 ? '' : ', flat'}
          </li>
        ))}
      </ul>
      {shaping.length === 0 ? null : (
        <div className="note mt-3">
          <p>
            Estimated after shaping:{' '}
            {shown.sizes
              .map(
                ({ share, label }) =>
                  `${length(share * (low ?? 1))} to ${length(share * (high ?? 1))} ${label}`,
              )
              .join(', ')}
            .
          </p>
          {shaping.map(({ name, model }) => (
            <p key={name} className="text-sm">
              {model}
            </p>
          ))}
        </div>
      )}
    </>
  )
}

function BothSides({
  shown,
  faces,
  leftHanded,
  name,
}: {
  readonly shown: ShownProgram
  readonly faces: PaperFaces
  readonly leftHanded: boolean
  readonly name: string
}) {
  return (
    <div className="grid min-h-0 grow grid-cols-2 gap-4 p-4">
      {(['front', 'back'] as const).map((side) => (
        <figure key={side} className="flex min-h-0 flex-col">
          <div className="min-h-0 grow">
            <FoldDiagram
              picture={shown[side]}
              faces={faces}
              leftHanded={leftHanded}
              title={`${name}, ${side === 'front' ? 'from above' : 'turned over'}`}
              small
            />
          </div>
          <figcaption className="second text-center">
            {side === 'front' ? 'from above' : 'turned over'}
          </figcaption>
        </figure>
      ))}
    </div>
  )
}

/** Arrow keys go from fold to fold wherever nothing is being typed or chosen. */
function useStepKeys(at: number, last: number, go: (to: number) => void): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const busy =
        event.target instanceof HTMLElement &&
        event.target.closest('input, select, textarea, dialog') !== null
      if (busy || event.altKey || event.ctrlKey || event.metaKey) return
      const to = { ArrowLeft: at - 1, ArrowRight: at + 1, Home: 0, End: last }[event.key]
      if (to === undefined) return
      event.preventDefault()
      go(to)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [at, last, go])
}
