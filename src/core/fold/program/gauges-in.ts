/** Keys of the gauges that a fold is told by: an amount with multiples of gauges, anywhere in its moves. */
export function gaugesIn(moves: unknown): readonly string[] {
  if (Array.isArray(moves)) return [...new Set(moves.flatMap(gaugesIn))]
  if (typeof moves !== 'object' || moves === null) return []
  const found = Object.entries(moves).flatMap(([key, value]: [string, unknown]) =>
    key === 'gauges' && typeof value === 'object' && value !== null ? Object.keys(value) : gaugesIn(value),
  )
  return [...new Set(found)]
}
