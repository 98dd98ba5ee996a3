import { NOTHING_TO_SEE, largest } from '@/core/numeric'
import {
  finishedSizes,
  highPerWide,
  mainPart,
  nearestSquares,
  paperSuits,
  sizeFamily,
  smallestSheet,
  thickestCaliperMm,
  tubeFit,
  type DesignDocument,
  type ExpectedSize,
  type GaugeSettings,
  type Variant,
} from '@/core/design'
import { CoreError } from '@/core/errors'
import { USUAL_CALIPER_MM } from '@/core/paper'
import { bestGrid, formatOf, pieceSizeUm } from '@/core/sheet'
import { umFromMm } from '@/core/units'
import type { FoldedEndView } from '@/flows/read/folds'
import type { DrawerPaper } from '@/flows/read/papers'
import { MarkWords } from './GuideWords'
import {
  formatExact,
  formatLength,
  formatLimit,
  formatPiece,
  plural,
  pieceNoun,
  type Preferences,
} from '../format'

/** Squares of a family smaller than this are not worth the cut. */
const SMALLEST_OF_FAMILY_MM = 30

interface SizeAdviceProps {
  readonly design: DesignDocument
  readonly variant: Variant
  readonly sheetMm: number
  readonly gauges: GaugeSettings
  readonly end: FoldedEndView | undefined
  readonly paper: DrawerPaper | undefined
  readonly preferences: Preferences
}

const millimetres = (mm: number): string => `${Math.round(mm * 100) / 100} mm`

/** What the first size of a variant is at another sheet; `null` where its gauges do not fit that one. */
function firstSize(
  { design, variant, gauges, preferences }: Omit<SizeAdviceProps, 'sheetMm'>,
  sheetMm: number,
): string | null {
  try {
    const [size] = finishedSizes(design, variant, sheetMm, gauges)
    return size ? `${formatLength(size.sizeMm, preferences)} ${size.label}` : null
  } catch (error) {
    if (error instanceof CoreError) return null
    throw error
  }
}

/** Whether this sheet can be folded and cut, what can be bought nearest to it, and what else comes off a sheet. */
export function SizeAdvice(props: SizeAdviceProps) {
  return (
    <div className="flex flex-col gap-3 border-t hairline pt-4" data-testid="size-advice">
      <Marks {...props} />
      <Foldable {...props} />
      <Tube {...props} />
      <FromDrawer {...props} />
      <Nearest {...props} />
      <Family {...props} />
    </div>
  )
}

/** What is measured off on this very strip. */
function Marks({ design, sheetMm, preferences }: SizeAdviceProps) {
  const { marks } = mainPart(design)
  return marks ? <MarkWords marks={marks} sheetMm={sheetMm} preferences={preferences} /> : null
}

function Foldable({ end, paper, sheetMm, preferences }: SizeAdviceProps) {
  if (!end) return null
  const caliperMm = paper?.caliperMm ?? USUAL_CALIPER_MM
  const least = smallestSheet(end.hardest, caliperMm)
  const { suits, layers, thicknessMm } = paperSuits(end.hardest, caliperMm)
  const name = paper?.name ?? `Paper of ${USUAL_CALIPER_MM} mm`
  return (
    <>
      {least && sheetMm < least.sheetMm - NOTHING_TO_SEE ? (
        <p role="alert" className="note">
          Too small to fold: at “{least.fold.says}” {plural(least.fold.layers, 'layer')} make{' '}
          {millimetres(least.thicknessMm)}
          {least.because === 'line'
            ? ` on a fold line of ${millimetres(least.fold.lengthShare * sheetMm)}. `
            : `, and the piece is only ${millimetres(least.fold.pieceShare * sheetMm)} long, too little to hold. `}
          The smallest sheet that works in this paper is {formatExact(Math.ceil(least.sheetMm), preferences)}.
        </p>
      ) : null}
      <p
        className={suits === 'too thick' ? 'note' : 'second'}
        role={suits === 'too thick' ? 'alert' : undefined}
      >
        {suits === 'too thick'
          ? `${name} is too thick: ${plural(layers, 'layer')} make ${millimetres(thicknessMm)} in one fold. Sheets up to ${formatLimit(thickestCaliperMm(end.hardest))} work.`
          : `${name}: ${plural(layers, 'layer')} in one fold at most, ${millimetres(thicknessMm)}; it creases ${suits === 'easily' ? 'with the nail' : suits}. Sheets up to ${formatLimit(thickestCaliperMm(end.hardest))} work.`}
      </p>
    </>
  )
}

