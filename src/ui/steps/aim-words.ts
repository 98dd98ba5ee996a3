import type { FoldSymbol, LineName, PlaceName } from '@/core/fold'

const steps = (numbers: readonly number[]): string => {
  const told = numbers.map((one) => String(one + 1))
  const last = told.at(-1) ?? ''
  return told.length === 1 ? `step ${last}` : `steps ${told.slice(0, -1).join(', ')} and ${last}`
}

function lineWords({ kind, steps: made }: LineName): string {
  if (kind === 'raw') return 'the edge'
  if (kind === 'folded') return 'the folded edge'
  return made.length === 0 ? 'the crease' : `the crease${made.length > 1 ? 's' : ''} of ${steps(made)}`
}

/** A place by what the hand sees there. */
export function placeWords(name: PlaceName): string {
  if (name.kind !== 'meeting') return `the ${name.kind}`
  const [one, other] = name.lines
  if (!one || !other) return 'the marked point'
  if (one.kind === 'crease' && other.kind === 'crease') {
    const made = [...new Set([...one.steps, ...other.steps])].sort((a, b) => a - b)
    return made.length === 0
      ? 'the point where the creases cross'
      : `the point where the creases of ${steps(made)} cross`
  }
  if (one.kind === other.kind) return `the point where two ${one.kind === 'raw' ? '' : 'folded '}edges meet`
  return `the point where ${lineWords(other)} ${other.steps.length > 1 ? 'meet' : 'meets'} ${lineWords(one)}`
}

/** A second thing after one of the same words: the picture tells them apart. */
function other(first: string, second: string): string {
  if (first !== second) return second
  return second.endsWith('edge') && !second.startsWith('the point')
    ? second.replace(/^the /, 'the other ')
    : 'the one with the dot'
}

const ofKind = <Kind extends FoldSymbol['kind']>(symbols: readonly FoldSymbol[], kind: Kind) =>
  symbols.filter((one): one is Extract<FoldSymbol, { kind: Kind }> => one.kind === kind)

/** How the fold line of a picture is found, in a sentence; `null` where it is found by none of what is drawn. */
export function aimWords(symbols: readonly FoldSymbol[]): string | null {
  const places = ofKind(symbols, 'landmark')
  const lines = ofKind(symbols, 'landmark line')
  const place = (role: 'moves' | 'target') =>
    places.flatMap((one) => (one.role === role ? placeWords(one.name) : []))
  const line = (role: 'moves' | 'target' | 'along') =>
    lines.flatMap((one) => (one.role === role ? lineWords(one.name) : []))[0]
  const [moves, [first, second]] = [place('moves')[0], place('target')]
  const [moved, aimedAt, along] = [line('moves'), line('target'), line('along')]
  const measured = ofKind(symbols, 'measure').length

  if (along) return `The fold runs on ${along}.`
  if (moved && aimedAt && !moves) return `Bring ${moved} onto ${other(moved, aimedAt)}.`
  const squarely = symbols.some((one) => one.kind === 'landmark' && one.role === 'moves' && one.squarely)
  const itself = moved
    ? `${moved} comes to lie on itself`
    : squarely
      ? 'both sides of the corner go over alike'
      : null
  if (measured > 1) return 'Measure both ends of the fold, as drawn.'
  if (measured === 1) return sentence('to the measure drawn', first && `folding through ${first}`, itself)
  if (moves && aimedAt)
    return sentence(`bring ${moves} onto ${aimedAt}`, first && `folding through ${first}`, itself)
  if (moves && first && !squarely) return sentence(`bring ${moves} onto ${other(moves, first)}`)
  if (first && second)
    return first === second ? 'Fold through both marked points.' : sentence(`fold from ${first} to ${second}`)
  return first ? sentence(`fold through ${first}`, null, itself) : null
}

/** What is done, where it runs and what comes of it, those that there are. */
function sentence(done: string, through?: string | null, itself?: string | null): string {
  const said = `${done}${through ? `, ${through}` : ''}${itself ? `; ${itself}` : ''}`
  return `${said.charAt(0).toUpperCase()}${said.slice(1)}.`
}
