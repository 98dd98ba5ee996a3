'use client'

import { useState } from 'react'
import { FEELS } from '@/core/paper'
import type { DeedResult } from '@/flows/deed'
import { Field } from '../forms/Field'
import { FormMessage } from '../forms/FormMessage'
import { useSubmit } from '../forms/useSubmit'
import { colourOfName } from './colour-of-name'
import { Swatch } from './Swatch'

export interface PaperValues {
  readonly name: string
  readonly feel: string
  readonly grammageGsm: string
  readonly caliperMm: string
  readonly frontColour: string
  readonly backColour: string
  readonly note: string
}

interface PaperFormProps {
  readonly initial: PaperValues
  readonly save: (values: PaperValues, press: string) => Promise<DeedResult<{ readonly paperId: string }>>
  readonly deed: string
  /** Until a colour is chosen, the name says it. */
  readonly colourFromName?: boolean
  /** Where the one who adds it was on the way to. */
  readonly then?: 'project' | null
}

/** A paper: what it is called, both faces, and how it feels; numbers can wait. */
export function PaperForm({ initial, save, deed, colourFromName = false, then = null }: PaperFormProps) {
  const [paper, setPaper] = useState(initial)
  const { fields, message, pending, submit, last } = useSubmit(save, ({ paperId }, router) =>
    router.push(`/papers/${paperId}${then === null ? '' : `?then=${then}#add`}`),
  )
  const [chosen, setChosen] = useState(!colourFromName)
  const setName = (name: string) => {
    const told = chosen ? null : colourOfName(name)
    setPaper({ ...paper, name, ...(told === null ? {} : { frontColour: told }) })
  }
  const set = (key: keyof PaperValues) => (event: { target: { value: string } }) =>
    setPaper({ ...paper, [key]: event.target.value })
  return (
    <form
      noValidate
      className="flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        submit(paper)
      }}
    >
      <FormMessage message={message} />
      <div className="flex items-end gap-4">
        <Swatch front={paper.frontColour} back={paper.backColour} className="h-16 w-22" />
        <Field id="name" label="Name" error={fields['name']} className="grow">
          {(aria) => (
            <input
              {...aria}
              className="input w-full"
              autoComplete="off"
              value={paper.name}
              onChange={(event) => setName(event.target.value)}
            />
          )}
        </Field>
      </div>
      <div className="grid gap-4 tablet:grid-cols-2">
        <Field id="frontColour" label="Colour side" error={fields['frontColour']}>
          {(aria) => (
            <input
              {...aria}
              type="color"
              className="input w-full p-1"
              value={paper.frontColour}
              onChange={(event) => {
                setChosen(true)
                set('frontColour')(event)
              }}
            />
          )}
        </Field>
        <Field id="backColour" label="Other side" error={fields['backColour']}>
          {(aria) => (
            <input
              {...aria}
              type="color"
              className="input w-full p-1"
              value={paper.backColour}
              onChange={set('backColour')}
            />
          )}
        </Field>
        <Field id="feel" label="How it feels" error={fields['feel']}>
          {(aria) => (
            <select {...aria} className="select w-full" value={paper.feel} onChange={set('feel')}>
              {Object.entries(FEELS).map(([key, { label }]) => (
                <option key={key} value={key}>
                  {label}
                </option>
              ))}
            </select>
          )}
        </Field>
        <div className="grid grid-cols-2 gap-4">
          <Field id="grammageGsm" label="Grammage (g/m²)" error={fields['grammageGsm']}>
            {(aria) => (
              <input
                {...aria}
                className="input w-full"
                autoComplete="off"
                value={paper.grammageGsm}
                onChange={set('grammageGsm')}
              />
            )}
          </Field>
          <Field id="caliperMm" label="Thickness (mm)" error={fields['caliperMm']}>
            {(aria) => (
              <input
                {...aria}
                className="input w-full"
                autoComplete="off"
                value={paper.caliperMm}
                onChange={set('caliperMm')}
              />
            )}
          </Field>
        </div>
      </div>
      <Field id="paper-note" label="Note" error={fields['note']}>
        {(aria) => (
          <input
            {...aria}
            className="input w-full"
            autoComplete="off"
            value={paper.note}
            onChange={set('note')}
          />
        )}
      </Field>
      <div className="flex items-center gap-4">
        <button className="btn btn-primary" disabled={pending}>
          {deed}
        </button>
        <span role="status" className="second">
          {last !== null && !pending && message === null ? 'Saved.' : ''}
        </span>
      </div>
    </form>
  )
}
