'use client'

import type { DeedResult } from '@/flows/deed'
import type { SupplyMoveView, SupplyView } from '@/flows/read/supplies'
import { SUPPLY_MOVED, supplyMoveFields } from '@/schema/supply'
import { DeedButton } from '../forms/DeedButton'
import { namedSo, SelectField, TextField } from '../forms/fields'
import { Form } from '../forms/Form'
import { FormMessage } from '../forms/FormMessage'
import { onlyAtField, useDeedForm } from '../forms/useDeedForm'
import { formatLong, formatMoment, nounMany, type Preferences } from '../format'

interface Moved {
  readonly supplyId: string
  readonly kind: (typeof SUPPLY_MOVED)[number]
  readonly amount: string
  readonly note: string
}

interface SupplyItemProps {
  readonly supply: SupplyView
  readonly preferences: Preferences
  readonly move: (values: Moved, press: string) => Promise<DeedResult<null>>
  readonly undo: (moveId: string) => Promise<DeedResult<null>>
  readonly putAway: () => Promise<DeedResult<null>>
}

/** One supply: how much of it there is, what comes and goes, and what came and went. */
export function SupplyItem({ supply, preferences, move, undo, putAway }: SupplyItemProps) {
  const { id, name, measured, eachMm, note, moves } = supply
  const told = (amount: number) => (measured ? formatLong(amount, preferences) : String(amount))
  const form = useDeedForm({
    schema: supplyMoveFields,
    initial: { supplyId: id, kind: 'bought' as const, amount: '', note: '' },
    act: move,
    onDone: () => form.setValue('amount', ''),
  })
  return (
    <li className="border-t hairline py-4 last:border-b">
      <div className="flex flex-wrap items-center justify-between gap-4">
        <p>
          <span className="figure text-3xl">{told(supply.amount)}</span>
          <span className="ml-2 text-lg font-semibold">
            {measured || supply.amount === 1 ? name : nounMany(name)}
          </span>
          {eachMm === null ? null : <span className="second">, {formatLong(eachMm, preferences)} each</span>}
          {note === '' ? null : <span className="second block text-sm">{note}</span>}
        </p>
        <Form form={onlyAtField(form, 'amount')} className="flex flex-wrap items-end gap-2">
          <SelectField
            form={form}
            name="kind"
            id={`kind-${id}`}
            label="What happened"
            choices={namedSo(SUPPLY_MOVED)}
            control="w-36"
          />
          <TextField
            form={form}
            name="amount"
            id={`amount-${id}`}
            label={measured ? `How much (${preferences.unit})` : 'How many'}
            control="w-28"
          />
          <button className="btn btn-outline" disabled={form.pending} aria-label={`Note it for ${name}`}>
            Note it
          </button>
          <FormMessage message={form.error('amount') === undefined ? form.message : null} />
        </Form>
      </div>
      <details className="mt-2">
        <summary className="cursor-pointer">In and out</summary>
        <ul className="mt-1">
          {moves.map((one) => (
            <SupplyMove
              key={one.id}
              move={one}
              name={name}
              told={told}
              undo={undo}
              preferences={preferences}
            />
          ))}
        </ul>
        <DeedButton act={putAway} className="btn btn-ghost btn-sm mt-2" label={`Put ${name} away`}>
          Put away
        </DeedButton>
      </details>
    </li>
  )
}

interface SupplyMoveProps extends Pick<SupplyItemProps, 'undo' | 'preferences'> {
  readonly move: SupplyMoveView
  readonly name: string
  readonly told: (amount: number) => string
}

function SupplyMove({ move, name, told, undo, preferences }: SupplyMoveProps) {
  const what = `${move.delta > 0 ? '+' : '\u2212'}${told(Math.abs(move.delta))}, ${move.kind === 'undone' ? 'taken back' : move.kind}`
  return (
    <li className="flex min-h-12 flex-wrap items-center justify-between gap-3 border-t hairline py-1">
      <span className={move.undone ? 'line-through' : ''}>
        {what}
        {move.note === '' ? '' : `: ${move.note}`}{' '}
        <span className="second">{formatMoment(move.atMs, preferences)}</span>
      </span>
      {move.canUndo ? (
        <DeedButton
          act={undo.bind(null, move.id)}
          className="btn btn-ghost btn-sm"
          label={`Undo: ${what} of ${name}`}
        >
          Undo
        </DeedButton>
      ) : null}
    </li>
  )
}