/** What fits a stem of this size: the stick inside it, the hole around it. */
function Tube({ design, variant, sheetMm, gauges, end, paper }: SizeAdviceProps) {
  const { tube } = mainPart(design)
  const width = tube && finishedSizes(design, variant, sheetMm, gauges).find(({ axis }) => axis === tube.axis)
  if (!tube || !width || !end) return null
  const { stickMm, holeMm } = tubeFit(width.sizeMm, end.mostLayers, paper?.caliperMm ?? USUAL_CALIPER_MM)
  return (
    <p className="estimate">
      {stickMm > 0
        ? `Rounded, a stick of up to ${millimetres(stickMm)} goes in.`
        : 'Rounded, its wall leaves no room for a stick: take a longer strip or thinner paper.'}{' '}
      The hole it goes through: {millimetres(holeMm)}. Estimated: the outer turn keeps its length, and{' '}
      {end.mostLayers / 2} layers lie in the wall.
    </p>
  )
}

function FromDrawer(props: SizeAdviceProps) {
  const { design, paper, sheetMm, preferences } = props
  const part = mainPart(design)
  const there = paper?.sheets.filter((sheet) => sheet.amount > 0) ?? []
  if (!paper || there.length === 0) return null
  const high = highPerWide(part)
  const grids = (sideMm: number) =>
    there.map((sheet) =>
      bestGrid(
        { widthUm: umFromMm(sheet.widthMm), heightUm: umFromMm(sheet.heightMm) },
        pieceSizeUm(umFromMm(sideMm), high),
      ),
    )
  const from = grids(sheetMm).reduce((sum, grid, index) => sum + grid.count * (there[index]?.amount ?? 0), 0)
  if (from > 0)
    return (
      <p className="second">
        The drawer gives {plural(from, pieceNoun(part.perSquare, high))} of that in {paper.name}.
      </p>
    )
  const largestMm = largest(
    there.map(({ widthMm, heightMm }) => {
      const [short, long] = [Math.min(widthMm, heightMm), Math.max(widthMm, heightMm)]
      return high <= 1 ? Math.min(long, short / high) : Math.min(short, long / high)
    }),
  )
  const size = firstSize(props, largestMm)
  return (
    <p role="alert" className="note">
      Too large for any sheet of {paper.name} in the drawer. The largest {pieceNoun(1, high)} it gives is{' '}
      {formatPiece(largestMm, high, preferences)}
      {size === null ? '' : `: ${size}`}.
    </p>
  )
}

function Nearest(props: SizeAdviceProps) {
  const { design, sheetMm, preferences } = props
  const part = mainPart(design)
  if (highPerWide(part) !== 1) return null
  const factor = Math.sqrt(part.perSquare)
  const { belowMm, aboveMm } = nearestSquares(sheetMm * factor)
  const sides = [belowMm, aboveMm].flatMap((side) => (side === null ? [] : [side]))
  return (
    <dl>
      <dt className="second">Squares to buy next to it</dt>
      {sides.map((side) => {
        const size = firstSize(props, side / factor)
        return (
          <dd key={side} className="grid grid-cols-[1fr_auto] gap-2">
            <span>{formatExact(side, preferences)}</span>
            <span className="figure">{size ?? 'the gauges do not fit'}</span>
          </dd>
        )
      })}
    </dl>
  )
}

function Family(props: SizeAdviceProps) {
  const { design, paper, preferences } = props
  const part = mainPart(design)
  const sheet = paper?.sheets.find((one) => one.amount > 0 && !one.offcut && one.widthMm !== one.heightMm)
  if (!sheet || highPerWide(part) !== 1 || part.perSquare !== 1) return null
  const family = sizeFamily(sheet.widthMm, sheet.heightMm, SMALLEST_OF_FAMILY_MM)
  const name = formatOf(sheet.widthMm, sheet.heightMm)?.label ?? 'sheet'
  return (
    <details>
      <summary className="cursor-pointer">A family of sizes from one {name}</summary>
      <dl className="mt-1">
        {family.map(({ sideMm, count }) => (
          <div key={sideMm} className="grid grid-cols-[1fr_auto] gap-2 py-0.5">
            <dt>
              {count} of {formatExact(sideMm, preferences)}
            </dt>
            <dd className="figure">{firstSize(props, sideMm) ?? 'the gauges do not fit'}</dd>
          </div>
        ))}
      </dl>
    </details>
  )
}

/** A finished size as expected, in a line: flat, shaped or narrowed by samples, and which. */
export function expectedWords(
  expected: ExpectedSize,
  preferences: Preferences,
): { readonly range: string | null; readonly says: string | null } {
  const { lowMm, highMm, basis, meanMm, spreadMm, count } = expected
  const [low, high] = [lowMm, highMm].map((mm) => formatLength(mm, preferences))
  const range =
    highMm - lowMm < 0.05 && basis === 'flat' ? null : low === high ? (low ?? '') : `${low} to ${high}`
  switch (basis) {
    case 'flat':
      return { range, says: null }
    case 'shaping':
      return { range, says: 'estimated after shaping' }
    case 'one sample':
      return {
        range,
        says: `one of yours came out at ${formatLength(meanMm ?? 0, preferences)}; from two on, yours narrow this`,
      }
    case 'samples':
      return {
        range,
        says: `narrowed by ${count} samples of yours: ${formatLength(meanMm ?? 0, preferences)} on average, spread ${millimetres(spreadMm ?? 0)}`,
      }
  }
}
