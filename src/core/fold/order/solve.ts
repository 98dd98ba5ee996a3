import type { OrderConditions } from './conditions'
import { ParitySets } from './parity'

/** A pair whose order is known: `sign` 1 when the first face lies above the second. */
export interface KnownOrder {
  readonly above: number
  readonly below: number
}

export interface SolveLimits {
  /** Stops counting here; `counted` then says at least so many. */
  readonly most: number
  readonly shouldStop?: () => boolean
}

export type OrderResult =
  /** Face i above face j for each [i, j]; `orders` is how many there are, exact unless `atLeast`. */
  | {
      readonly status: 'ordered'
      readonly above: readonly (readonly [number, number])[]
      readonly orders: number
      readonly atLeast: boolean
    }
  | { readonly status: 'no order'; readonly faces: readonly number[] }
  | { readonly status: 'stopped' }

/** A condition on some unknowns, in signs: not both sides of a crease between the other's, or not a cycle. */
type Clause =
  | { readonly kind: 'nested'; readonly units: readonly Signed[] }
  | { readonly kind: 'triple'; readonly units: readonly Signed[] }

interface Signed {
  readonly unit: number
  readonly sign: number
}

/** Whether a clause holds so far; unknown signs are 0. */
function broken({ kind, units }: Clause, values: Int8Array): boolean {
  const signs = units.map(({ unit, sign }) => (values[unit] ?? 0) * sign)
  if (signs.includes(0)) return false
  if (kind === 'triple') return signs[0] === signs[1] && signs[1] === signs[2]
  // ac, ad, bc, bd: c and d each lie in or out of (a, b); exactly one in between is a crossing.
  const [ac = 0, ad = 0, bc = 0, bd = 0] = signs
  return (ac !== bc) !== (ad !== bd)
}

/** The sign the only unknown left must take, 0 where both or neither do. */
function forced(clause: Clause, values: Int8Array): Signed | null {
  let open: Signed | null = null
  for (const signed of clause.units) {
    if ((values[signed.unit] ?? 0) !== 0) continue
    if (open !== null && open.unit !== signed.unit) return null
    open = signed
  }
  if (open === null) return null
  const { unit } = open
  values[unit] = 1
  const up = broken(clause, values)
  values[unit] = -1
  const down = broken(clause, values)
  values[unit] = 0
  return up === down ? null : { unit, sign: up ? -1 : 1 }
}

interface Problem {
  readonly units: number
  readonly clauses: readonly Clause[]
  readonly ofUnit: readonly (readonly number[])[]
}

/** Sets a unit and all that follows. *Returns* the units set, or `null` at a contradiction (then all are unset). */
function assign(problem: Problem, values: Int8Array, start: Signed): readonly number[] | null {
  const set: number[] = []
  const queue: Signed[] = [start]
  const undo = () => {
    for (const unit of set) values[unit] = 0
    return null
  }
  for (let next = queue.pop(); next; next = queue.pop()) {
    const { unit, sign } = next
    const now = values[unit] ?? 0
    if (now === sign) continue
    if (now !== 0) return undo()
    values[unit] = sign
    set.push(unit)
    for (const index of problem.ofUnit[unit] ?? []) {
      const clause = problem.clauses[index]
      if (!clause) continue
      if (broken(clause, values)) return undo()
      const follows = forced(clause, values)
      if (follows) queue.push(follows)
    }
  }
  return set
}

/** Units tied to one another by clauses, apart from those already set: they can be solved one by one. */
function components(problem: Problem, values: Int8Array): readonly (readonly number[])[] {
  const seen = new Uint8Array(problem.units)
  const groups: number[][] = []
  for (let unit = 0; unit < problem.units; unit++) {
    if (seen[unit] || (values[unit] ?? 0) !== 0) continue
    const group: number[] = []
    const queue = [unit]
    seen[unit] = 1
    for (let at = queue.pop(); at !== undefined; at = queue.pop()) {
      group.push(at)
      for (const index of problem.ofUnit[at] ?? [])
        for (const { unit: other } of problem.clauses[index]?.units ?? [])
          if (!seen[other] && (values[other] ?? 0) === 0) {
            seen[other] = 1
            queue.push(other)
          }
    }
    groups.push(group)
  }
  return groups
}

class Stopped extends Error {}

/** Counts the orders of one component up to `most`, leaving the first in `first`. */
function countComponent(
  problem: Problem,
  values: Int8Array,
  group: readonly number[],
  limits: SolveLimits,
  first: Int8Array,
): number {
  let found = 0
  const search = (from: number): void => {
    if (limits.shouldStop?.()) throw new Stopped()
    let next = from
    while (next < group.length && (values[group[next] ?? 0] ?? 0) !== 0) next++
    const unit = group[next]
    if (unit === undefined) {
      if (found === 0) for (const member of group) first[member] = values[member] ?? 0
      found++
      return
    }
    for (const sign of [1, -1]) {
      if (found >= limits.most) return
      const set = assign(problem, values, { unit, sign })
      if (!set) continue
      search(next + 1)
      for (const member of set) values[member] = 0
    }
  }
  search(0)
  return found
}

