/**
 * Whether an error is of a kind, told by a mark on it. The server's parts are bundled apart and each has classes of its
 * own, while the open database is one for all: `instanceof` alone would not know an error that another part threw.
 */
export const carries = (mark: symbol, value: unknown): boolean =>
  typeof value === 'object' && value !== null && mark in value
