'use client'

import type { DeedResult } from '@/flows/deed'
import { DeedButton } from '../forms/DeedButton'

interface GoBackProps {
  readonly databases: readonly { readonly name: string; readonly when: string; readonly size: string }[]
  readonly goBack: (name: string) => Promise<DeedResult<null>>
}

/** What stood here before a backup was put back, with a way back to each. */
export function GoBack({ databases, goBack }: GoBackProps) {
  return (
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
  )
}
