import { carries } from './brand'

export type DatabaseProblem =
  | 'FOLDER_NOT_WRITABLE'
  | 'NOT_A_DATABASE'
  | 'OTHER_APPLICATION'
  | 'OTHER_SCHEMA'
  | 'NEWER_VERSION'
  | 'DAMAGED'
  | 'BAD_ROWS'
  | 'MISSING'

const MARK = Symbol.for('kelpfield.database-problem')

/** A database that must not be opened, and why. Nothing was changed. */
export class DatabaseProblemError extends Error {
  override readonly name = 'DatabaseProblemError'
  readonly [MARK] = true
  readonly problem: DatabaseProblem
  readonly path: string
  /** Kept through Next to the error page, which gets nothing else of an error in production. */
  readonly digest: string

  constructor(problem: DatabaseProblem, path: string, message: string) {
    super(message)
    this.problem = problem
    this.path = path
    this.digest = `problem-${problem}`
  }

  static override [Symbol.hasInstance](value: unknown): boolean {
    return carries(MARK, value)
  }
}
