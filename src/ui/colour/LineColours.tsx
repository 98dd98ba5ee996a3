import { MOST_POSITIONS, seenFromAbove, type Neighbours } from '@/core/arrange'
import { colourBy, type Light } from '@/core/colour'
import type { DeedResult } from '@/flows/deed'
import type { BesideView, LineOrder } from '@/flows/read/colours'
import type { FoldedEndView } from '@/flows/read/folds'
import type { PaperView } from '@/flows/read/papers'
import { formatShares, type Preferences } from '../format'
import { Swatch } from '../paper/Swatch'
import { smallPicture } from '../diagram/view'
import { OrderByHand } from './OrderByHand'
import { PieceInTurn } from './PieceInTurn'
import { orderInWords, orderWords, turnWords } from './order-words'

type PaperLook = Pick<PaperView, 'id' | 'name' | 'frontColour' | 'backColour'>

interface LineColoursProps {
  readonly of: LineOrder
  readonly light: Light
  readonly choose: (input: object) => Promise<DeedResult<unknown>>
  /** The one line there is to choose for: the page's own button does. */
  readonly alone: boolean
  readonly undo: (input: object) => Promise<DeedResult<unknown>>
  /** Gives a line other papers, each in the place of one it has. */
  readonly swap: (input: object, press: string) => Promise<DeedResult<unknown>>
  readonly drawer: readonly PaperLook[]
  readonly preferences: Preferences
}

/** The papers of a line with their shares, and its pieces in an order without like neighbours. */
export function LineColours(props: LineColoursProps) {
  const { of, preferences } = props
  const { line, counts, neighbours, order, chosen, outgrown } = of
  const shares = formatShares(
    counts.map(({ pieces }) => pieces),
    preferences.locale,
  )
  const named = counts.map(({ paper, pieces }) => ({ name: paper.name, pieces }))
  const turns = turnWords(neighbours, named)
  return (
    <section aria-labelledby={`colours-${line.id}`} className="border-t hairline py-5">
      <div className="grid gap-6 tablet:grid-cols-[18rem_1fr]">
        <div>
          <h3 id={`colours-${line.id}`} className="text-xl">
            {line.design.name}
            {line.making.inTurn ? <span className="second text-base"> each piece</span> : null}
          </h3>
          <ul className="mt-3 flex flex-col gap-2">
            {counts.map(({ paper, pieces }, at) => (
              <li key={paper.id} className="flex items-center gap-2">
                <Swatch front={paper.frontColour} back={paper.backColour} />
                <span>{paper.name}</span>
                <span className="figure ml-auto font-semibold">{pieces}</span>
                <span className="second w-14 text-right">{shares[at]}</span>
              </li>
            ))}
          </ul>
          {!of.orderable && !line.making.inTurn && order ? (
            <p className="second mt-4">All in one paper: there is no order to choose.</p>
          ) : order ? (
            <>
              <p className="mt-4">{orderWords(neighbours, order, named)}</p>
              {turns === null ? null : <p className="second mt-2">{turns}</p>}
              {line.making.inTurn ? null : (
                <p className="second mt-2">
                  {chosen ? 'You chose this order.' : 'Planned: choose it, or change it.'}
                </p>
              )}
              {outgrown ? (
                <p className="note mt-2">
                  The order that was chosen is of other pieces than the brief has now. This one is planned
                  anew; with the old numbers the old one comes back.
                </p>
              ) : null}
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
        <Seen {...props} />
      </div>
    </section>
  )
}

const placed = (neighbours: Neighbours): string =>
  neighbours === 'ring' ? 'in a ring' : neighbours === 'line' ? 'in a line' : 'beside each other'

/** A line's pieces and those among them as they are drawn. */
const layerOf = ({ line, hung, end, kinds, counts, colours }: BesideView, light: Light) => ({
  ...hung,
  colours,
  sheetMm: line.sheetMm,
  papers: counts.map(({ paper }) => seenBy(light, paper)),
  ...picturesOf(end, kinds, line.making),
  sideUp: end.sideUp,
})

/**
 * A finished piece from both sides, of every kind. Siblings are drawn flat, since they are painted alike; so is what is
 * seen from behind.
 */
const picturesOf = (
  end: FoldedEndView,
  kinds: readonly FoldedEndView[],
  making: LineOrder['line']['making'],
) => {
  const all = kinds.length > 0 ? kinds : [end]
  const view = end.forms && (seenFromAbove(making) ? 'above' : end.forms.faceOn)
  const painted = (kinds.length === 0 && view && end.forms?.views[view]) || null
  return {
    looks: all.map(({ front }) => ({ small: smallPicture(front, false), painted })),
    looksBehind: all.map(({ back }) => ({ small: smallPicture(back, false), painted: null })),
  }
}

/** A paper as it looks by a light. */
const seenBy = (light: Light, { id, name, frontColour, backColour }: PaperLook) => ({
  id,
  name,
  frontColour: colourBy(light, frontColour),
  backColour: colourBy(light, backColour),
})

/** The pieces as they will hang, to scale; loose ones one after another. */
function Seen({
  of: { line, counts, neighbours, chosen, hung, end, kinds, order, besides, orderable },
  light,
  choose,
  undo,
  swap,
  drawer,
  alone,
  preferences,
}: LineColoursProps) {
  if (!order || !end) return null
  const papers = counts.map(({ paper }) => seenBy(light, paper))
  const many = line.making.inTurn ? `${order.colours.length} units by turns` : `${line.pieces} pieces`
  const title = `${line.design.name}, ${many} ${placed(neighbours)}${hung ? ', to scale' : ''}`
  // Units of one piece are alike, so each draws as many regions as the others.
  if (line.making.inTurn)
    return end.front.regions.length % order.colours.length === 0 ? (
      <div data-view={title}>
        <PieceInTurn
          colours={order.colours}
          papers={papers}
          picture={end.front}
          sideUp={end.sideUp}
          title={title}
        />
      </div>
    ) : null
  return (
    <OrderByHand
      neighbours={neighbours}
      hung={hung && { ...hung, sheetMm: line.sheetMm }}
      besides={besides.map((one) => layerOf(one, light))}
      papers={papers}
      drawer={drawer.map((paper) => seenBy(light, paper))}
      {...picturesOf(end, kinds, line.making)}
      sideUp={end.sideUp}
      order={{ colours: order.colours, locked: chosen?.locked ?? [], seed: chosen?.seed ?? 0 }}
      orderable={orderable}
      chosen={chosen !== null}
      alone={alone}
      title={title}
      preferences={preferences}
      lineId={line.id}
      choose={choose}
      undo={undo.bind(null, { lineId: line.id, step: chosen?.step ?? 0 })}
      swap={swap}
    />
  )
}
