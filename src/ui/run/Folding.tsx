import type { DesignDocument, GaugeSettings } from '@/core/design'
import type { Cell } from '@/core/run'
import type { RunPictures } from '@/flows/read/folds'
import type { RunView } from '@/flows/read/run'
import { Silhouette } from '../design/Silhouette'
import { ANY_PAPER, facesOf } from '../diagram/faces'
import { FoldDiagram } from '../diagram/FoldDiagram'
import { MoveDiagram } from '../diagram/Halfway'
import { formatLength, type Preferences } from '../format'
import { nextLine, nowWords } from './words'

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
  const now = nowWords(run, cell, (mm) => formatLength(mm, preferences))
  // The screen holds two notes beside the words; what one looks at now comes first.
  const crowded = now.normal !== null && now.look.length > 0
  const then = (
    <p className="text-2xl">
      <span className="second">then </span>
      {nextLine(run, cell)}
    </p>
  )
  return (
    <div className="grid grow tablet:grid-cols-[1fr_1fr]">
      <div className="flex h-[34vh] min-h-0 flex-col bg-base-100 p-4 tablet:h-auto tablet:max-h-[calc(100vh-11rem)]">
        {pictures ? (
          <Pictures run={run} pictures={pictures} cell={cell} />
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
      <div
        className="flex flex-col justify-between gap-4 border-l hairline bg-base-200 px-8 py-6"
        aria-live="polite"
        aria-atomic
      >
        <div className="flex flex-col gap-3">
          <p className="figure leading-none">
            <span className="text-[8rem]">{now.count}</span>{' '}
            <span className="second text-[4rem]">{now.of}</span>
          </p>
          <p className="figure text-[4.5rem] leading-[1.04]">{now.say}</p>
          {now.note === null || crowded ? null : <p className="second text-2xl">{now.note}</p>}
          {now.normal === null ? null : (
            <p className="note text-2xl">
              <strong>Looks wrong, is right.</strong> {now.normal}
            </p>
          )}
          {now.look.length === 0 ? null : (
            <p className="note text-2xl">
              <strong>Look before you go on:</strong> {now.look.join('; ')}.
            </p>
          )}
        </div>
        {then}
      </div>
    </div>
  )
}

/** The moves one tap stands for: this fold, the steps of a stage, or none but the end for a whole piece. */
function shownNow(
  run: RunView,
  { moves }: RunPictures,
  cell: Cell,
): readonly Pick<RunPictures['moves'][number], 'picture' | 'halfway'>[] {
  if (run.plan.grain === 'piece') return []
  if (run.plan.grain === 'fold')
    return moves.filter(({ step, round }) => step === cell.step && round === cell.repeat - 1)
  const stage = run.plan.steps[cell.step]?.stage
  return run.plan.steps.flatMap((step, index) => {
    const first = moves.find((move) => move.step === index)
    return step.stage === stage && first ? [{ picture: first.picture, halfway: null }] : []
  })
}

function Pictures({
  run,
  pictures,
  cell,
}: {
  readonly run: RunView
  readonly pictures: RunPictures
  readonly cell: Cell
}) {
  const faces = facesOf(run.paper ?? ANY_PAPER, pictures.sideUp)
  const now = shownNow(run, pictures, cell)
  const leftHanded = run.hand === 'left'
  const { say } = nowWords(run, cell, String)
  const more = run.plan.grain === 'fold' ? (run.plan.steps[cell.step]?.repeats ?? 1) - cell.repeat : 0
  if (now.length === 0)
    return (
      <>
        <div className="min-h-0 grow">
          <FoldDiagram
            picture={pictures.end}
            faces={faces}
            leftHanded={leftHanded}
            title={`The finished ${run.designName}`}
          />
        </div>
        <p className="second text-center text-lg">so it ends</p>
      </>
    )
  return (
    <div className={`grid min-h-0 grow gap-3 ${now.length === 1 ? '' : 'grid-cols-2'}`}>
      {now.map(({ picture, halfway }, index) => (
        <div key={index} className="min-h-0">
          <MoveDiagram
            picture={picture}
            halfway={now.length === 1 ? halfway : null}
            faces={faces}
            leftHanded={leftHanded}
            more={more}
            title={now.length === 1 ? say : `${index + 1}. of ${now.length}`}
          />
        </div>
      ))}
    </div>
  )
}
