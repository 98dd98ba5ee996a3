'use client'

import { useState } from 'react'
import { mainPart, unitsOf, waysOf, type DesignDocument } from '@/core/design'
import type { DeedResult } from '@/flows/deed'
import type { DrawerPaper } from '@/flows/read/papers'
import { Field } from '../forms/Field'
import { FormMessage } from '../forms/FormMessage'
import { useSubmit } from '../forms/useSubmit'
import { lengthInput, nounMany, type Preferences } from '../format'
import { HowFields, toRun, type HowFolded } from '../project/StartRun'

interface LooseRun extends HowFolded {
  readonly designId: string
  readonly variantKey: string
  readonly paperId: string
  readonly size: string
}

interface JustFoldProps {
  readonly design: DesignDocument
  readonly papers: readonly DrawerPaper[]
  readonly preferences: Preferences
  readonly hand: 'right' | 'left'
  readonly start: (run: LooseRun, press: string) => Promise<DeedResult<{ readonly runId: string }>>
}

/** A run with no project around it: paper, size, how many, and go. */
export function JustFold({ design, papers, preferences, hand, start }: JustFoldProps) {
  const [run, setRun] = useState<LooseRun>({
    designId: design.id,
    variantKey: design.variants[0]?.key ?? '',
    paperId: papers[0]?.id ?? '',
    size: lengthInput(150 / Math.sqrt(mainPart(design).perSquare), preferences),
    pieces: '6',
    traySize: '6',
    grain: 'fold',
    order: 'piece by piece',
    hand,
    way: 'whole',
  })
  const { fields, message, pending, submit } = useSubmit(start, toRun)
  const set = (key: keyof LooseRun) => (event: { target: { value: string } }) =>
    setRun({ ...run, [key]: event.target.value })
  const variant = design.variants.find(({ key }) => key === run.variantKey) ?? design.variants[0]
  const units = variant ? unitsOf(mainPart(design), variant) : 1
  const ways = variant ? waysOf(mainPart(design), variant) : []
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        submit(run)
      }}
    >
      <FormMessage message={message} />
      <div className="flex flex-wrap items-start gap-3">
        <Field id="loose-variant" label="Variant" error={fields['variantKey']}>
          {(aria) => (
            <select {...aria} className="select w-36" value={run.variantKey} onChange={set('variantKey')}>
              {design.variants.map((one) => (
                <option key={one.key} value={one.key}>
                  {one.name}
                </option>
              ))}
            </select>
          )}
        </Field>
        <Field id="loose-paper" label="Paper" error={fields['paperId']}>
          {(aria) => (
            <select {...aria} className="select w-44" value={run.paperId} onChange={set('paperId')}>
              <option value="">any scrap</option>
              {papers.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </select>
          )}
        </Field>
        <Field id="loose-size" label={`Sheet (${preferences.unit})`} error={fields['size']}>
          {(aria) => (
            <input
              {...aria}
              className="input w-28"
              autoComplete="off"
              value={run.size}
              onChange={set('size')}
            />
          )}
        </Field>
      </div>
      <HowFields
        id="loose"
        how={run}
        ways={ways}
        change={(how) => setRun({ ...run, ...how })}
        fields={fields}
      />
      <div>
        <button className="btn btn-primary" disabled={pending}>
          Start folding
        </button>
        {units === 1 ? null : (
          <span className="second ml-4">
            {units} {nounMany(mainPart(design).name)} each
          </span>
        )}
      </div>
    </form>
  )
}
