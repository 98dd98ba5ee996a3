import type { Amount, FoldProgram, LineSpec, MoveSpec, PointSpec, ProgramStep, Round } from './types'

/** Short words for authors of programs; each returns the plain data it names. */

/** Where a point of the sheet lies now. */
export const at = (x: Amount, y: Amount): PointSpec => ({ sheet: [x, y] })
export const plane = (x: Amount, y: Amount): PointSpec => ({ plane: [x, y] })
/** So far to the right and up from a point, as the piece lies. */
export const off = (from: PointSpec, right: Amount, up: Amount): PointSpec => ({ from, by: [right, up] })
export const middleOf = (one: PointSpec, other: PointSpec): PointSpec => ({ between: [one, other] })
export const partWay = (one: PointSpec, other: PointSpec, share: Amount): PointSpec => ({
  between: [one, other],
  share,
})

export const through = (one: PointSpec, other: PointSpec): LineSpec => ({ through: [one, other] })
export const onto = (moves: PointSpec, target: PointSpec): LineSpec => ({ onto: [moves, target] })
/** Halves the angle, or the strip, between two lines. */
export const lineOnto = (moves: LineSpec, target: LineSpec, near: PointSpec): LineSpec => ({
  lineOnto: [moves, target],
  near,
})

type Options<Kind extends MoveSpec['kind']> = Omit<Extract<MoveSpec, { kind: Kind }>, 'kind' | 'way' | 'line'>

export const valley = (line: LineSpec, options: Options<'fold'> = {}): MoveSpec => ({
  kind: 'fold',
  way: 'valley',
  line,
  ...options,
})
export const mountain = (line: LineSpec, options: Options<'fold'> = {}): MoveSpec => ({
  kind: 'fold',
  way: 'mountain',
  line,
  ...options,
})
export const foldAndUnfold = (line: LineSpec, options: Options<'crease'> = {}): MoveSpec => ({
  kind: 'crease',
  way: 'valley',
  line,
  ...options,
})
export const unfold = (line: LineSpec, options: Options<'unfold'>): MoveSpec => ({
  kind: 'unfold',
  way: 'valley',
  line,
  ...options,
})
export const turnOverUpright: MoveSpec = { kind: 'turn over', axis: 'upright' }
export const turnOverLevel: MoveSpec = { kind: 'turn over', axis: 'level' }
/** Work with something of a size: a card that is attached, a field that is written on. */
export const workOn = (
  name: Extract<MoveSpec, { kind: 'work' }>['name'],
  size: readonly [width: number, height: number],
  ...places: readonly PointSpec[]
): MoveSpec => ({ kind: 'work', name, places, size })
/** Work that folds nothing, at these places. */
export const work = (
  name: Extract<MoveSpec, { kind: 'work' }>['name'],
  ...places: readonly PointSpec[]
): MoveSpec => ({ kind: 'work', name, places })
export const rotateBy = (degrees: number): MoveSpec => ({ kind: 'rotate', degrees })

/** A round for each of these moves. */
export const each = (moves: readonly MoveSpec[]): readonly Round[] => moves.map((move) => ({ moves: [move] }))

type StepWords = Pick<ProgramStep, 'key' | 'say'> & Partial<Omit<ProgramStep, 'key' | 'say' | 'rounds'>>

/** A step; firm and strict, counted in folds, unless said. What else an author says of it goes along. */
export const step = <const Words extends StepWords>(
  words: Words,
  ...moves: readonly MoveSpec[]
): ProgramStep & Omit<Words, keyof ProgramStep> => ({
  each: 'fold',
  crease: 'firm',
  rigour: 'strict',
  ...words,
  rounds: each(moves),
})

export const square = (
  steps: readonly ProgramStep[],
  measures: FoldProgram['measures'] = boxMeasures,
): FoldProgram => ({
  sheet: { kind: 'square' },
  steps,
  measures,
})

/** A square laid down with one corner towards you. */
export const squareOnCorner = (steps: readonly ProgramStep[]): FoldProgram => ({
  sheet: { kind: 'square', turnedDegrees: 45 },
  steps,
  measures: boxMeasures,
})

export const boxMeasures: FoldProgram['measures'] = [
  { axis: 'width', label: 'width', measure: { extentDegrees: 0 } },
  { axis: 'height', label: 'height', measure: { extentDegrees: 90 } },
]

/** A point of the unit square, so many quarter turns on. */
export function quarterTurned(
  [x, y]: readonly [number, number],
  quarters: number,
): readonly [number, number] {
  const [cos, sin] = [
    [1, 0],
    [0, 1],
    [-1, 0],
    [0, -1],
  ][((quarters % 4) + 4) % 4] ?? [1, 0]
  const [u, v] = [x - 0.5, y - 0.5]
  return [0.5 + (cos ?? 1) * u - (sin ?? 0) * v, 0.5 + (sin ?? 0) * u + (cos ?? 1) * v]
}
