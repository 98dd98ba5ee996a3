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
import { ANY_PAPER, facesOf } from '../diagram/faces'
import { formatLength, type Preferences } from '../format'
import { JoiningFigures } from './JoiningFigures'
import { AssemblyWords, LayOut } from './GuideWords'
import { StepList } from './StepList'

/** What is set at the dial of a design: what stands elsewhere on its page follows it. */
interface ChosenSize {
  readonly variantKey: string
  readonly sheetMm: number
}

const ChosenSizeContext = createContext<{
  readonly chosen: ChosenSize
  readonly dial: (to: ChosenSize) => void
} | null>(null)

export function FollowsDial({
  start,
  children,
}: {
  readonly start: ChosenSize
  readonly children: ReactNode
}) {
  const [chosen, dial] = useState(start)
  const value = useMemo(() => ({ chosen, dial }), [chosen])
  return <ChosenSizeContext value={value}>{children}</ChosenSizeContext>
}

/** For the dial: says what it is set to, as long as that is a size. */
export function useTellChosenSize(variantKey: string, sheetMm: number | null): void {
  const dial = use(ChosenSizeContext)?.dial
  useEffect(() => {
    if (sheetMm !== null) dial?.({ variantKey, sheetMm })
  }, [dial, variantKey, sheetMm])
}

interface PageParts {
  readonly design: DesignDocument
  readonly ends: Readonly<Record<string, FoldedEndView>>
  readonly preferences: Preferences
}

function useChosenSize(
  design: DesignDocument,
): { readonly variant: Variant; readonly sheetMm: number } | null {
  const chosen = use(ChosenSizeContext)?.chosen
  return chosen ? { variant: variantOf(design, chosen.variantKey), sheetMm: chosen.sheetMm } : null
}

export function ChosenLayOut({ design, ends, preferences }: PageParts) {
  const chosen = useChosenSize(design)
  if (!chosen) return null
  const { variant, sheetMm } = chosen
  return <LayOut design={design} sheetMm={sheetMm} end={ends[variant.key]} preferences={preferences} />
}

export function ChosenSteps({ design }: Pick<PageParts, 'design'>) {
  const chosen = useChosenSize(design)
  return chosen ? <StepList design={design} variant={chosen.variant} /> : null
}

/** How the units of the variant chosen are joined; nothing where it is one piece. */
export function ChosenJoining({
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
  const chosen = useChosenSize(design)
  if (!chosen?.variant.assembly) return null
  const { variant, sheetMm } = chosen
  const end = ends[variant.key]
  const sight = end?.sight
  return (
    <AssemblyWords
      assembly={chosen.variant.assembly}
      partName={partName}
      mount={mount && mountFor(design, variant, mount, sheetMm)}
      joins={
        end?.joining ? (
          <JoiningFigures
            joining={end.joining}
            says={variant.assembly?.says}
            faces={facesOf(ANY_PAPER, end.sideUp)}
            leftHanded={false}
            length={(share) => formatLength(share * sheetMm, preferences)}
          />
        ) : null
      }
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
