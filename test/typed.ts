import { BLANK_BRIEF, BLANK_LINE, type BriefTyped } from '../src/schema/brief-typed'

type LineTyped = BriefTyped['lines'][number]

/** A line of narrow leaves as a form sends it, with what is said of it. */
export const typedLine = (change: Partial<LineTyped> = {}): LineTyped => ({
  ...BLANK_LINE,
  id: 'new-1',
  designId: 'narrow-leaf',
  variantKey: 'halved',
  sizing: 'finished',
  axis: 'tip-to-tip',
  size: '8.5',
  papers: [],
  ...change,
})

/** A brief as its form sends it. */
export const typedBrief = (lines: readonly LineTyped[], change: Partial<BriefTyped> = {}): BriefTyped => ({
  ...BLANK_BRIEF,
  name: 'Lantern night',
  certainty: '0.95',
  ...change,
  lines: [...lines],
})
