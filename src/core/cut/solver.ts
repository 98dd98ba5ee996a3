/** A linear program, of whole numbers where a column says so: the least cost within bounds. */
export interface LinearProgram {
  readonly columns: readonly {
    readonly cost: number
    readonly most: number
    readonly whole: boolean
    /** Where it stands in the rows: index and factor. */
    readonly in: readonly (readonly [row: number, factor: number])[]
  }[]
  readonly rows: readonly { readonly least: number; readonly most: number }[]
}

/** What became of it. `duals` of a program of whole numbers mean nothing. */
export type Solved =
  | {
      readonly status: 'optimal' | 'found'
      readonly cost: number
      readonly columns: readonly number[]
      readonly duals: readonly number[]
    }
  | { readonly status: 'impossible' | 'stopped' }

/** Solves linear programs: at once, and giving up after so many seconds. `found` is the best it had by then. */
export type LinearSolver = (program: LinearProgram, mostSeconds: number) => Solved
