'use client'

import { useState } from 'react'
import type { DeedResult } from '@/flows/deed'
import { DeedButton } from '../forms/DeedButton'

interface GoBackProps {
  readonly databases: readonly { readonly name: string; readonly when: string; readonly size: string }[]
  readonly goBack: (name: string) => Promise<DeedResult<null>>
  readonly clear: () => Promise<DeedResult<null>>
  /** The room they take together. */
  readonly sum: string
}

/** What stood here before a backup was put back, with a way back to each. */
export function GoBack({ databases, goBack, clear, sum }: GoBackProps) {
  const [sure, setSure] = useState(false)
  return (
    <>
      <ul className="flex flex-col gap-2">
        {databases.map(({ name, when, size }) => (
          <li key={name} className="flex flex-wrap items-center justify-between gap-3">
            <span>
              Replaced {when} <span className="second">{size}</span>
            </span>
            <DeedButton
              className="btn btn-outline btn-sm"
              act={() => goBack(name)}
              label={`Go back to what was replaced ${when}`}
            >
              Go back to this
            </DeedButton>
          </li>
        ))}
      </ul>
      <div className="mt-3 flex flex-wrap items-center justify-between gap-3 border-t hairline pt-3">
        <span>
          {databases.length === 1 ? 'It takes' : 'Together they take'} {sum}.
        </span>
        {sure ? (
          <span className="flex flex-wrap items-center gap-3">
            They cannot be brought back.
            <DeedButton className="btn btn-error btn-sm" act={clear}>
              Delete them for good
            </DeedButton>
            <button type="button" className="btn btn-ghost btn-sm" onClick={() => setSure(false)}>
              Keep them
            </button>
          </span>
        ) : (
          <button type="button" className="btn btn-outline btn-sm" onClick={() => setSure(true)}>
            Clear them
          </button>
        )}
      </div>
    </>
  )
}
