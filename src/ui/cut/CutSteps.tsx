import type { CutOrder } from '@/core/cut'
import type { SizeUm } from '@/core/sheet'
import { mmFromUm } from '@/core/units'
import { formatExact, type Preferences } from '../format'
import { orderWords, stepWords, type PiecesOf } from './cut-words'

interface CutStepsProps {
  readonly order: CutOrder
  readonly sheetUm: SizeUm
  readonly piecesOf: PiecesOf
  readonly preferences: Preferences
}

/** The cuts of one sheet in order: the distance to set at the trimmer, and the marks for who cuts along a ruler. */
export function CutSteps({ order, sheetUm, piecesOf, preferences }: CutStepsProps) {
  return (
    <div>
      <p className="second">{orderWords(order)}</p>
      <ol className="mt-1 flex list-decimal flex-col gap-1 pl-5">
        {order.marginUm > 0 ? (
          <li>Take {formatExact(mmFromUm(order.marginUm), preferences)} off all four edges.</li>
        ) : null}
        {order.steps.map((step, index) => {
          const { take, cut, marks } = stepWords(step, sheetUm, piecesOf, preferences)
          return (
            <li key={index}>
              {take}: {cut}.{marks ? <span className="second"> Marks at {marks}.</span> : null}
            </li>
          )
        })}
      </ol>
    </div>
  )
}
