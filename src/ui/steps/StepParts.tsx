import type { ShownMove, DrawnProgram } from '@/core/fold'
import type { KeptForms } from '@/flows/kept-forms'
import type { Followed, FoldWords } from '@/flows/read/folds'
import { FoldDiagram } from '../diagram/FoldDiagram'
import type { PaperFaces } from '../diagram/Paper'
import { endWords, StackSide } from '../diagram/StackSide'
import { formatLength, type Preferences } from '../format'
import { InTheHand } from '../piece/InTheHand'
import { aimWords } from './aim-words'
import { countWords, kindWords, rigourWords, roomWords } from './step-words'

export function Said({
  word,
  move,
  said,
  steps,
  sheetMm,
  caliperMm,
  preferences,
}: {
  readonly word: FoldWords
  readonly move: ShownMove
  readonly said: string
  readonly steps: number
  readonly sheetMm: number
  readonly caliperMm: number
  readonly preferences: Preferences
}) {
  const { count, of } = countWords(word, move.round)
  const measured = move.picture.symbols.some(({ kind }) => kind === 'measure')
  const looks = word.look.length > 0 && move.round === word.says.length - 1
  return (
    <>
      <p className="second">
        Step {move.step + 1} of {steps}
        {word.stageName === null ? '' : `, ${word.stageName}`}
      </p>
      {word.says.length === 1 ? null : (
        <p className="figure leading-none">
          <span className="text-5xl">{count}</span> <span className="second text-2xl">{of}</span>
        </p>
      )}
      <p className="figure mt-1 text-3xl leading-snug" data-testid="said">
        {said}
      </p>
      <p className="second mt-1">
        {kindWords(move)} {aimWords(move.picture.symbols)}
        {word.crease === 'none' ? '' : ` Crease: ${word.crease}, ${rigourWords(word.rigour, measured)}.`}
      </p>
      {word.depthShare === null ? null : (
        <p className="mt-1 font-semibold">
          The flap is {formatLength(word.depthShare * sheetMm, preferences)} deep.
        </p>
      )}
      {word.roomForLayers.length === 0 ? null : (
        <p className="mt-1 font-semibold">{roomWords(word.roomForLayers, caliperMm)}</p>
      )}
      {word.gauges.length === 0 ? null : (
        <p className="mt-1 font-semibold">
          To the gauge:{' '}
          {word.gauges.map(({ name, mm }) => `${name} ${formatLength(mm, preferences)}`).join(', ')}.
        </p>
      )}
      {word.note === null && word.normal === null && !looks ? null : (
        <div className="note mt-2 flex flex-col gap-1 py-2!">
          {word.note === null ? null : <p>{word.note}</p>}
          {word.normal === null ? null : (
            <p>
              <strong>This looks wrong, but it is right.</strong> {word.normal}
            </p>
          )}
          {looks ? (
            <p>
              <strong>Look before you go on,</strong> it is cheap to mend now: {word.look.join('; ')}.
            </p>
          ) : null}
        </div>
      )}
    </>
  )
}

/** The stack at the fold, where there is one. */
export function Side({ move, faces }: { readonly move: ShownMove; readonly faces: PaperFaces }) {
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

export function Finished({
  shown,
  shaping: { says, sizes },
  sheetMm,
  preferences,
}: Pick<Followed, 'shown' | 'shaping'> & {
  readonly sheetMm: number
  readonly preferences: Preferences
}) {
  const length = (share: number) => formatLength(share * sheetMm, preferences)
  return (
    <>
      <p className="figure text-5xl leading-tight">Finished</p>
      <ul className="mt-2">
        {shown.sizes.map(({ axis, label, share }) => (
          <li key={axis} className="text-lg">
            <span className="font-semibold">{length(share)}</span> {label}
            {says.length === 0 ? '' : ', flat'}
          </li>
        ))}
      </ul>
      {says.length === 0 ? null : (
        <div className="note mt-3">
          {sizes.length === 0 ? null : (
            <>
              <p>Estimated after shaping:</p>
              <ul>
                {sizes.map(({ label, low, high }) => (
                  <li key={label}>
                    <span className="font-semibold">{lengthsBetween(length(low), length(high))}</span> {label}
                  </li>
                ))}
              </ul>
            </>
          )}
          {says.map(({ name, model }) => (
            <p key={`${name} ${model}`} className="text-sm">
              {model}
            </p>
          ))}
        </div>
      )}
    </>
  )
}

/** Two lengths that read alike are one. */
const lengthsBetween = (low: string, high: string): string => (low === high ? low : `${low} to ${high}`)

/** The end: as it is in the hand, where it was painted, and flat from both sides. */
export function TheEnd({
  forms,
  ...props
}: Parameters<typeof BothSides>[0] & { readonly forms: KeptForms | null }) {
  if (!forms) return <BothSides {...props} />
  const { faces, leftHanded, name } = props
  return (
    <div className="grid min-h-0 grow grid-rows-[3fr_2fr]">
      <InTheHand
        name={name}
        forms={forms}
        faces={faces}
        leftHanded={leftHanded}
        className="h-48 tablet:h-60"
      />
      <BothSides {...props} />
    </div>
  )
}

export function BothSides({
  shown,
  faces,
  leftHanded,
  name,
}: {
  readonly shown: DrawnProgram
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
