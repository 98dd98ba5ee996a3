'use client'

import type { ReactNode } from 'react'
import type { KeptView } from '@/flows/kept-forms'
import type { PaperFaces } from '../diagram/Paper'
import { SmallDrawing } from '../diagram/SmallDrawing'
import type { SmallPicture } from '../diagram/view'
import { PaintedPiece } from '../piece/PaintedPiece'
import { Link } from '../shell/Link'

export interface DesignCardProps {
  readonly id: string
  readonly name: string
  readonly summary: string
  /** As it was painted; else it is drawn. */
  readonly painted: KeptView | null
  readonly drawing: SmallPicture | null
  readonly faces: PaperFaces
  readonly sheet: string
  readonly size: string
  readonly folds: string
  readonly time: string
  /** The time is the usual one, not one of the logbook. */
  readonly usual: boolean
  readonly skill: string | null
  /** What the paper and the time become; why not more. */
  readonly becomes: { readonly pieces: string; readonly because: string } | null
  /** Stands where there is no picture. */
  readonly children?: ReactNode
}

/** A design as it lies on the shelf: its picture, and in words what it asks for and gives. */
export function DesignCard(card: DesignCardProps) {
  return (
    <li className="sheet-panel flex flex-col p-5">
      <span className="strip-of-tape mx-auto mb-3" aria-hidden />
      {card.painted ? (
        <PaintedPiece
          view={card.painted}
          faces={card.faces}
          title={`${card.name}, finished`}
          className="-mx-2 -mt-2 h-48"
        />
      ) : card.drawing === null ? (
        card.children
      ) : (
        <SmallDrawing
          drawing={card.drawing}
          faces={card.faces}
          title={`${card.name}, finished`}
          className="h-40 w-full"
        />
      )}
      <h2 className="mt-4 text-2xl italic">
        <Link href={`/designs/${card.id}`} className="hover:underline">
          {card.name}
        </Link>
      </h2>
      <p className="second mt-1">{card.summary}</p>
      <dl className="mt-4 grid grid-cols-2 gap-y-1">
        <dt className="sr-only">Sheet</dt>
        <dd className="second">{card.sheet}</dd>
        <dt className="sr-only">Finished size</dt>
        <dd className="text-right font-semibold">{card.size}</dd>
        <dt className="sr-only">Folds</dt>
        <dd className="second">{card.folds}</dd>
        <dt className="sr-only">Time</dt>
        <dd className="text-right font-semibold">
          {card.time}
          {card.usual ? <span className="second font-normal"> usual</span> : null}
        </dd>
        {card.skill === null ? null : (
          <>
            <dt className="sr-only">Skill</dt>
            <dd className="second">{card.skill}</dd>
          </>
        )}
        {card.becomes === null ? null : (
          <>
            <dt className="sr-only">That becomes</dt>
            <dd className="figure text-right text-xl">
              {card.becomes.pieces}
              {card.becomes.because === '' ? null : (
                <span className="second block text-sm">{card.becomes.because}</span>
              )}
            </dd>
          </>
        )}
      </dl>
    </li>
  )
}
