import { fold, type LineSpec, type MoveSpec } from '../../fold'

const { at, lineOnto, onto, step, through, turnOverUpright, valley } = fold

/** Of a heart from a square on its corner: the middle, from the bottom point up. */
export const HEART_MIDDLE = through(at(0.375, 0.375), at(0.75, 0.75))
/** Half of the folded bottom edge, brought up along the middle. */
const sideUp = (right: boolean): MoveSpec =>
  valley(
    lineOnto(
      through(at(0.375, 0.375), right ? at(0.75, 0) : at(0, 0.75)),
      HEART_MIDDLE,
      right ? at(0.8, 0.3) : at(0.3, 0.8),
    ),
    { moves: right ? at(0.75, 0) : at(0, 0.75) },
  )

/** Once the top corner is in: the bottom corner up to the top edge. */
export const bottomUp = (words: { readonly normal?: string } = {}) =>
  step(
    { key: 'bottom', say: 'Bottom corner up to the top edge', each: 'corner', ...words },
    valley(onto(at(0, 0), at(0.75, 0.75))),
  )

/** Then both halves of the folded bottom edge up along the middle. */
export const sidesUp = (words: { readonly look: readonly string[]; readonly note?: string }) =>
  step(
    {
      key: 'sides',
      say: 'Bottom edge up along the middle',
      each: 'side',
      crease: 'burnished',
      ...words,
    },
    sideUp(true),
    sideUp(false),
  )

/** Where the two raised edges end, beside one another on the middle. */
const notchLevel: LineSpec = { square: HEART_MIDDLE, via: at(0.75, 0) }
const topTip = (right: boolean): MoveSpec =>
  valley(
    { point: right ? at(1, 0) : at(0, 1), ontoLine: notchLevel, square: HEART_MIDDLE },
    { take: { at: right ? at(0.98, 0.04) : at(0.04, 0.98), layers: 1 } },
  )
/** From behind: both top tips down. */
export const topTipsDown = step(
  { key: 'top-tips', say: 'Top tip down, level with the notch', each: 'tip', rigour: 'even' },
  topTip(true),
  topTip(false),
)
export const heartOver = step(
  { key: 'over', say: 'Turn over', each: 'turn', crease: 'none' },
  turnOverUpright,
)
export const heartToFront = step(
  { key: 'front', say: 'Turn back to the front', each: 'turn', crease: 'none' },
  turnOverUpright,
)

/** Of a heart from a rectangle, its halves standing: the four corners of its lobes behind. */
export const lobesRounded = (cornerBehind: (right: boolean, inner: boolean) => MoveSpec) => [
  step(
    { key: 'inner', say: 'Inner corner behind', each: 'corner', rigour: 'even' },
    cornerBehind(true, true),
    cornerBehind(false, true),
  ),
  step(
    { key: 'outer', say: 'Outer corner behind, as much', each: 'corner', rigour: 'even' },
    cornerBehind(true, false),
    cornerBehind(false, false),
  ),
]
