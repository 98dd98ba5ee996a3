import { BLANK_BRIEF, BLANK_LINE, type BriefTyped } from '../src/schema/brief-typed'
import { BLANK_PAPER } from '../src/schema/paper'
import type { PaperTyped } from '../src/ui/paper/PaperFields'

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

/** Rosettes of one paper, as a form sends them: of squares two of which come out of an A4. */
export const typedRosette = (paperId: string, pieces: string, change: Partial<LineTyped> = {}): LineTyped =>
  typedLine({
    designId: 'corner-folded-rosette',
    variantKey: 'plain',
    axis: 'edge-to-edge',
    size: '5',
    gauges: { overhang: '0.3' },
    pieces,
    papers: [{ paperId, pieces }],
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

/** A paper as its form sends it: copier paper, one side orange. */
export const typedPaper = (name: string, change: Partial<PaperTyped> = {}): PaperTyped => ({
  ...BLANK_PAPER,
  name,
  grammageGsm: '80',
  frontColour: '#c4491d',
  backColour: '#ffffff',
  ...change,
})

/** A4 sheets of a paper as their form sends them. */
export const typedSheets = (paperId: string, amount: string, price = '') => ({
  paperId,
  width: '21',
  height: '29.7',
  offcut: false,
  amount,
  price,
  soldAs: '',
})
