'use client'

import { useCallback, useEffect, useMemo, useRef, useState, type ReactNode, type RefObject } from 'react'
import type { DrawnProgram } from '@/core/fold'
import { USUAL_CALIPER_MM } from '@/core/paper'
import type { Followed } from '@/flows/read/folds'
import type { DrawerPaper } from '@/flows/read/papers'
import { ANY_PAPER, facesOf } from '../diagram/faces'
import { formatLength, type Preferences } from '../format'
import { useHydrated } from '../forms/useHydrated'
import { useUnpacked, type Packed } from '../packed'
import { Legend } from '../diagram/Legend'
import { scalesOf, type Scale } from '../diagram/view'
import { Filmstrip } from './Filmstrip'
import { StepFigures } from './StepFigures'
import { STEPS_FORM } from './StepsFor'
import { Finished, Said, Side, TheEnd } from './StepParts'
import {
  BackAndNext,
  OtherWay,
  PaperChoice,
  PLAIN,
  PlayButton,
  SaveFold,
  Tick,
  type Onward,
} from './StepControls'
import { StepPicture } from './StepPicture'
import { wordsForLeftHand } from './step-words'

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
  /** Where the folds are fetched to work out the stages of a move; its number is added. */
  readonly programAddress: string
  /** The same folds in the other way, directly or with every crease: its name and address; `null` where there is one. */
  readonly otherWay?: { readonly name: string; readonly address: string } | null
  /** Where it goes on from the finished piece. */
  readonly onward?: Onward | null
  /** The move shown first, from 0. */
  readonly start: number
  readonly preferences: Preferences
}

/** Any folds, one picture at a time: what to do, what it makes, and the way there and back. */
export function StepThrough(props: StepThroughProps) {
  const { name, folds, sheetMm, papers, fileAddress, otherWay = null, onward = null, preferences } = props
  const shown = useUnpacked(props.shown)
  const { sideUp, shaping } = folds
  const last = shown.moves.length
  const choices = useChoices(props.paperId, props.hand)
  const { chosen, hidden, leftHanded } = choices
  const { at, go, playing, setPlaying } = useStepAt(props.start, last)
  const stop = useCallback(() => setPlaying(false), [setPlaying])
  const paper = papers.find((one) => one.id === chosen)
  const faces = useFaces(paper, sideUp)
  const caliperMm = paper?.caliperMm ?? USUAL_CALIPER_MM
  const move = shown.moves[at]

  const other = useRef<HTMLAnchorElement>(null)
  useStepKeys(at, last, go, other)

  const words = useWords(folds.words, leftHanded)
  const scales = useScales(shown, folds.words)
  const word = move && words[move.step]
  const said = word?.says[move?.round ?? 0] ?? ''
  return (
    <div className="grid gap-x-8 gap-y-4 tablet:grid-cols-[1.25fr_1fr]" data-ready={useHydrated()}>
      <CarriedOn at={at} chosen={chosen} />
      <div className="sheet-panel flex h-[26rem] flex-col p-3 tablet:h-[30rem]">
        {move ? (
          <StepPicture
            move={move}
            word={word}
            said={said}
            shaping={shapingIn(folds.forms, word)}
            faces={faces}
            hidden={hidden}
            leftHanded={leftHanded}
            length={(share) => formatLength(share * sheetMm, preferences)}
            scale={scales[at]}
            playing={playing}
            programAddress={`${props.programAddress}move=${at + 1}`}
            onEnd={stop}
          />
        ) : (
          <TheEnd shown={shown} forms={folds.forms} faces={faces} leftHanded={leftHanded} name={name} />
        )}
      </div>
      <div className="flex flex-col gap-4 tablet:h-[30rem]">
        <div aria-live="polite" aria-atomic className="min-h-36 grow overflow-y-auto">
          <Told
            {...{ word, move, said, sheetMm, caliperMm, preferences, shown, shaping }}
            steps={words.length}
          />
        </div>
        <Choices papers={papers} move={move} {...choices}>
          <OtherWay ref={other} way={otherWay} left={last - at} />
          {move?.motion || move?.halfway ? (
            <PlayButton playing={playing} play={() => setPlaying(true)} stop={stop} />
          ) : null}
        </Choices>
        <BackAndNext at={at} last={last} go={go} onward={onward} />
      </div>
      <div className="min-w-0 self-start bg-base-300 tablet:col-span-2">
        <Filmstrip shown={shown} words={words} faces={faces} leftHanded={leftHanded} at={at} go={go} />
      </div>
      <Below
        move={move}
        at={at}
        moves={last}
        faces={faces}
        fileAddress={fileAddress}
        sheetMm={sheetMm}
        sideUp={sideUp}
        caliperMm={caliperMm}
        preferences={preferences}
      />
    </div>
  )
}

type ToldProps = Omit<Parameters<typeof Said>[0], 'word' | 'move'> &
  Parameters<typeof Finished>[0] & {
    readonly word: Parameters<typeof Said>[0]['word'] | undefined
    readonly move: Parameters<typeof Said>[0]['move'] | undefined
  }

