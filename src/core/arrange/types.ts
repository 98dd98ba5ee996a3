/** How the last position meets the first: a ring or a wreath closes, a line or a garland does not. */
export type Shape = 'ring' | 'line'

export interface OrderProblem {
  readonly shape: Shape
  /** How many pieces of each colour; their sum is the number of positions. */
  readonly counts: readonly number[]
  /** Colours held at their positions. */
  readonly locked: ReadonlyMap<number, number>
}

export interface Order {
  /** The colour at each position, as an index into the counts. */
  readonly colours: readonly number[]
  /** Positions whose next neighbour has the same colour. */
  readonly clashes: readonly number[]
  /** No order of these pieces has fewer clashes. */
  readonly fewest: boolean
  /** None with as few clashes is spread more evenly. */
  readonly mostEven: boolean
}
