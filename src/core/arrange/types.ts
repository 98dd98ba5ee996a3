/** How the last position meets the first: a ring or a wreath closes, a line or a garland does not. */
export type Shape = 'ring' | 'line'

/** Two positions that lie beside each other. */
export type Pair = readonly [number, number]

/** What lies beside what: one after another, or, where pieces lie in a plane, pair by pair. */
export type Neighbours = Shape | readonly Pair[]

export interface OrderProblem {
  readonly neighbours: Neighbours
  /** How many pieces of each colour; their sum is the number of positions. */
  readonly counts: readonly number[]
  /** Colours held at their positions. */
  readonly locked: ReadonlyMap<number, number>
  /** 0 asks for the best order; any other whole number for one of the orders with as few clashes, always the same. */
  readonly seed?: number
}

export interface Order {
  /** The colour at each position, as an index into the counts. */
  readonly colours: readonly number[]
  /** Neighbours of the same colour. */
  readonly clashes: readonly Pair[]
  /** No order of these pieces has fewer clashes. */
  readonly fewest: boolean
  /** None with as few clashes is spread more evenly. */
  readonly mostEven: boolean
}
