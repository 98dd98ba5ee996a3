import { apportion, MOST_SHARED, type Share, type SharingMethod } from '@/core/colour'

type Ratio =
  { readonly ok: true; readonly shares: readonly Share[] } | { readonly ok: false; readonly words: string }

const NUMBER = /^\d{1,6}([.,]\d{1,3})?$/
const HELD = /^=\d{1,6}$/

/** One share: a part, or after `=` as many as there are to be whatever the others have. */
function readShare(text: string): Share | null {
  if (HELD.test(text)) return { weight: 0, locked: Number(text.slice(1)) }
  return NUMBER.test(text) ? { weight: Number(text.replace(',', '.')), locked: null } : null
}

/**
 * Shares as people write them: "60/30/10", "2:1", "60 % 40 %", parts or percent; "2/1/=5" holds five of the last. Nothing
 * written: even.
 */
export function readRatio(text: string, papers: number): Ratio {
  const parts = text.split(/[/:;\s%]+/).filter((part) => part !== '')
  if (parts.length === 0)
    return { ok: true, shares: Array.from({ length: papers }, () => ({ weight: 1, locked: null })) }
  const shares = parts.flatMap((part) => readShare(part) ?? [])
  if (shares.length < parts.length)
    return { ok: false, words: 'Write numbers, like 60/30/10; =5 for just five.' }
  if (parts.length !== papers)
    return { ok: false, words: `Write ${papers} numbers, one for each paper; these are ${parts.length}.` }
  if (shares.every(({ weight, locked }) => locked === null && weight === 0))
    return { ok: false, words: 'One paper must have a share.' }
  return { ok: true, shares }
}

export type Shared =
  { readonly ok: true; readonly counts: readonly number[] } | { readonly ok: false; readonly words: string }

/** Pieces shared over papers as it is written, in whole numbers; or why they cannot be. */
export function sharedAs(text: string, pieces: number, papers: number, method: SharingMethod): Shared {
  const ratio = readRatio(text, papers)
  if (!ratio.ok) return ratio
  if (pieces > MOST_SHARED) return { ok: false, words: `At most ${MOST_SHARED} pieces can be shared out.` }
  const held = ratio.shares.reduce((sum, { locked }) => sum + (locked ?? 0), 0)
  const free = ratio.shares.some(({ weight }) => weight > 0)
  if (held > pieces || (held < pieces && !free))
    return { ok: false, words: `${held} are held, of ${pieces} there are.` }
  return { ok: true, counts: apportion(pieces, ratio.shares, method) }
}
