'use client'

import { ChevronLeft, ChevronRight, Play } from 'lucide-react'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { DrawnProgram } from '@/core/fold'
import { USUAL_CALIPER_MM } from '@/core/paper'
import type { Followed } from '@/flows/read/folds'
import type { DrawerPaper } from '@/flows/read/papers'
import { MoveDiagram } from '../diagram/Halfway'
import { ANY_PAPER, facesOf } from '../diagram/faces'
import { InBetween } from '../diagram/InBetween'
import type { Preferences } from '../format'
import { useHydrated } from '../forms/useHydrated'
import { useUnpacked, type Packed } from '../packed'
import { Filmstrip } from './Filmstrip'
import { StepFigures } from './StepFigures'
import { STEPS_FORM } from './StepsFor'
import { BothSides, Finished, Said, Side } from './StepParts'
import { kindWords, wordsForLeftHand } from './step-words'

interface StepThroughProps {
  readonly name: string
  readonly folds: Omit<Followed, 'shown'>
  readonly shown: Packed<DrawnProgram>
  readonly sheetMm: number
  readonly papers: readonly DrawerPaper[]
  readonly paperId: string | null
  readonly hand: 'right' | 'left'
  /** Where the state shown can be fetched as a file; the number of the move is added. */
  readonly fileAddress: string
  /** The same folds in the other way, directly or with every crease: its name and address; `null` where there is one. */
  readonly otherWay?: { readonly name: string; readonly address: string } | null
  /** The move shown first, from 0. */
  readonly start: number
  readonly preferences: Preferences
}

/** No paper of one's own: a word that is no id, so that the choice stays in the address. */
const PLAIN = 'plain'

/** Any folds, one picture at a time: what to do, what it makes, and the way there and back. */
export function StepThrough({
  name,
  folds,
  shown: packed,
  sheetMm,
  papers,
  paperId,
  hand,
  fileAddress,
  otherWay = null,
  start,
  preferences,
}: StepThroughProps) {
  const shown = useUnpacked(packed)
  const { sideUp, shaping } = folds
  const last = shown.moves.length
  const [at, setAt] = useState(Math.min(Math.max(0, start), last))
  const [chosen, setChosen] = useState(paperId)
  const [hidden, setHidden] = useState(false)
  const [leftHanded, setLeftHanded] = useState(hand === 'left')
  const [playing, setPlaying] = useState(false)
  const paper = papers.find((one) => one.id === chosen)
  // The same colours while the paper is the same: the strip's pictures are then not drawn again at every step.
  const faces = useMemo(() => facesOf(paper ?? ANY_PAPER, sideUp), [paper, sideUp])
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
  const other = useRef<HTMLAnchorElement>(null)
  const switchWay = useCallback(() => other.current?.click(), [])
  useStepKeys(at, last, go, switchWay)

  const words = useMemo(
    () => (leftHanded ? folds.words.map(wordsForLeftHand) : folds.words),
    [leftHanded, folds.words],
  )
  const word = move && words[move.step]
  const said = word && move ? (word.says[move.round] ?? '') : ''
  return (
    <div className="grid gap-x-8 gap-y-4 tablet:grid-cols-[1.25fr_1fr]" data-ready={useHydrated()}>
      <input type="hidden" name="move" form={STEPS_FORM} value={at + 1} />
      <input type="hidden" name="paper" form={STEPS_FORM} value={chosen ?? PLAIN} />
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
            <MoveDiagram
              picture={move.picture}
              halfway={move.halfway}
              faces={faces}
              title={`${said}. ${kindWords(move.kind)}`}
              hidden={hidden}
              more={word ? word.says.length - 1 - move.round : 0}
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
            <Said word={word} move={move} said={said} steps={words.length} preferences={preferences} />
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
                value={chosen ?? PLAIN}
                onChange={(event) => setChosen(event.target.value)}
              >
                <option value={PLAIN}>plain</option>
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
          {otherWay ? (
            // The same fold there: as many are left to the end as here.
            <a ref={other} href={`${otherWay.address}left=${last - at}`} className="btn btn-sm btn-outline">
              {otherWay.name} (D)
            </a>
          ) : null}
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
          <div className="flex flex-col gap-3">
            <Side move={move} faces={faces} />
            <p className="text-sm">
              <a href={`${fileAddress}move=${at + 1}`} download className="underline">
                Save the piece as it lies here as a FOLD file
              </a>
            </p>
          </div>
          <StepFigures
            move={move}
            moves={last}
            sheetMm={sheetMm}
            sideUp={sideUp}
            caliperMm={paper?.caliperMm ?? USUAL_CALIPER_MM}
            preferences={preferences}
          />
        </>
      ) : (
        <p className="text-sm">
          <a href={`${fileAddress}move=${last + 1}`} download className="underline">
            Save the finished piece as a FOLD file
          </a>
        </p>
      )}
    </div>
  )
}

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

/** Arrow keys go from fold to fold wherever nothing is being typed or chosen. */
function useStepKeys(at: number, last: number, go: (to: number) => void, switchWay: () => void): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const busy =
        event.target instanceof HTMLElement &&
        event.target.closest('input, select, textarea, dialog') !== null
      if (busy || event.altKey || event.ctrlKey || event.metaKey) return
      if (event.key === 'd' || event.key === 'D') return switchWay()
      const to = { ArrowLeft: at - 1, ArrowRight: at + 1, Home: 0, End: last }[event.key]
      if (to === undefined) return
      event.preventDefault()
      go(to)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [at, last, go, switchWay])
}
