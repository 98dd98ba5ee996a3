import { MOST_POSITIONS, type Shape } from '@/core/arrange'
import type { LineOrder } from '@/flows/read/colours'
import { countOf, formatShare, type Preferences } from '../format'
import { Swatch } from '../paper/Swatch'
import { HungPieces } from '../arrange/HungPieces'
import { OrderPreview } from './OrderPreview'
import { PieceInTurn } from './PieceInTurn'
import { orderInWords, orderWords, turnWords } from './order-words'

interface LineColoursProps {
  readonly of: LineOrder
  readonly preferences: Preferences
}

/** The papers of a line with their shares, and its pieces in an order without like neighbours. */
export function LineColours({ of, preferences }: LineColoursProps) {
  const { line, counts, shape, order } = of
  const named = counts.map(({ paper, pieces }) => ({ name: paper.name, pieces }))
  const turns = turnWords(shape, named)
  return (
    <section aria-labelledby={`colours-${line.id}`} className="border-t hairline py-5">
      <div className="grid gap-6 tablet:grid-cols-[18rem_1fr]">
        <div>
          <h3 id={`colours-${line.id}`} className="text-xl">
            {line.design.name}
            {line.making.inTurn ? <span className="second text-base"> each piece</span> : null}
          </h3>
          <ul className="mt-3 flex flex-col gap-2">
            {counts.map(({ paper, pieces }) => (
              <li key={paper.id} className="flex items-center gap-2">
                <Swatch front={paper.frontColour} back={paper.backColour} />
                <span>{paper.name}</span>
                <span className="figure ml-auto font-semibold">{pieces}</span>
                <span className="second w-14 text-right">
                  {formatShare(
                    pieces /
                      Math.max(
                        1,
                        counts.reduce((sum, one) => sum + one.pieces, 0),
                      ),
                    preferences.locale,
                  )}
                </span>
              </li>
            ))}
          </ul>
          {order ? (
            <>
              <p className="mt-4">{orderWords(shape, order, named)}</p>
              {turns === null ? null : <p className="second mt-2">{turns}</p>}
              <details className="mt-3">
                <summary className="link">In words</summary>
                <p className="second mt-1">
                  {orderInWords(
                    order.colours,
                    named.map(({ name }) => name),
                  )}
                </p>
              </details>
            </>
          ) : (
            <p className="mt-4">Too many pieces to put in one order: {MOST_POSITIONS} at most.</p>
          )}
        </div>
        <div data-view={`${countOf(line.pieces, line.design.name.toLowerCase())}`}>
          <Seen of={of} preferences={preferences} />
        </div>
      </div>
    </section>
  )
}

const AS: Readonly<Record<Shape, string>> = { ring: 'in a ring', line: 'in a line' }

/** The pieces as they will hang, to scale; loose ones one after another. */
function Seen({
  of: { line, counts, shape, hung, end, order },
  preferences,
}: Pick<LineColoursProps, 'of' | 'preferences'>) {
  if (!order || !end) return null
  const many = line.making.inTurn ? `${order.colours.length} units by turns` : `${line.pieces} pieces`
  const title = `${line.design.name}, ${many} ${AS[shape]}`
  const seen = {
    colours: order.colours,
    papers: counts.map(({ paper }) => paper),
    picture: end.front,
    sideUp: end.sideUp,
    clashes: order.clashes,
  }
  // Units of one piece are alike, so each draws as many regions as the others.
  if (line.making.inTurn && end.front.regions.length % order.colours.length === 0)
    return <PieceInTurn {...seen} title={title} />
  return hung ? (
    <HungPieces
      {...seen}
      {...hung}
      sheetMm={line.sheetMm}
      title={`${title}, to scale`}
      preferences={preferences}
    />
  ) : (
    <OrderPreview {...seen} shape={shape} title={title} />
  )
}
