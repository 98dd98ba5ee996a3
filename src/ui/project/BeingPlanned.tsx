'use client'

import { useRouter } from 'next/navigation'
import { useEffect } from 'react'
import type { DeedResult } from '@/flows/deed'
import type { PlanningState } from '@/flows/planning-state'
import { DeedButton } from '../forms/DeedButton'

const LOOK_EVERY_MS = 1500

interface BeingPlannedProps {
  readonly state: PlanningState
  readonly planAgain: (press: string) => Promise<DeedResult<unknown>>
}

/** That a project's cuts are being planned; what is shown follows by itself once they are. */
export function BeingPlanned({ state, planAgain }: BeingPlannedProps) {
  const router = useRouter()
  const open = state === 'being planned'
  useEffect(() => {
    if (!open) return
    const looking = setInterval(() => router.refresh(), LOOK_EVERY_MS)
    return () => clearInterval(looking)
  }, [open, router])
  if (state === 'settled') return null
  return (
    <div className="note mb-6 flex flex-wrap items-center justify-between gap-3" role="status">
      {open ? (
        <p>
          <span
            className="loading loading-spinner loading-sm mr-2 align-middle motion-reduce:hidden"
            aria-hidden
          />
          <strong>The cuts are being planned.</strong> What you saved is kept. This page shows the plan as
          soon as it is ready.
        </p>
      ) : (
        <>
          <p>
            <strong>The cuts could not be planned:</strong> the drawer or the brief kept changing meanwhile.
            What you saved is kept.
          </p>
          <DeedButton act={planAgain} className="btn btn-primary">
            Plan the cuts
          </DeedButton>
        </>
      )}
    </div>
  )
}
