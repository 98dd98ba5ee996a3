'use client'

import type { DeedResult } from '@/flows/deed'
import { DeedButton } from '../forms/DeedButton'

interface JoinButtonsProps {
  readonly what: string
  readonly join: (delta: 1 | -1, press: string) => Promise<DeedResult<unknown>>
}

/** One more joined, or one back. */
export function JoinButtons({ what, join }: JoinButtonsProps) {
  return (
    <div className="flex flex-wrap gap-3">
      <DeedButton
        className="btn btn-primary btn-lg"
        act={(press) => join(1, press)}
        label={`One more joined: ${what}`}
      >
        One more joined
      </DeedButton>
      <DeedButton
        className="btn btn-ghost btn-lg"
        act={(press) => join(-1, press)}
        label={`Undo one: ${what}`}
      >
        Undo one
      </DeedButton>
    </div>
  )
}
