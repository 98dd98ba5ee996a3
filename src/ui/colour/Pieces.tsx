import { clashesOf, type Neighbours, type PieceSize, type Scene } from '@/core/arrange'
import type { Hand } from '../arrange/hand'
import { HungPieces, type HungLayer } from '../arrange/HungPieces'
import type { PaperColours } from '../diagram/faces'
import type { Preferences } from '../format'
import type { PieceLook } from '../piece/PieceAround'
import { OrderPreview } from './OrderPreview'

/** What is drawn of a line's pieces. */
export interface PiecesSeen {
  readonly neighbours: Neighbours
  readonly hung: { readonly scene: Scene; readonly piece: PieceSize; readonly sheetMm: number } | null
  /** What stands among the pieces, of other lines. */
  readonly besides: readonly (HungLayer & { readonly looksBehind: readonly PieceLook[] })[]
  readonly papers: readonly PaperColours[]
  readonly looks: readonly PieceLook[]
  readonly looksBehind: readonly PieceLook[]
  readonly sideUp: 'colour up' | 'colour down'
  readonly title: string
  readonly preferences: Preferences
}

interface PiecesProps extends PiecesSeen {
  readonly colours: readonly number[]
  readonly behind: boolean
  readonly whole: boolean
  readonly hand?: Hand
}

/** The pieces as they hang, or one after another. */
export function Pieces({
  neighbours,
  hung,
  besides,
  looks,
  looksBehind,
  behind,
  colours,
  papers,
  sideUp,
  title,
  whole,
  hand,
  preferences,
}: PiecesProps) {
  const seen = {
    colours,
    papers,
    looks: behind ? looksBehind : looks,
    sideUp,
    // Of one paper all are alike, and nothing can be done about it.
    clashes: papers.length > 1 ? clashesOf(neighbours, colours) : [],
    title,
    ...(hand ? { hand } : {}),
  }
  return hung ? (
    <HungPieces
      {...seen}
      {...hung}
      besides={besides.map((layer) => (behind ? { ...layer, looks: layer.looksBehind } : layer))}
      behind={behind}
      whole={whole}
      preferences={preferences}
    />
  ) : (
    <OrderPreview {...seen} shape={neighbours === 'line' ? 'line' : 'ring'} />
  )
}
