import { cutInStages, cutWith, cutsOf, type Axis, type InHand } from './guillotine'
import { USUAL_TOOLS } from './paper-problem'
import { placedAt, type CutDemand, type CutLayout, type CutTools, type RectUm } from './types'

/** A piece where it lies, with the demand it is for. */
export interface PlacedPiece extends RectUm {
  readonly demand: string
}

/** What comes off with one setting of the trimmer, or between marks of a ruler. */
export interface CutOff {
  /** How far from the edge laid to the stop the cut runs: how wide what comes off is. */
  readonly setUm: number
  /** How many come off, and how many cuts that takes: the last may be what is left in hand. */
  readonly parts: number
  readonly cuts: number
  /** What each becomes: pieces of a demand, a strip that is cut further, or what is left over between them. */
  readonly gives: { readonly demand: string } | 'strip' | 'rest'
}

/** Cuts made one after another on equal parts: laid against the stop along one axis, never turned between. */
export interface CutStep {
  /** What is in hand: `sheet`, or a strip by how wide it was cut. */
  readonly from: 'sheet' | { readonly stripUm: number }
  /** How many of them one sheet has. */
  readonly of: number
  readonly axis: Axis
  /** How long the cuts are. */
  readonly lengthUm: number
  readonly offs: readonly CutOff[]
}

/** How one sheet of a layout is cut, in order. */
export interface CutOrder {
  /** Taken off all four edges first. */
  readonly marginUm: number
  readonly steps: readonly CutStep[]
  /** Cuts in all, those of the margin among them. */
  readonly cuts: number
  /** Different distances to set. */
  readonly settings: number
}

/** Stages of plans that were made for any straight cuts. */
const ANY_STAGES = 12

const widthOf = ({ widthUm, heightUm }: RectUm, axis: Axis): number => (axis === 'x' ? widthUm : heightUm)

/** Two parts that are cut alike have one name. */
const signOf = (part: InHand<PlacedPiece>): string => {
  const { region, piece, axis, parts } = part
  const size = `${region.widthUm}x${region.heightUm}`
  return piece ? `${size} ${piece.demand}` : axis ? `${size} ${axis}(${parts.map(signOf).join()})` : size
}

const sameGiven = (a: CutOff['gives'], b: CutOff['gives']): boolean =>
  typeof a === 'object' && typeof b === 'object' ? a.demand === b.demand : a === b

const isRest = ({ piece, axis }: InHand<PlacedPiece>): boolean => piece === null && axis === null

/** Cuts of one part in order: alike ones with one setting, and nothing behind the last that is wanted. */
function offsOf({ axis, parts }: InHand<PlacedPiece>): readonly CutOff[] {
  if (!axis) return []
  const offs: CutOff[] = []
  const last = parts.length - 1
  parts.forEach((part, index) => {
    // What is left over at the end is in hand when all else is off.
    if (isRest(part) && index === last) return
    const setUm = widthOf(part.region, axis)
    const gives: CutOff['gives'] = part.piece
      ? { demand: part.piece.demand }
      : isRest(part)
        ? 'rest'
        : 'strip'
    // The last needs no cut: it is what is left in hand.
    const cut = index === last ? 0 : 1
    const before = offs.at(-1)
    if (before?.setUm === setUm && sameGiven(before.gives, gives))
      offs[offs.length - 1] = { ...before, parts: before.parts + 1, cuts: before.cuts + cut }
    else offs.push({ setUm, parts: 1, cuts: cut, gives })
  })
  return offs
}

/** Steps of parts in hand, stage by stage: all equal ones together. */
function stepsOf(whole: InHand<PlacedPiece>): readonly CutStep[] {
  const steps: CutStep[] = []
  let hands: readonly { readonly part: InHand<PlacedPiece>; readonly from: CutStep['from'] }[] = [
    { part: whole, from: 'sheet' },
  ]
  while (hands.length > 0) {
    const alike = new Map<string, { readonly hand: (typeof hands)[number]; of: number }>()
    for (const hand of hands) {
      if (!hand.part.axis) continue
      const name = `${JSON.stringify(hand.from)} ${signOf(hand.part)}`
      const known = alike.get(name)
      if (known) known.of += 1
      else alike.set(name, { hand, of: 1 })
    }
    for (const { hand, of } of alike.values()) {
      const axis = hand.part.axis ?? 'x'
      const lengthUm = axis === 'x' ? hand.part.region.heightUm : hand.part.region.widthUm
      steps.push({ from: hand.from, of, axis, lengthUm, offs: offsOf(hand.part) })
    }
    hands = hands.flatMap(({ part }) => {
      const { axis, parts } = part
      return axis
        ? parts
            .filter((one) => one.axis !== null)
            .map((one) => ({ part: one, from: { stripUm: widthOf(one.region, axis) } }))
        : []
    })
  }
  return steps
}

/**
 * The order in which a sheet of a layout is cut, each distance as it is set at the trimmer or marked with a ruler: found
 * from where the pieces lie, whoever planned them. *Returns* `null` where straight cuts do not part them.
 */
export function cutOrder(
  { sheetUm, placements }: Pick<CutLayout, 'sheetUm' | 'placements'>,
  demands: readonly Pick<CutDemand, 'key' | 'sizeUm'>[],
  tools: CutTools | undefined,
): CutOrder | null {
  const sizes = new Map(demands.map(({ key, sizeUm }) => [key, sizeUm]))
  const pieces = placements.flatMap((placement): readonly PlacedPiece[] => {
    const size = sizes.get(placement.demand)
    return size ? [{ demand: placement.demand, ...placedAt(placement, size) }] : []
  })
  const whole = cutWith(sheetUm, pieces, tools ?? USUAL_TOOLS) ?? cutAnyhow(sheetUm, pieces)
  if (!whole) return null
  const marginUm = whole.piece === null || whole.parts.length > 0 ? (tools?.marginUm ?? 0) : 0
  const steps = stepsOf(whole)
  const set = new Set(
    steps.flatMap(({ offs }) => offs.flatMap(({ setUm, cuts }) => (cuts > 0 ? [setUm] : []))),
  )
  return { marginUm, steps, cuts: cutsOf(whole) + (marginUm > 0 ? 4 : 0), settings: set.size }
}

const cutAnyhow = (sheet: CutLayout['sheetUm'], pieces: readonly PlacedPiece[]): InHand<PlacedPiece> | null =>
  cutInStages({ xUm: 0, yUm: 0, ...sheet }, pieces, 'y', ANY_STAGES) ??
  cutInStages({ xUm: 0, yUm: 0, ...sheet }, pieces, 'x', ANY_STAGES)
