import { MOST_PIECES } from '@/core/batch'
import type { MadeKind, MadeValues } from '@/core/arrange'
import type { Query } from './designs-query'

/** What a project can begin with. */
export const BEGINNINGS = ['piece', 'occasion', 'stack', 'evening', 'before'] as const
export type BeginningKind = (typeof BEGINNINGS)[number]

/** So many of a design, in a size. */
export interface StartAsked {
  readonly designId: string
  readonly sizeMm: number
  readonly made: MadeKind
  readonly values: MadeValues
}

export interface NewProjectQuery {
  /** The kind of beginning that is being looked at; `null` where none is. */
  readonly from: BeginningKind | null
  readonly like: string | null
  readonly paperIds: readonly string[]
  readonly occasion: string | null
  readonly start: StartAsked | null
}

const one = (query: Query, key: string): string => {
  const value = query[key]
  return (typeof value === 'string' ? value : '').slice(0, 2000)
}

const MOST_SIZE_MM = 5000

/** Reads the address of a project to begin. What cannot be read is not asked. */
export function readNewProjectQuery(query: Query): NewProjectQuery {
  const [pieces, sizeMm] = [Number(one(query, 'pieces')), Number(one(query, 'size'))]
  const designId = one(query, 'design')
  const readable =
    designId !== '' &&
    Number.isInteger(pieces) &&
    pieces >= 1 &&
    pieces <= MOST_PIECES &&
    sizeMm > 0 &&
    sizeMm <= MOST_SIZE_MM
  const papers = one(query, 'papers')
  return {
    from: BEGINNINGS.find((kind) => kind === one(query, 'from')) ?? null,
    // A project that is asked for and has no name is one that is not there.
    like: query['like'] === undefined ? null : one(query, 'like'),
    paperIds: papers === '' ? [] : papers.split(','),
    occasion: one(query, 'occasion') || null,
    start: readable ? { designId, sizeMm, made: 'batch', values: { pieces } } : null,
  }
}
