import { hangOf, placeAlong } from './hang'
import type { Made, MadeFact, Making, PieceSize } from './made'

/** Where the middle of a piece is, mm, y down, and how far it is turned from upright, radians clockwise. */
export interface PiecePlace {
  readonly xMm: number
  readonly yMm: number
  readonly turn: number
}

/** How pieces hang, in their order, with what they hang on as lines of x, y by turns. */
export interface Scene {
  readonly places: readonly PiecePlace[]
  readonly lines: readonly (readonly number[])[]
}

const factOf = ({ facts }: Made, wanted: MadeFact): number =>
  facts.find(({ fact }) => fact === wanted)?.mm ?? 0

/** Lines along a curve are drawn in so many pieces. */
const STROKES = 72

function garlandScene({ values }: Making, made: Made, { acrossMm, highMm }: PieceSize): Scene {
  const dressedMm = factOf(made, 'dressed')
  const hang = hangOf(dressedMm, Math.min(values['across'] ?? dressedMm, dressedMm))
  const along = (mm: number) => placeAlong(hang, dressedMm, mm)
  return {
    // A piece hangs straight down from where it is tied, whatever the slope of the string.
    places: Array.from({ length: made.pieces }, (_, at) => {
      const { xMm, downMm } = along(acrossMm / 2 + at * (values['every'] ?? 0))
      return { xMm, yMm: downMm + highMm / 2, turn: 0 }
    }),
    lines: [
      Array.from({ length: STROKES + 1 }, (_, at) => along((dressedMm * at) / STROKES)).flatMap(
        ({ xMm, downMm }) => [xMm, downMm],
      ),
    ],
  }
}

const around = (radiusMm: number, turn: number): readonly [number, number] => [
  radiusMm * Math.sin(turn),
  -radiusMm * Math.cos(turn),
]

function wreathScene(_: Making, made: Made): Scene {
  const radiusMm = factOf(made, 'radius')
  return {
    places: Array.from({ length: made.pieces }, (__, at) => {
      const turn = (2 * Math.PI * at) / made.pieces
      const [xMm, yMm] = around(radiusMm, turn)
      return { xMm, yMm, turn }
    }),
    lines: [
      Array.from({ length: STROKES + 1 }, (__, at) => around(radiusMm, (2 * Math.PI * at) / STROKES)).flat(),
    ],
  }
}

/** Threads stand this far apart, in pieces: they must not touch. */
const THREADS_APART = 1.3

/** Level by level, each level from thread to thread: that is how a mobile is seen. */
function mobileScene({ values }: Making, made: Made, { acrossMm, highMm }: PieceSize): Scene {
  const { threads = 1, each = 1, drop = 0, every = 0 } = values
  const apartMm = THREADS_APART * acrossMm
  const reachMm = drop + (each - 1) * every
  return {
    places: Array.from({ length: made.pieces }, (_, at) => ({
      xMm: (at % threads) * apartMm,
      yMm: drop + Math.floor(at / threads) * every + highMm / 2,
      turn: 0,
    })),
    lines: [
      [0, 0, (threads - 1) * apartMm, 0],
      ...Array.from({ length: threads }, (_, at) => [at * apartMm, 0, at * apartMm, reachMm]),
    ],
  }
}

/** How what is made will hang; `null` for what has no order to be seen. */
export function sceneOf(making: Making, made: Made, piece: PieceSize): Scene | null {
  switch (making.kind) {
    case 'garland':
      return garlandScene(making, made, piece)
    case 'wreath':
      return wreathScene(making, made)
    case 'mobile':
      return mobileScene(making, made, piece)
    case 'batch':
    case 'bouquet':
    case 'topper':
    case 'table':
      return null
  }
}

/** The frame around a scene, with room for whole pieces. */
export function frameOf({ places, lines }: Scene, { acrossMm, highMm }: PieceSize) {
  const reachMm = Math.hypot(acrossMm, highMm) / 2
  const frame = { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity }
  const take = (xMm: number, yMm: number, roomMm: number) => {
    frame.left = Math.min(frame.left, xMm - roomMm)
    frame.right = Math.max(frame.right, xMm + roomMm)
    frame.top = Math.min(frame.top, yMm - roomMm)
    frame.bottom = Math.max(frame.bottom, yMm + roomMm)
  }
  for (const { xMm, yMm } of places) take(xMm, yMm, reachMm)
  for (const line of lines)
    for (let at = 0; at + 1 < line.length; at += 2) take(line[at] ?? 0, line[at + 1] ?? 0, 0)
  return frame
}
