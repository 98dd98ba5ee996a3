import { useEffect, useMemo } from 'react'
import type { DesignDocument, GaugeSettings } from '@/core/design'
import { flapDepth } from '@/core/fold'
import { USUAL_CALIPER_MM } from '@/core/paper'
import type { Cell } from '@/core/run'
import type { RunPictures } from '@/flows/read/folds'
import type { RunView } from '@/flows/read/run'
import { Silhouette } from '../design/Silhouette'
import { ANY_PAPER, facesOf } from '../diagram/faces'
import { FoldDiagram } from '../diagram/FoldDiagram'
import { MoveDiagram } from '../diagram/Halfway'
import { scalesOf, type Scale } from '../diagram/view'
import { formatLength, type Preferences } from '../format'
import { BeforeAndAfter } from '../piece/BeforeAndAfter'
import { PaintedPiece, pictureAddress } from '../piece/PaintedPiece'
import { aimWords } from '../steps/aim-words'
import { roomWords } from '../steps/step-words'
import { nextLine, nowWords, type NowWords } from './words'

interface FoldingProps {
  readonly run: RunView
  readonly design: DesignDocument
  readonly gauges: GaugeSettings
  readonly pictures: RunPictures | null
  readonly cell: Cell
  readonly preferences: Preferences
}

/** What the hands do now: the picture, which of how many, and the words; nothing else large. */
export function Folding({ run, design, gauges, pictures, cell, preferences }: FoldingProps) {
  return (
    <div className="grid grow tablet:grid-cols-[1fr_1fr]">
      <div className="flex h-[34vh] min-h-0 max-sm:h-[30vh] flex-col bg-base-100 p-4 tablet:h-auto tablet:max-h-[calc(100vh-11rem)]">
        {pictures ? (
          <Pictures run={run} pictures={pictures} cell={cell} preferences={preferences} />
        ) : (
          <>
            <div className="flex min-h-0 grow items-center">
              <Silhouette
                design={design}
                variantKey={run.variantKey}
                sheetMm={run.sheetMm}
                gauges={gauges}
                colour={run.paper?.frontColour ?? ANY_PAPER.frontColour}
                className="h-72 w-full"
              />
            </div>
            <p className="second text-center text-lg">so it ends</p>
          </>
        )}
      </div>
      <Words
        now={nowWords(
          run,
          cell,
          (mm) => formatLength(mm, preferences),
          depthMm(run, pictures, cell),
          roomFor(run, pictures, cell),
        )}
        next={nextLine(run, cell)}
      />
    </div>
  )
}

/** How deep the flap of a fold is that meets no mark, mm; `null` for every other fold. */
function depthMm({ plan, steps, sheetMm }: RunView, pictures: RunPictures | null, cell: Cell): number | null {
  if (plan.grain !== 'fold' || !steps[cell.step]?.tellsDepth) return null
  const move = pictures?.moves.find(({ step, round }) => step === cell.step && round === cell.repeat - 1)
  const depth = move ? flapDepth(move.picture.symbols) : null
  return depth === null ? null : depth * sheetMm
}

/** The room a fold leaves for the layers of later ones, in the paper of the run; `null` where it leaves none. */
function roomFor({ plan, paper }: RunView, pictures: RunPictures | null, cell: Cell): string | null {
  const layers = plan.grain === 'fold' ? (pictures?.roomForLayers[cell.step] ?? []) : []
  return layers.length === 0 ? null : roomWords(layers, paper?.caliperMm ?? USUAL_CALIPER_MM)
}

/** A saying that takes more than three lines at full size. */
const LONG_SAYING = 44

/** What to do, in letters for a metre and a half; where there is much to say, somewhat smaller, so that all is seen. */
function Words({ now, next }: { readonly now: NowWords; readonly next: string }) {
  // The screen holds two notes beside the words; what one looks at now comes first.
  const note = now.normal !== null && now.look.length > 0 ? null : now.note
  const notes = [note, now.normal, now.look.length > 0 ? now.look : null].filter((one) => one !== null)
  const much = notes.length > 1 || now.say.length > LONG_SAYING
  return (
    <div
      className="flex flex-col justify-between gap-4 border-l hairline bg-base-200 px-8 py-6 max-sm:px-5 max-sm:py-4"
      aria-live="polite"
      aria-atomic
    >
      <div className="flex flex-col gap-3">
        <p className="figure leading-none">
          <span className={`max-sm:text-[3.5rem] ${much ? 'text-[5rem]' : 'text-[8rem]'}`}>{now.count}</span>{' '}
          <span className={`second max-sm:text-[2rem] ${much ? 'text-[3rem]' : 'text-[4rem]'}`}>
            {now.of}
          </span>
        </p>
        <p
          className={`figure leading-[1.04] max-sm:text-[2.25rem] ${much ? 'text-[3.75rem]' : 'text-[4.5rem]'}`}
        >
          {now.say}
        </p>
        {note === null ? null : <p className="second text-2xl max-sm:text-lg">{note}</p>}
        {now.normal === null ? null : (
          <p className="note text-2xl max-sm:text-lg">
            <strong>This looks wrong, but it is right.</strong> {now.normal}
          </p>
        )}
        {now.look.length === 0 ? null : (
          <p className="note text-2xl max-sm:text-lg">
            <strong>Look before you go on:</strong> {now.look.join('; ')}.
          </p>
        )}
      </div>
      <p className="text-2xl max-sm:text-lg">
        <span className="second">then </span>
        {next}
      </p>
    </div>
  )
}

