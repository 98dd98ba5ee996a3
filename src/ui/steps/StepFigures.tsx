import type { ShownMove } from '@/core/fold'
import { handlingOf } from '@/core/paper'
import { formatLength, plural, type Preferences } from '../format'
import { handlingWords, markDistances } from './step-words'

interface StepFiguresProps {
  readonly move: ShownMove
  readonly moves: number
  readonly sheetMm: number
  readonly sideUp: 'colour down' | 'colour up'
  readonly caliperMm: number
  readonly preferences: Preferences
}

/** What the folds say of one move: how long, how thick, how large, and where to measure. Each opens to how it is got. */
export function StepFigures({
  move: { figures },
  moves,
  sheetMm,
  sideUp,
  caliperMm,
  preferences,
}: StepFiguresProps) {
  const { after, foldLength, foldLayers, marks, folds, turns } = figures
  const length = (share: number) => formatLength(share * sheetMm, preferences)
  const share = (value: number) => String(Math.round(value * 1e4) / 1e4)
  const millimetres = (mm: number) => `${(Math.round(mm * 100) / 100).toLocaleString(preferences.locale)} mm`
  const percent = (part: number) => `${Math.round((100 * part) / after.shown)} %`
  const [above, below] =
    sideUp === 'colour up' ? [after.frontSeen, after.frontSeenBelow] : [after.backSeen, after.backSeenBelow]
  const handling = handlingOf(Math.max(1, foldLayers), caliperMm)
  const distances = markDistances(marks)
  return (
    <dl className="border-t hairline">
      {foldLayers === 0 ? null : (
        <>
          <Row
            name="Fold line"
            value={`${length(foldLength)}, ${plural(foldLayers, 'layer')}`}
            how={`${share(foldLength)} of the side of ${length(1)}, measured where the line runs over paper; counted at its thickest place.`}
          />
          <Row
            name="At the fold"
            value={millimetres(handling.thicknessMm)}
            how={`${plural(foldLayers, 'layer')} of ${millimetres(caliperMm)}. ${handlingWords(handling)} The limits are common practice.`}
          />
        </>
      )}
      <Row
        name="Then across and up"
        value={`${length(after.width)} x ${length(after.height)}`}
        how={`${share(after.width)} x ${share(after.height)} of the side, as the piece lies.`}
      />
      <Row
        name="Then at its thickest"
        value={`${plural(after.mostLayers, 'layer')}, ${millimetres(after.mostLayers * caliperMm)}`}
        how={`${after.fewestLayers === after.mostLayers ? 'The same everywhere' : `Down to ${plural(after.fewestLayers, 'layer')} where it is thinnest`}; a layer is ${millimetres(caliperMm)}.`}
      />
      <Row
        name="Colour shown then"
        value={percent(above)}
        how={`Of what is seen from above ${percent(above)} is the colour side, the rest the back of the paper; from below ${percent(below)}.`}
      />
      {distances.length === 0 ? null : (
        <Row
          name="For those who measure"
          value={distances.map(({ share: at }) => length(at)).join(', ')}
          how={`The line meets raw edges ${distances.map(({ share: at, times }) => `${times === 1 ? 'once' : `${times} times`} at ${length(at)}`).join(', ')}, measured along the edge from its nearer corner.`}
        />
      )}
      <Row
        name="So far"
        value={plural(folds, 'fold')}
        how={`${plural(folds, 'fold')} with this one and ${plural(turns, 'turning over', 'turnings over')}; the whole piece takes ${plural(moves, 'move')}.`}
      />
    </dl>
  )
}

function Row({ name, value, how }: { readonly name: string; readonly value: string; readonly how: string }) {
  return (
    <div className="border-b hairline py-1.5">
      <dt className="sr-only">{name}</dt>
      <dd>
        <details>
          <summary className="flex cursor-pointer items-baseline justify-between gap-3">
            <span className="second" aria-hidden>
              {name}
            </span>
            <span className="text-right font-semibold">{value}</span>
          </summary>
          <p className="second py-1 text-sm">{how}</p>
        </details>
      </dd>
    </div>
  )
}
