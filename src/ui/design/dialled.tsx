'use client'

import { createContext, use, useEffect, useMemo, useState, type ReactNode } from 'react'
import {
  defaultGauges,
  finishedSizes,
  sheetForFinished,
  variantOf,
  type DesignDocument,
  type Variant,
} from '@/core/design'
import { CoreError } from '@/core/errors'
import type { FoldedEndView } from '@/flows/read/folds'
import type { Preferences } from '../format'
import { AssemblyWords, LayOut } from './GuideWords'
import { StepList } from './StepList'

/** What is set at the dial of a design: what stands elsewhere on its page follows it. */
interface Dialled {
  readonly variantKey: string
  readonly sheetMm: number
}

const DialledContext = createContext<{
  readonly dialled: Dialled
  readonly dial: (to: Dialled) => void
} | null>(null)

export function FollowsDial({ start, children }: { readonly start: Dialled; readonly children: ReactNode }) {
  const [dialled, dial] = useState(start)
  const value = useMemo(() => ({ dialled, dial }), [dialled])
  return <DialledContext value={value}>{children}</DialledContext>
}

/** For the dial: says what it is set to, as long as that is a size. */
export function useTellDialled(variantKey: string, sheetMm: number | null): void {
  const dial = use(DialledContext)?.dial
  useEffect(() => {
    if (sheetMm !== null) dial?.({ variantKey, sheetMm })
  }, [dial, variantKey, sheetMm])
}

interface PageParts {
  readonly design: DesignDocument
  readonly ends: Readonly<Record<string, FoldedEndView>>
  readonly preferences: Preferences
}

function useDialled(design: DesignDocument): { readonly variant: Variant; readonly sheetMm: number } | null {
  const dialled = use(DialledContext)?.dialled
  return dialled ? { variant: variantOf(design, dialled.variantKey), sheetMm: dialled.sheetMm } : null
}

export function DialledLayOut({ design, ends, preferences }: PageParts) {
  const dialled = useDialled(design)
  if (!dialled) return null
  const { variant, sheetMm } = dialled
  return <LayOut design={design} sheetMm={sheetMm} end={ends[variant.key]} preferences={preferences} />
}

export function DialledSteps({ design }: Pick<PageParts, 'design'>) {
  const dialled = useDialled(design)
  return dialled ? <StepList design={design} variant={dialled.variant} /> : null
}

/** How the units of the variant dialled are joined; nothing where it is one piece. */
export function DialledJoining({
  design,
  ends,
  partName,
  mount,
  preferences,
}: PageParts & {
  readonly partName: string
  /** The design that carries the piece, where one does. */
  readonly mount: DesignDocument | null
}) {
  const dialled = useDialled(design)
  if (!dialled?.variant.assembly) return null
  const { variant, sheetMm } = dialled
  const sight = ends[variant.key]?.sight
  return (
    <AssemblyWords
      assembly={dialled.variant.assembly}
      partName={partName}
      mount={mount && mountFor(design, variant, mount, sheetMm)}
      sightMm={sight == null ? null : sight * sheetMm}
      preferences={preferences}
    />
  )
}

/** The sheet that makes the mount cover the hole to its corners, with what it covers around it. */
function mountFor(design: DesignDocument, variant: Variant, mount: DesignDocument, sheetMm: number) {
  const wanted = variant.assembly?.mount
  const [first] = mount.variants
  const hole = finishedSizes(design, variant, sheetMm, defaultGauges(design)).find(
    ({ axis }) => axis === 'hole-circle',
  )
  if (!wanted || !first || !hole) return null
  const acrossMm = hole.sizeMm + 2 * wanted.overlapMm
  try {
    const sheet = sheetForFinished(mount, first, wanted.axis, acrossMm, defaultGauges(mount))
    return { id: mount.id, name: mount.name, sheetMm: sheet }
  } catch (error) {
    // A hole of metres: no sheet that anyone folds covers it.
    if (error instanceof CoreError) return null
    throw error
  }
}
