import { Delaunay } from 'd3-delaunay'
import { largest } from '../numeric'
import { hangOf, placeAlong } from './hang'
import type { Made, MadeFact, Making, PieceSize } from './made'
import type { Neighbours, Pair } from './types'

/** Where the middle of a piece is, mm, y down, and how far it is turned from upright, radians clockwise. */
export interface PiecePlace {
  readonly xMm: number
  readonly yMm: number
  readonly turn: number
}

/** How pieces hang or stand, in their order, with what they hang on as lines of x, y by turns. */
export interface Scene {
  readonly places: readonly PiecePlace[]
  /** What lies beside what. */
  readonly neighbours: Neighbours
  readonly lines: readonly (readonly number[])[]
}

/** Several kinds of pieces that go into the same bouquets or places, and which of them is meant. */
export interface SetShare {
  readonly members: readonly { readonly each: number; readonly piece: PieceSize }[]
  readonly at: number
}

/** Who alone fills a set. */
const alone = (each: number, piece: PieceSize): SetShare => ({ members: [{ each, piece }], at: 0 })

const eachIn = ({ members }: SetShare): number => members.reduce((sum, { each }) => sum + each, 0)

/**
 * Whose every place of a set is. Those of which there are few choose first, from the rim inwards, each next one the place
 * farthest from its own: so each kind is spread, and leaves stand around flowers.
 */
function ownersOf({ members }: SetShare, places: readonly PiecePlace[]): readonly number[] {
  const owners = places.map((): number | null => null)
  const fewFirst = members
    .map(({ each }, member) => ({ each, member }))
    .sort((one, other) => one.each - other.each)
  for (const { each, member } of fewFirst) {
    // How far each place is from the nearest of its own; before there is one, the rim comes first.
    const far = places.map((_, place) => place / places.length)
    for (let given = 0; given < each; given++) {
      let next = -1
      owners.forEach((owner, place) => {
        if (owner === null && (next === -1 || (far[place] ?? 0) >= (far[next] ?? 0))) next = place
      })
      const chosen = places[next]
      if (!chosen) break
      owners[next] = member
      places.forEach(({ xMm, yMm }, place) => {
        const apart = Math.hypot(xMm - chosen.xMm, yMm - chosen.yMm)
        far[place] = given === 0 ? apart : Math.min(far[place] ?? 0, apart)
      })
    }
  }
  return owners.map((owner) => owner ?? 0)
}

/** The places of one set that are one kind's, and what lies beside what among them. */
function ownOf(share: SetShare, places: readonly PiecePlace[], beside: readonly Pair[]) {
  const own = ownersOf(share, places).flatMap((owner, place) => (owner === share.at ? [place] : []))
  const index = new Map(own.map((place, at) => [place, at]))
  const pairs = beside.flatMap(([one, other]): readonly Pair[] => {
    const [from, to] = [index.get(one), index.get(other)]
    return from === undefined || to === undefined ? [] : [[from, to]]
  })
  return { own, pairs }
}