/** Painted pictures are fetched with the page: a table goes on folding when nothing answers. */
function useFetched({ moves, painted }: RunPictures): void {
  useEffect(() => {
    const views = [
      painted,
      ...moves.flatMap(({ shaping }) => (shaping ? [shaping.before, shaping.after] : [])),
    ]
    for (const view of views) if (view) new Image().src = pictureAddress(view)
  }, [moves, painted])
}

/** One scale through a stage. */
const useScales = ({ plan }: RunView, { moves }: RunPictures): readonly Scale[] =>
  useMemo(() => {
    const stageAt = (index: number) => plan.steps[moves[index]?.step ?? 0]?.stage
    return scalesOf(
      moves.map(({ picture }) => picture),
      (index) => stageAt(index) !== stageAt(index - 1),
    )
  }, [plan, moves])

/** The moves one tap stands for: this fold, the steps of a stage, or none but the end for a whole piece. */
function shownNow(
  run: RunView,
  { moves }: RunPictures,
  cell: Cell,
): readonly Pick<RunPictures['moves'][number], 'picture' | 'halfway' | 'shaping'>[] {
  if (run.plan.grain === 'piece') return []
  if (run.plan.grain === 'fold')
    return moves.filter(({ step, round }) => step === cell.step && round === cell.repeat - 1)
  const stage = run.plan.steps[cell.step]?.stage
  return run.plan.steps.flatMap((step, index) => {
    const first = moves.find((move) => move.step === index)
    return step.stage === stage && first
      ? [{ picture: first.picture, halfway: null, shaping: first.shaping }]
      : []
  })
}

function Pictures({
  run,
  pictures,
  cell,
  preferences,
}: {
  readonly run: RunView
  readonly pictures: RunPictures
  readonly cell: Cell
  readonly preferences: Preferences
}) {
  const faces = facesOf(run.paper ?? ANY_PAPER, pictures.sideUp)
  useFetched(pictures)
  const scales = useScales(run, pictures)
  const now = shownNow(run, pictures, cell)
  const leftHanded = run.hand === 'left'
  const { say } = nowWords(run, cell, String)
  const more = run.plan.grain === 'fold' ? (run.plan.steps[cell.step]?.repeats ?? 1) - cell.repeat : 0
  if (now.length === 0)
    return (
      <>
        <div className="min-h-0 grow">
          {pictures.painted ? (
            <PaintedPiece
              view={pictures.painted}
              faces={faces}
              mirrored={leftHanded}
              title={`The finished ${run.designName}`}
              className="h-full w-full"
            />
          ) : (
            <FoldDiagram
              picture={pictures.end}
              faces={faces}
              leftHanded={leftHanded}
              title={`The finished ${run.designName}`}
            />
          )}
        </div>
        <p className="second text-center text-lg">so it ends</p>
      </>
    )
  const [only] = now
  const scale = only && scales[pictures.moves.findIndex(({ picture }) => picture === only.picture)]
  const aim = only && now.length === 1 ? aimWords(only.picture.symbols) : null
  return (
    <>
      <div className={`grid min-h-0 grow gap-3 ${now.length === 1 ? '' : 'grid-cols-2'}`}>
        {now.map(({ picture, halfway, shaping }, index) => (
          <div key={index} className={shaping && now.length === 1 ? 'flex min-h-0' : 'min-h-0'}>
            {shaping && now.length === 1 ? (
              <BeforeAndAfter shaping={shaping} faces={faces} leftHanded={leftHanded} said={say} />
            ) : (
              <MoveDiagram
                picture={picture}
                halfway={now.length === 1 ? halfway : null}
                faces={faces}
                leftHanded={leftHanded}
                more={more}
                span={now.length === 1 ? scale?.span : undefined}
                scaleChanges={now.length === 1 ? (scale?.changes ?? null) : null}
                length={(share) => formatLength(share * run.sheetMm, preferences)}
                title={now.length === 1 ? say : `${index + 1}. of ${now.length}`}
              />
            )}
          </div>
        ))}
      </div>
      {aim === null ? null : <p className="second pt-2 text-xl max-sm:hidden">{aim}</p>}
    </>
  )
}
