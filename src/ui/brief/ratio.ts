import { apportion, MOST_SHARED } from '@/core/colour'

type Ratio =
  { readonly ok: true; readonly weights: readonly number[] } | { readonly ok: false; readonly words: string }

const NUMBER = /^\d{1,6}([.,]\d{1,3})?$/

/** Shares as people write them: "60/30/10", "2:1", "60 % 40 %", parts or percent. Nothing written: even. */
export function readRatio(text: string, papers: number): Ratio {
  const parts = text
    .split(/[/:;\s%]+/)
    .filter((part) => part !== '')
    .map((part) => (NUMBER.test(part) ? Number(part.replace(',', '.')) : NaN))
  if (parts.length === 0) return { ok: true, weights: Array<number>(papers).fill(1) }
  if (parts.some(Number.isNaN)) return { ok: false, words: 'Write numbers, like 60/30/10.' }
  if (parts.length !== papers)
    return { ok: false, words: `Write ${papers} numbers, one for each paper; these are ${parts.length}.` }
  if (parts.every((part) => part === 0)) return { ok: false, words: 'One paper must have a share.' }
  return { ok: true, weights: parts }
}

export type Shared =
  { readonly ok: true; readonly counts: readonly number[] } | { readonly ok: false; readonly words: string }

/** Pieces shared over papers as it is written, in whole numbers; or why they cannot be. */
export function sharedAs(text: string, pieces: number, papers: number): Shared {
  const ratio = readRatio(text, papers)
  if (!ratio.ok) return ratio
  if (pieces > MOST_SHARED) return { ok: false, words: `At most ${MOST_SHARED} pieces can be shared out.` }
  const shares = ratio.weights.map((weight) => ({ weight, locked: null }))
  return { ok: true, counts: apportion(pieces, shares, 'largest remainder') }
}
