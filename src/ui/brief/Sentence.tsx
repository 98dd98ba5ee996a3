'use client'

import type { ReactNode } from 'react'
import { useWatch } from 'react-hook-form'
import { MADE_KINDS, setsOf, type MADE, type MadeKind } from '@/core/arrange'
import type { DesignDocument, Variant } from '@/core/design'
import { sizeHost, withHost } from '@/schema/following'
import { madeInputs } from '@/schema/making'
import { MADE_WORDS } from '@/schema/made-words'
import { InlineErrors, InlineSelect, InlineText } from '../forms/inline'
import { usualMeasures } from './form-values'
import type { LineFieldsProps } from './line-props'

interface SentenceProps extends LineFieldsProps {
  readonly design: DesignDocument | undefined
  readonly variant: Variant | undefined
  readonly choose: (id: string) => Promise<void>
}

type KeyOf<Kind extends MadeKind> = (typeof MADE)[Kind]['inputs'][number]['key']
/** A field of a kind by its key, or the design. */
type Slots<Kind extends MadeKind> = Readonly<Record<KeyOf<Kind> | 'design', ReactNode>>

/** How each kind is said; the numbers that are not in its sentence stand among the details. */
const SAID = {
  batch: ({ pieces, design }) => (
    <>
      : {pieces} of the {design}
    </>
  ),
  bouquet: ({ bouquets, each, design, stem }) => (
    <>
      : {bouquets} with {each} of the {design} each, on stems of {stem}
    </>
  ),
  garland: ({ long, pieces, every, design }) => (
    <>
      {' '}
      of the {design}, {long} long or {pieces} of them, one every {every}
    </>
  ),
  wreath: ({ radius, pieces, overlap, design }) => (
    <>
      {' '}
      of the {design}, {pieces} of them or a ring of {radius} radius, each {overlap} over the next
    </>
  ),
  mobile: ({ threads, each, drop, every, design }) => (
    <>
      {' '}
      of {threads} threads with {each} {design} each, the first {drop} down, then one every {every}
    </>
  ),
  topper: ({ gifts, each, margin, design }) => (
    <>
      : {gifts} with {each} of the {design} each, {margin} of card around it
    </>
  ),
  table: ({ places, each, design }) => (
    <>
      {' '}
      of {places} places with {each} of the {design} each
    </>
  ),
} as const satisfies { readonly [Kind in MadeKind]: (slots: Slots<Kind>) => ReactNode }

/** Numbers that a sentence leaves to the details. */
export const ASIDE: readonly string[] = ['tail', 'knot', 'across', 'vase', 'panels']

const NOTHING_ASKED = {
  made: 'batch',
  attachedTo: '',
  sizing: 'finished',
  goesWith: '',
  sizeOf: '',
} as const

/** A line as one would say it, with every number a field: change one, and all below follows. */
export function Sentence(props: SentenceProps) {
  const { index, form, design, variant, preferences } = props
  const at = `lines.${index}` as const
  const lines = useWatch({ control: form.control, name: 'lines' })
  const line = lines[index]
  const { made, attachedTo, sizing, goesWith, sizeOf } = line ?? NOTHING_ASKED
  const host = line && withHost(lines, line)
  const sized = line && sizeHost(lines, line)
  const sets = host ? setsOf(made) : null
  const inputs =
    made === 'batch' ? [] : madeInputs(made).filter(({ key }) => !ASIDE.includes(key) && key !== sets)
  const names = [
    `${at}.pieces`,
    `${at}.perPiece`,
    `${at}.size`,
    `${at}.axis`,
    `${at}.designId`,
    `${at}.goesWith`,
    `${at}.sizeOf`,
    `${at}.sizePercent`,
    ...inputs.map(({ key }) => `${at}.measures.${key}` as const),
  ] as const
  return (
    <div>
      <p className="font-serif text-xl leading-[2.6rem]">
        {attachedTo === '' && goesWith === '' ? (
          <InlineSelect
            form={form}
            name={`${at}.made`}
            label="Made into"
            choices={MADE_KINDS.map((kind) => [kind, MADE_WORDS[kind].name])}
            onChange={(kind) => form.setValue(`${at}.measures`, usualMeasures(kind as MadeKind, preferences))}
          />
        ) : null}
        <Wanted
          {...props}
          made={made}
          attached={attachedTo !== ''}
          host={host ? lines.indexOf(host) + 1 : null}
        />
        {', '}
        {sizeOf === '' ? (
          <>
            <InlineText form={form} name={`${at}.size`} label={`Size (${preferences.unit})`} />{' '}
            {preferences.unit}{' '}
          </>
        ) : (
          <>
            <InlineText form={form} name={`${at}.sizePercent`} label="Percent of its size" numeric /> % of the{' '}
            {sized ? `size of line ${lines.indexOf(sized) + 1}` : 'size of a line that is gone'}{' '}
          </>
        )}
        {sizing === 'finished' ? (
          <InlineSelect
            form={form}
            name={`${at}.axis`}
            label="Measured"
            choices={(variant?.sizes ?? []).map(({ axis, label }) => [axis, label])}
          />
        ) : (
          'of sheet'
        )}
        .
      </p>
      <InlineErrors form={form} names={names} />
      {design ? null : <p className="second">Choose what to fold.</p>}
    </div>
  )
}

/** How many of what, as its kind is said. */
function Wanted({
  index,
  form,
  choices,
  design,
  choose,
  preferences,
  made,
  attached,
  host,
}: SentenceProps & {
  readonly made: MadeKind
  readonly attached: boolean
  /** The line into whose sets these go, counted from 1. */
  readonly host: number | null
}) {
  const at = `lines.${index}` as const
  const pinned = design && !choices.some(({ id }) => id === design.id) ? [design] : []
  const of = (
    <InlineSelect
      form={form}
      name={`${at}.designId`}
      label="Design"
      choices={[...choices, ...pinned].map(({ id, name }) => [id, name])}
      onChange={(id) => void choose(id)}
    />
  )
  if (attached)
    return (
      <>
        <InlineText form={form} name={`${at}.perPiece`} label="How many on each" numeric /> {of} on each
      </>
    )
  if (host !== null)
    return (
      <>
        With line {host}, in each of them:{' '}
        <InlineText form={form} name={`${at}.measures.each`} label="To each one" numeric /> of the {of}
        {made === 'bouquet' ? (
          <>
            {', on stems of '}
            <InlineText form={form} name={`${at}.measures.stem`} label={`Stem (${preferences.unit})`} />{' '}
            {preferences.unit}
          </>
        ) : null}
      </>
    )
  if (made === 'batch')
    return SAID.batch({
      pieces: <InlineText form={form} name={`${at}.pieces`} label="How many" numeric />,
      design: of,
    })
  const slots = Object.fromEntries(
    madeInputs(made).map(({ key, is, label }) => [
      key,
      <span key={`${made} ${key}`} className="whitespace-nowrap">
        <InlineText
          form={form}
          name={`${at}.measures.${key}`}
          label={is === 'length' ? `${label} (${preferences.unit})` : label}
          numeric={is === 'count'}
        />
        {is === 'length' ? ` ${preferences.unit}` : ''}
      </span>,
    ]),
  )
  return (SAID[made] as (slots: Readonly<Record<string, ReactNode>>) => ReactNode)({ ...slots, design: of })
}
