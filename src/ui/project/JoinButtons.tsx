'use client'

import { nanoid } from 'nanoid'
import type { DeedResult } from '@/flows/deed'
import { DeedButton } from '../forms/DeedButton'

interface JoinButtonsProps {
  readonly what: string
  readonly join: (press: { id: string; delta: 1 | -1 }) => Promise<DeedResult<unknown>>
}

/** One more joined, or one back. Each press carries its own mark, so that it counts once. */
export function JoinButtons({ what, join }: JoinButtonsProps) {
  return (
    <div className="flex flex-wrap gap-3">
      <DeedButton
        className="btn btn-primary btn-lg"
        act={() => join({ id: nanoid(), delta: 1 })}
        label={`One more joined: ${what}`}
      >
        One more joined
      </DeedButton>
      <DeedButton
        className="btn btn-ghost btn-lg"
        act={() => join({ id: nanoid(), delta: -1 })}
        label={`Undo one: ${what}`}
      >
        Undo one
      </DeedButton>
    </div>
  )
}