/** What is said of the move that is shown, or of the finished piece. */
const Told = ({ word, move, said, steps, caliperMm, shown, shaping, ...lengths }: ToldProps) =>
  move && word ? (
    <Said word={word} move={move} said={said} steps={steps} caliperMm={caliperMm} {...lengths} />
  ) : (
    <Finished shown={shown} shaping={shaping} {...lengths} />
  )

/** In which paper, for which hand, and whether with what other layers cover. */
function useChoices(paperId: string | null, hand: 'right' | 'left') {
  const [chosen, choose] = useState(paperId)
  const [hidden, setHidden] = useState(false)
  const [leftHanded, setLeftHanded] = useState(hand === 'left')
  return { chosen, choose, hidden, setHidden, leftHanded, setLeftHanded }
}

interface ChoicesProps extends ReturnType<typeof useChoices> {
  readonly papers: readonly DrawerPaper[]
  readonly move: DrawnProgram['moves'][number] | undefined
  readonly children: ReactNode
}

/** How the pictures are shown. */
const Choices = ({
  move,
  hidden,
  setHidden,
  leftHanded,
  setLeftHanded,
  children,
  ...paper
}: ChoicesProps) => (
  <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
    <PaperChoice {...paper} />
    <Tick label={hiddenLabel(move)} on={hidden} set={setHidden} />
    <Tick label="for the left hand" on={leftHanded} set={setLeftHanded} />
    <Legend />
    {children}
  </div>
)

/** The same colours while the paper is the same: the strip's pictures are then not drawn again at every step. */
const useFaces = (paper: DrawerPaper | undefined, sideUp: Followed['sideUp']) =>
  useMemo(() => facesOf(paper ?? ANY_PAPER, sideUp), [paper, sideUp])

/** The words for the hand that folds: they follow the pictures. */
const useWords = (words: Followed['words'], leftHanded: boolean) =>
  useMemo(() => (leftHanded ? words.map(wordsForLeftHand) : words), [leftHanded, words])

/** Whether there is anything to show. */
const hiddenLabel = (move: DrawnProgram['moves'][number] | undefined): string =>
  move?.picture.edges.hidden.length === 0 ? 'hidden edges: none here' : 'hidden edges'

/** One scale through a stage. */
const useScales = ({ moves }: DrawnProgram, words: Followed['words']): readonly Scale[] =>
  useMemo(
    () =>
      scalesOf(
        moves.map(({ picture }) => picture),
        (index) =>
          words[moves[index]?.step ?? 0]?.stageName !== words[moves[index - 1]?.step ?? 0]?.stageName,
      ),
    [moves, words],
  )

/** What a step shapes, where that was painted. */
const shapingIn = (forms: Followed['forms'], word: Followed['words'][number] | undefined) =>
  forms?.shapings.find(({ step }) => step === word?.key) ?? null

/** What the form above adds to the address, so that another size is shown at the same fold in the same paper. */
const CarriedOn = ({ at, chosen }: { readonly at: number; readonly chosen: string | null }) => (
  <>
    <input type="hidden" name="move" form={STEPS_FORM} value={at + 1} />
    <input type="hidden" name="paper" form={STEPS_FORM} value={chosen ?? PLAIN} />
  </>
)

interface BelowProps extends Omit<Parameters<typeof StepFigures>[0], 'move'> {
  readonly move: DrawnProgram['moves'][number] | undefined
  readonly at: number
  readonly faces: Parameters<typeof Side>[0]['faces']
  readonly fileAddress: string
}

/** The stack from the side, the figures of the move, and the piece as a file. */
function Below({ move, at, faces, fileAddress, ...figures }: BelowProps) {
  const address = `${fileAddress}move=${at + 1}`
  if (!move) return <SaveFold address={address}>the finished piece</SaveFold>
  return (
    <>
      <div className="flex flex-col gap-3">
        <Side move={move} faces={faces} />
        <SaveFold address={address}>the piece as it lies here</SaveFold>
      </div>
      <StepFigures move={move} {...figures} />
    </>
  )
}

/** Which move is shown; the address follows, so that a reload shows the same. */
function useStepAt(start: number, last: number) {
  const [at, setAt] = useState(Math.min(Math.max(0, start), last))
  const [playing, setPlaying] = useState(false)
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
  return { at, go, playing, setPlaying }
}

/** Arrow keys go from fold to fold wherever nothing is being typed or chosen. */
function useStepKeys(
  at: number,
  last: number,
  go: (to: number) => void,
  otherWay: RefObject<HTMLAnchorElement | null>,
): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const busy =
        event.target instanceof HTMLElement &&
        event.target.closest('input, select, textarea, dialog') !== null
      if (busy || event.altKey || event.ctrlKey || event.metaKey) return
      if (event.key === 'd' || event.key === 'D') return otherWay.current?.click()
      const to = { ArrowLeft: at - 1, ArrowRight: at + 1, Home: 0, End: last }[event.key]
      if (to === undefined) return
      event.preventDefault()
      go(to)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [at, last, go, otherWay])
}
