import { Link } from '../shell/Link'
import { defaultGauges, finishedSizes, mainPart, stagesOf, unitsOf, type DesignDocument } from '@/core/design'
import type { FoldedEndView } from '@/flows/read/folds'
import type { PaperFaces } from '../diagram/Paper'
import { FoldDiagram } from '../diagram/FoldDiagram'
import { PaintedPiece } from '../piece/PaintedPiece'
import { countOf, formatLength, plural, type Preferences } from '../format'

/** The variants of a design side by side, each with its end, its size and how many folds it takes. */
export function Variants({
  design,
  ends,
  facesFor,
  sheetMm,
  preferences,
}: {
  readonly design: DesignDocument
  readonly ends: Readonly<Record<string, FoldedEndView>>
  readonly facesFor: (sideUp: FoldedEndView['sideUp']) => PaperFaces
  readonly sheetMm: number
  readonly preferences: Preferences
}) {
  if (design.variants.length === 1) return null
  const part = mainPart(design)
  return (
    <section aria-labelledby="variants" className="mt-10">
      <h2 id="variants" className="text-2xl">
        Side by side
      </h2>
      <ul className="mt-3 grid gap-4 sm:grid-cols-3 tablet:grid-cols-6">
        {design.variants.map((variant) => {
          const end = ends[variant.key]
          const painted = end?.forms?.views[end.forms.best]
          const [size] = finishedSizes(design, variant, sheetMm, defaultGauges(design))
          const folds = stagesOf(part, variant)
            .flatMap(({ steps }) => steps)
            .reduce((sum, { repeats }) => sum + repeats, 0)
          const units = unitsOf(part, variant)
          return (
            <li key={variant.key} className="sheet-panel p-3">
              {end && painted ? (
                <PaintedPiece view={painted} faces={facesFor(end.sideUp)} title="" className="h-28 w-full" />
              ) : end ? (
                <FoldDiagram
                  picture={end.front}
                  faces={facesFor(end.sideUp)}
                  title=""
                  small
                  className="h-28 w-full"
                />
              ) : null}
              <Link
                href={`/designs/${design.id}/steps?variant=${variant.key}`}
                className="mt-2 block font-semibold hover:underline"
              >
                {variant.name}
              </Link>
              <p className="second text-sm">
                {countOf(folds, 'fold')}
                {units === 1 ? '' : ` x ${units}`}
                {end ? `, ${plural(end.mostLayers, 'layer')}` : ''}
                {size ? (
                  <>
                    <br />
                    {formatLength(size.sizeMm, preferences)} {size.label}
                  </>
                ) : null}
                {end?.sight == null ? null : (
                  <>
                    <br />
                    mark at {formatLength(end.sight * sheetMm, preferences)}
                  </>
                )}
              </p>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
