import type { BriefTyped } from '../src/schema/brief'

type LineTyped = BriefTyped['lines'][number]

/** A line of narrow leaves as a form sends it, with what is said of it. */
export const typedLine = (change: Partial<LineTyped> = {}): LineTyped => ({
  id: 'new-1',
  designId: 'narrow-leaf',
  variantKey: 'halved',
  sizing: 'finished',
  axis: 'tip-to-tip',
  size: '8.5',
  gauges: {},
  pieces: '',
  attachedTo: '',
  made: 'batch',
  measures: {},
  colours: 'whole',
  shares: '',
  sharing: 'largest remainder',
  message: '',
  character: 'alike',
  perPiece: '',
  goesWith: '',
  sizeOf: '',
  sizePercent: '',
  papers: [],
  ...change,
})

/** A brief as its form sends it. */
export const typedBrief = (lines: readonly LineTyped[], change: Partial<BriefTyped> = {}): BriefTyped => ({
  name: 'Lantern night',
  dueOn: '',
  certainty: '0.95',
  note: '',
  yearly: false,
  shoppingDays: '7',
  like: '',
  ...change,
  lines: [...lines],
})