/** How large the pieces of a set are on the whole: so far apart they are put. */
function onTheWhole({ members }: SetShare): PieceSize {
  const all = members.reduce((sum, { each }) => sum + each, 0)
  const mean = (of: (piece: PieceSize) => number) =>
    members.reduce((sum, { each, piece }) => sum + each * of(piece), 0) / all
  return { acrossMm: mean(({ acrossMm }) => acrossMm), highMm: mean(({ highMm }) => highMm) }
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
    neighbours: 'line',
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
    neighbours: 'ring',
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

/** Threads are drawn this far apart, in pieces across, or high where those are narrow: they must not touch. */
const [THREADS_APART, HIGH_APART] = [1.3, 0.6]

/** Level by level, each level from thread to thread: that is how a mobile is seen. */
function mobileScene({ values }: Making, made: Made, { acrossMm, highMm }: PieceSize): Scene {
  const { threads = 1, each = 1, drop = 0, every = 0 } = values
  const apartMm = Math.max(THREADS_APART * acrossMm, HIGH_APART * highMm)
  const reachMm = drop + (each - 1) * every
  const across = pairsAlong(made.pieces, 1).filter(([, next]) => next % threads !== 0)
  return {
    neighbours: [...across, ...pairsAlong(made.pieces, threads)],
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

/** Every position with the one so many further on. */
const pairsAlong = (positions: number, step: number): readonly Pair[] =>
  Array.from({ length: Math.max(0, positions - step) }, (_, at): Pair => [at, at + step])

/** From one flower to the next around the middle: no two ever come to lie in one direction. *Source* the golden angle. */
const GOLDEN_TURN = Math.PI * (3 - Math.sqrt(5))
/** Flowers of a dome touch: on a spiral of radius c sqrt(k) the nearest lie about 1.75 c apart (tested). */
const NEAREST = 1.75
/** Flowers further apart than this, in flowers, are not beside each other. */
const BESIDE = 1.8
/** Between bouquets, in flowers; rows are this much longer than there are rows. */
const [APART, WIDER] = [0.6, 1.6]

/** The flowers of one bouquet as seen from above, the middle one first. */
function domeOf(flowers: number, widthMm: number): readonly PiecePlace[] {
  return Array.from({ length: flowers }, (_, at) => {
    const radiusMm = flowers === 1 ? 0 : (widthMm / NEAREST) * Math.sqrt(at + 0.5)
    const turn = at * GOLDEN_TURN
    const [xMm, yMm] = around(radiusMm, turn)
    // A flower leans outwards.
    return { xMm, yMm, turn: flowers === 1 ? 0 : turn % (2 * Math.PI) }
  })
}

/** Which lie beside each other in a plane: neighbours by Delaunay's triangles, unless too far apart. */
function besideInPlane(places: readonly PiecePlace[], farthestMm: number): readonly Pair[] {
  const triangles = Delaunay.from(
    places,
    ({ xMm }) => xMm,
    ({ yMm }) => yMm,
  )
  return places.flatMap((place, at) =>
    [...triangles.neighbors(at)].flatMap((other): readonly Pair[] => {
      const far = Math.hypot((places[other]?.xMm ?? 0) - place.xMm, (places[other]?.yMm ?? 0) - place.yMm)
      return other > at && far <= farthestMm ? [[at, other]] : []
    }),
  )
}

/** Bouquets side by side in rows, each as a dome from above; flowers of two bouquets are not beside each other. */
function bouquetScene({ values }: Making, made: Made, share: SetShare): Scene {
  const { bouquets = 1, each = 1 } = values
  const { acrossMm, highMm } = onTheWhole(share)
  // Long ones stand closer than they are long: they lean over each other.
  const widthMm = Math.sqrt(acrossMm * highMm)
  const dome = domeOf(eachIn(share), widthMm)
  const reachMm = dome.reduce((most, { xMm, yMm }) => Math.max(most, Math.hypot(xMm, yMm)), 0)
  const pitchMm = 2 * reachMm + (1 + APART) * Math.max(acrossMm, highMm)
  const inARow = Math.ceil(Math.sqrt(WIDER * bouquets))
  const { own, pairs } = ownOf(share, dome, besideInPlane(dome, BESIDE * widthMm))
  return {
    neighbours: Array.from({ length: bouquets }, (_, bouquet) =>
      pairs.map(([one, other]): Pair => [bouquet * each + one, bouquet * each + other]),
    ).flat(),
    places: Array.from({ length: made.pieces }, (_, at) => {
      const bouquet = Math.floor(at / each)
      const { xMm = 0, yMm = 0, turn = 0 } = dome[own[at % each] ?? 0] ?? {}
      return {
        xMm: xMm + (bouquet % inARow) * pitchMm,
        yMm: yMm + Math.floor(bouquet / inARow) * pitchMm,
        turn,
      }
    }),
    lines: [],
  }
}

/** Room for one at a table, and across it: the craft's common practice, no source. */
const [PLACE_MM, TABLE_MM] = [600, 900]
/** Pieces at one place are drawn this far apart, in pieces: they must not touch. */
const AT_A_PLACE = 1.1

/** Places along both sides of a table from above, the pieces of each side by side. */
function tableScene({ values }: Making, made: Made, share: SetShare): Scene {
  const { places: seats = 1, each = 1 } = values
  const acrossMm = largest(share.members.map(({ piece }) => piece.acrossMm))
  const highMm = largest(share.members.map(({ piece }) => piece.highMm))
  const atAPlace = eachIn(share)
  // One beside the other at every place, in the order of the brief.
  const own = share.members
    .flatMap(({ each: many }, at) => Array<number>(many).fill(at))
    .flatMap((at, place) => (at === share.at ? [place] : []))
  const side = Math.ceil(seats / 2)
  const stepMm = Math.max(PLACE_MM, AT_A_PLACE * (atAPlace + 1) * acrossMm)
  const edgeMm = TABLE_MM / 2 - highMm
  const longMm = side * stepMm
  const neighbours = Array.from({ length: made.pieces }, (_, at): readonly Pair[] => {
    const seat = Math.floor(at / each)
    // The first of the other side does not lie beside the last of this one.
    const next: readonly Pair[] = at + 1 < made.pieces && at + 1 !== side * each ? [[at, at + 1]] : []
    const opposite = at + side * each
    return seat < side && opposite < made.pieces ? [...next, [at, opposite]] : next
  }).flat()
  return {
    neighbours,
    places: Array.from({ length: made.pieces }, (_, at) => {
      const seat = Math.floor(at / each)
      return {
        xMm:
          ((seat % side) + 0.5) * stepMm +
          ((own[at % each] ?? 0) - (atAPlace - 1) / 2) * AT_A_PLACE * acrossMm,
        yMm: seat < side ? -edgeMm : edgeMm,
        turn: 0,
      }
    }),
    lines: [
      [0, -TABLE_MM / 2, longMm, -TABLE_MM / 2, longMm, TABLE_MM / 2, 0, TABLE_MM / 2, 0, -TABLE_MM / 2],
    ],
  }
}

/** Whether what is made is seen from above: what stands on a table; all else hangs. */
export const seenFromAbove = ({ kind }: Pick<Making, 'kind'>): boolean =>
  kind === 'bouquet' || kind === 'table'

/**
 * How what is made will hang or stand; `null` for what has no order to be seen. Of pieces that go into sets with others
 * their own places among all of them.
 */
export function sceneOf(making: Making, made: Made, piece: PieceSize, set?: SetShare): Scene | null {
  const share = set ?? alone(making.values['each'] ?? 1, piece)
  switch (making.kind) {
    case 'garland':
      return garlandScene(making, made, piece)
    case 'wreath':
      return wreathScene(making, made)
    case 'mobile':
      return mobileScene(making, made, piece)
    case 'bouquet':
      return bouquetScene(making, made, share)
    case 'table':
      return tableScene(making, made, share)
    case 'batch':
    case 'topper':
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
