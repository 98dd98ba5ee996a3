import type { ReactNode } from 'react'
import type { PatternAnswer } from '@/workers/read-pattern.worker'
import { ANY_PAPER, facesOf } from '../diagram/faces'
import { FoldDiagram } from '../diagram/FoldDiagram'
import { PatternDrawing } from '../diagram/PatternDrawing'
import { plural, type Preferences } from '../format'
import type { ReadPattern } from '@/formats/fold-file'
import { faultPlaces, faultWords } from './fault-words'

interface ReadAnswerProps {
  readonly name: string
  readonly answer: PatternAnswer
  readonly preferences: Preferences
}

/** What came of a file: why it was refused, where it does not fold, or how it lies folded. */
export function ReadAnswer({ name, answer, preferences }: ReadAnswerProps) {
  if (answer.kind === 'refused') {
    const { what, where, todo } = answer.fault
    return (
      <div role="alert" className="note max-w-2xl">
        <p className="font-semibold">{name} was not read. Nothing of it was kept.</p>
        <p className="mt-1">
          {where}: {what}. {todo}
        </p>
      </div>
    )
  }
  const { pattern, title } = answer.read
  const heading = <h2 className="text-2xl italic">{title ?? name}</h2>
  if (answer.kind === 'unfoldable') {
    const places = answer.faults.flatMap(faultPlaces)
    return (
      <>
        {heading}
        <p role="alert" className="mt-1 font-semibold">
          This pattern does not fold flat: {plural(answer.faults.length, 'fault')}.
        </p>
        <div className="mt-4 grid gap-8 tablet:grid-cols-[1.2fr_1fr]">
          <PatternDrawing
            pattern={pattern}
            places={places.slice(0, MOST_SHOWN)}
            title="The pattern with its faults"
          />
          <ol className="list-decimal pl-6">
            {answer.faults.slice(0, MOST_SHOWN).map((fault, index) => (
              <li key={index} className="mb-2">
                {faultWords(fault)}
              </li>
            ))}
            {answer.faults.length > MOST_SHOWN ? (
              <li className="second list-none">and {answer.faults.length - MOST_SHOWN} more</li>
            ) : null}
          </ol>
        </div>
      </>
    )
  }
  return <Foldable answer={answer} heading={heading} locale={preferences.locale} />
}

interface FoldableProps {
  readonly answer: Extract<PatternAnswer, { kind: 'folded' }>
  readonly heading: ReactNode
  readonly locale: string
}

/** How a pattern lies folded. */
function Foldable({ answer, heading, locale }: FoldableProps) {
  const { figures } = answer
  const { pattern } = answer.read
  const faces = facesOf(ANY_PAPER, 'colour down')
  const share = (value: number) => value.toLocaleString(locale, { maximumFractionDigits: 4 })
  return (
    <>
      {heading}
      <SnappedWords read={answer.read} />
      <div className="mt-4 grid gap-8 tablet:grid-cols-3">
        <PatternDrawing pattern={pattern} places={[]} title="The crease pattern" />
        <FoldDiagram
          picture={answer.front}
          faces={faces}
          title="Folded, from above"
          small
          className="h-96 w-full"
        />
        <FoldDiagram
          picture={answer.back}
          faces={faces}
          title="Folded, turned over"
          small
          className="h-96 w-full"
        />
      </div>
      {figures ? (
        <dl className="mt-4 grid max-w-2xl grid-cols-[1fr_auto] gap-x-6 gap-y-1 border-t hairline pt-3">
          <dt>Across and up, the sheet being 1 at its longest</dt>
          <dd className="font-semibold">
            {share(figures.width)} x {share(figures.height)}
          </dd>
          <dt>Layers</dt>
          <dd className="font-semibold">
            {figures.fewestLayers} to {figures.mostLayers}
          </dd>
          <dt>Faces</dt>
          <dd className="font-semibold">{answer.faces}</dd>
          <dt>Area shown</dt>
          <dd className="font-semibold">{share(figures.shown)}</dd>
        </dl>
      ) : answer.orders === 1 ? null : (
        <p className="note mt-4 max-w-2xl">
          Its layers can lie in more than one order; one of them is drawn, and no figures are given. Letters
          on every crease, or faceOrders, would settle it.
        </p>
      )}
    </>
  )
}

/** What was done about coordinates with few digits. */
function SnappedWords({ read: { snapped, unitsPerExtent, unit } }: { readonly read: ReadPattern }) {
  if (snapped.kind === 'as written') return null
  if (snapped.kind === 'rough')
    return (
      <p className="note mt-2 max-w-2xl">
        Its corners are written with too few digits, and none near them fold flat exactly: layers that only
        touch may seem to overlap here, so no figures are given. Export it with more digits.
      </p>
    )
  const { corners, mostMoved, slivers } = snapped
  const far = (mostMoved * unitsPerExtent).toPrecision(2)
  return (
    <p className="second mt-1 max-w-2xl">
      Its corners are written with few digits. {plural(corners, 'corner')} moved by {far}{' '}
      {unit ?? 'of its units'} at most, so that what touches when folded touches exactly
      {slivers === 0 ? '' : `; ${plural(slivers, 'edge')} shorter than the last digit left out`}.
    </p>
  )
}

const MOST_SHOWN = 12