/**
 * Solves the order of layers: equalities by union-find with parity, then propagation, components and backtracking.
 * Counts of components multiply. *Returns* one order and how many there are, or the faces of a contradiction.
 */
export function solveOrder(
  conditions: OrderConditions,
  known: readonly KnownOrder[],
  limits: SolveLimits,
): OrderResult {
  const { pairs } = conditions
  const sets = new ParitySets(pairs.count)
  for (const { one, other, sign } of conditions.equal)
    if (!sets.tieInPlace(one, other, sign))
      return { status: 'no order', faces: facesOf(conditions, [one, other]) }
  const roots = new Map<number, number>()
  const unitOf = (i: number, j: number): Signed | null => {
    const pair = pairs.of(i, j)
    if (!pair) return null
    const { root, sign } = sets.find(pair.pair)
    const unit = roots.get(root) ?? roots.size
    roots.set(root, unit)
    return { unit, sign: sign * pair.sign }
  }
  const clauses: Clause[] = []
  const add = (kind: Clause['kind'], places: readonly (readonly [number, number])[]) => {
    const units = places.flatMap(([i, j]) => unitOf(i, j) ?? [])
    if (units.length === places.length) clauses.push({ kind, units })
  }
  for (const [a, b, c, d] of conditions.nested)
    add('nested', [
      [a, c],
      [a, d],
      [b, c],
      [b, d],
    ])
  for (const [i, j, k] of conditions.triples)
    add('triple', [
      [i, j],
      [j, k],
      [k, i],
    ])
  for (const [i, j] of pairs.faces) unitOf(i, j)
  const ofUnit: number[][] = Array.from({ length: roots.size }, () => [])
  clauses.forEach((clause, index) =>
    new Set(clause.units.map(({ unit }) => unit)).forEach((unit) => ofUnit[unit]?.push(index)),
  )
  const problem: Problem = { units: roots.size, clauses, ofUnit }
  return search(conditions, problem, unitOf, known, limits)
}

function search(
  conditions: OrderConditions,
  problem: Problem,
  unitOf: (i: number, j: number) => Signed | null,
  known: readonly KnownOrder[],
  limits: SolveLimits,
): OrderResult {
  const values = new Int8Array(problem.units)
  const alone = problem.clauses.find(
    (clause) =>
      new Set(clause.units.map(({ unit }) => unit)).size === 1 &&
      [1, -1].every((sign) => brokenAt(clause, sign, values)),
  )
  if (alone) return { status: 'no order', faces: [] }
  for (const { above, below } of known) {
    const place = unitOf(above, below)
    if (place && !assign(problem, values, place)) return { status: 'no order', faces: [above, below] }
  }
  const first = Int8Array.from(values)
  let orders = 1
  let atLeast = false
  try {
    for (const group of components(problem, values)) {
      const count = countComponent(problem, values, group, limits, first)
      if (count === 0) return { status: 'no order', faces: facesOfUnits(conditions, unitOf, group) }
      atLeast ||= count >= limits.most
      orders *= count
    }
  } catch (error) {
    if (error instanceof Stopped) return { status: 'stopped' }
    throw error
  }
  const above = conditions.pairs.faces.map(([i, j]): readonly [number, number] => {
    const place = unitOf(i, j)
    return place && (first[place.unit] ?? 1) * place.sign < 0 ? [j, i] : [i, j]
  })
  return { status: 'ordered', above, orders, atLeast }
}

function brokenAt(clause: Clause, sign: number, values: Int8Array): boolean {
  const [unit] = clause.units.map((signed) => signed.unit)
  if (unit === undefined) return false
  values[unit] = sign
  const result = broken(clause, values)
  values[unit] = 0
  return result
}

const facesOf = ({ pairs }: OrderConditions, numbers: readonly number[]): readonly number[] => [
  ...new Set(numbers.flatMap((pair) => pairs.faces[pair] ?? [])),
]

function facesOfUnits(
  conditions: OrderConditions,
  unitOf: (i: number, j: number) => Signed | null,
  group: readonly number[],
): readonly number[] {
  const members = new Set(group)
  return [
    ...new Set(
      conditions.pairs.faces.flatMap(([i, j]) => (members.has(unitOf(i, j)?.unit ?? -1) ? [i, j] : [])),
    ),
  ]
}
