import { closingOf } from '@/core/arrange'
import { mainPart, unitsOf, variantOf, type DesignDocument } from '@/core/design'

const MOST_COLOURS = 6

const either = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} or ${words.at(-1)}`

/** Whether a piece has units of one kind that could take papers by turns. */
export function hasTurns(design: DesignDocument, variantKey: string): boolean {
  const variant = design.variants.find(({ key }) => key === variantKey)
  return variant !== undefined && design.parts.length === 1 && unitsOf(mainPart(design), variant) > 1
}

/** Why so many papers cannot take their turns around each piece, and what would do; `null` where they can. */
export function turnFault(design: DesignDocument, variantKey: string, colours: number): string | null {
  const unitsIn = (key: string) => unitsOf(mainPart(design), variantOf(design, key))
  const units = unitsIn(variantKey)
  if (closingOf(colours, units).closes) return null
  const others = design.variants.map(({ key }) => unitsIn(key)).filter((many) => many % colours === 0)
  const counts = Array.from({ length: MOST_COLOURS - 1 }, (_, at) => at + 2).filter(
    (many) => units % many === 0,
  )
  const wouldDo = [
    ...(others.length > 0 ? [`${either(others.map(String))} units`] : []),
    ...(counts.length > 0 ? [`${either(counts.map(String))} papers`] : []),
  ]
  return `${units} units cannot take ${colours} papers in turn: two alike would meet.${wouldDo.length === 0 ? '' : ` ${wouldDo.join(', or ')} would do.`}`
}
