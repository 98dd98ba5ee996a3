import { kindOf } from '@/core/design'
import { tapsOf, type Cell } from '@/core/run'
import type { RunView } from '@/flows/read/run'
import { nounMany } from '../format'

export interface NowWords {
  readonly count: string
  readonly of: string
  readonly say: string
  readonly note: string | null
  /** On the first piece, at the first time of a step: what looks wrong and is right. */
  readonly normal: string | null
  /** On the first piece, at the last time of a step: what to look for while it is cheap to mend. */
  readonly look: readonly string[]
}

const NOTHING_BESIDE = { note: null, normal: null, look: [] } as const

/** What one tap asks for: the fold with its count, the stage by name, or the whole piece. */
export function nowWords(
  run: RunView,
  cell: Cell,
  told: (mm: number) => string,
  /** How deep the flap is, where the fold meets no mark. */
  depthMm: number | null = null,
  /** What room is left for later layers, in words. */
  room: string | null = null,
): NowWords {
  const step = run.steps[cell.step]
  if (!step) return { count: '', of: '', say: '', ...NOTHING_BESIDE }
  const beside = { ...NOTHING_BESIDE, note: kindWords(run, cell.piece, told) }
  if (run.plan.grain === 'piece')
    return { count: '1', of: run.partName, say: 'Fold it from start to end', ...beside }
  if (run.plan.grain === 'stage')
    return { count: '', of: step.stageName, say: stageWords(run, cell.step), ...beside }
  const proof = cell.piece === 1
  const gauges = gaugesOf(run, cell.piece)
    .filter(({ key }) => step.gauges.includes(key))
    .map(({ name, mm }) => `${name} ${told(mm)}`)
  const judged =
    gauges.length > 0
      ? `${run.kinds.length > 1 ? 'This piece, to' : 'To'} the gauge: ${gauges.join(', ')}.`
      : step.rigour === 'free'
        ? 'By eye, to the gauge.'
        : null
  return {
    count: String(cell.repeat),
    of: step.repeats === 1 ? step.each : `of ${step.repeats} ${nounMany(step.each)}`,
    say: step.say,
    note: noted(
      [depthMm === null ? null : depthWords(told(depthMm)), room],
      gauges.length > 0,
      judged,
      step.note,
    ),
    normal: proof && cell.repeat === 1 ? step.normal : null,
    look: proof && cell.repeat === step.repeats ? step.look : [],
  }
}

/** The gauges a piece is folded to; pieces are counted from 1. */
const gaugesOf = ({ kinds }: Pick<RunView, 'kinds'>, piece: number): RunView['kinds'][number] =>
  kinds[kindOf(piece - 1, kinds.length)] ?? []

/** Where pieces differ and their folds are not told one by one: what this one is folded to. */
function kindWords(run: RunView, piece: number, told: (mm: number) => string): string | null {
  if (run.kinds.length < 2) return null
  const gauges = gaugesOf(run, piece).map(({ name, mm }) => `${name} ${told(mm)}`)
  return `This piece: ${gauges.join(', ')}.`
}

/** How far a flap goes that meets no mark. */
export const depthWords = (depth: string): string => `The flap is ${depth} deep.`

/** What is said beside the fold: measures before words. */
function noted(
  lengths: readonly (string | null)[],
  gauged: boolean,
  judged: string | null,
  note: string | null,
): string | null {
  const measures = [...lengths.filter((one) => one !== null), ...(gauged && judged !== null ? [judged] : [])]
  const words = [...measures, ...(note === null ? [] : [note])]
  return words.length === 0 ? judged : words.join(' ')
}

/**
 * What to look each piece of a tray over for: how a finished piece shows that it is right; without that, what its last
 * gate asks. What could only be seen half way is past.
 */
export const lookWords = ({ steps, test }: Pick<RunView, 'steps' | 'test'>): readonly string[] =>
  test === null ? (steps.findLast(({ look }) => look.length > 0)?.look ?? []) : [test.replace(/\.$/, '')]

/** The steps of the stage that ends at `last`, as one line each is short. */
function stageWords(run: RunView, last: number): string {
  const stage = run.plan.steps[last]?.stage
  const steps = run.steps.filter((_, index) => run.plan.steps[index]?.stage === stage)
  return steps
    .map((step) => (step.repeats === 1 ? step.say : `${step.say}, ${step.repeats} times`))
    .join('. ')
}

/** What comes after this tap within the piece, in a line. */
export function nextLine(run: RunView, cell: Cell): string {
  const taps = tapsOf(run.plan.steps, run.plan.grain)
  const here = taps.findIndex((tap) => tap.step === cell.step && tap.repeat === cell.repeat)
  const next = taps[here + 1]
  const step = next && run.steps[next.step]
  if (!next || !step)
    return run.plan.order === 'piece by piece' ? 'into the tray, take the next' : 'the next piece of the tray'
  if (run.plan.grain === 'stage') return step.stageName
  return next.step === cell.step ? `${step.each} ${next.repeat}` : step.say
}
