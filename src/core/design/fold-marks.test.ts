import { distance, lineThrough, signedDistance, type Point } from '../geometry'
import {
  creasesLying,
  foundBy,
  linesSeen,
  runProgram,
  type Finding,
  type Frame,
  type SheetMark,
  type Trace,
} from '../fold'
import { defaultGauges, gaugeShares, LIBRARY, mainPart, programOf } from '.'

/** Designs that are to be told anew: their folds show measures, and may want several for one line. */
const TO_BE_TOLD_ANEW: ReadonlySet<string> = new Set([
  'pleated-gourd',
  'carved-face-gourd',
  'lobed-leaf',
  'twist-blossom',
  'ring-star',
  'spinner-mount',
  'quick-butterfly',
  'raised-head-butterfly',
  'offset-wing-butterfly',
  'lapped-wing-butterfly',
])

interface Folded {
  readonly name: string
  readonly trace: Trace
  readonly findings: readonly (Finding | null)[]
  readonly keyOf: (frame: Frame) => string
}
const EACH: readonly Folded[] = LIBRARY.flatMap((design) =>
  design.variants.flatMap((variant): Folded[] => {
    const program = programOf(mainPart(design), variant)
    if (!program) return []
    const gauges = gaugeShares(design, defaultGauges(design), 150)
    const trace = runProgram(program, gauges)
    return [
      {
        name: `${design.id}, ${variant.key}`,
        trace,
        findings: trace.frames.map((frame) => foundBy(frame, gauges)),
        keyOf: ({ step, round }) => `${program.steps[step]?.key ?? ''} ${round + 1}`,
      },
    ]
  }),
)
const isOld = ({ name }: Folded) => TO_BE_TOLD_ANEW.has(name.split(',')[0] ?? '')
const setByGauge = ({ done }: Frame) =>
  'line' in done.spec && JSON.stringify(done.spec.line).includes('"gauges"')

test('the designs to be told anew are of the library', () => {
  for (const id of TO_BE_TOLD_ANEW) expect(LIBRARY.map((design) => design.id)).toContain(id)
})

describe('every fold has a landmark or a measure', () => {
  test.each(EACH)('$name', ({ trace: { frames }, findings, keyOf }) => {
    const open = frames.filter((_, index) => (findings[index]?.open ?? 0) > 0)
    expect(open.map(keyOf)).toEqual([])
  })
  // Two lengths for one line are a table of numbers, no fold: only where a gauge is set at both ends.
  test.each(EACH.filter((one) => !isOld(one)))(
    '$name: one measure at most, where no gauge says more',
    ({ trace: { frames }, findings, keyOf }) => {
      const many = frames.filter((frame, index) => {
        const measures = findings[index]?.measures ?? []
        return measures.length > 1 && !setByGauge(frame)
      })
      expect(many.map(keyOf)).toEqual([])
    },
  )
})

const aimedAt = ({ moves, targets, linesMoved, linesAimedAt, along }: Finding) => [
  ...[...moves, ...targets].flatMap(({ lines }) => lines),
  ...linesMoved,
  ...linesAimedAt,
  ...along,
]

/** Whether two stretches of the sheet lie on one line and share a length. */
function overlaps(one: { from: Point; to: Point }, other: { from: Point; to: Point }): boolean {
  const line = lineThrough(one.from, one.to)
  if (Math.abs(signedDistance(line, other.from)) > 1e-6 || Math.abs(signedDistance(line, other.to)) > 1e-6)
    return false
  const along = (p: Point) => (p.x - one.from.x) * line.direction.x + (p.y - one.from.y) * line.direction.y
  const [a, b] = [along(other.from), along(other.to)].sort((p, q) => p - q)
  return Math.min(distance(one.from, one.to), b ?? 0) - Math.max(0, a ?? 0) > 1e-3
}

/** Whether a fold of several lines at once brings an edge onto a crease: "sides to the middle". */
function edgeBrought({ before, after }: Frame, step: number | undefined, round: number | undefined): boolean {
  const [old, now] = [linesSeen(before), linesSeen(after)]
  const aims = old.filter((line) => line.kind === 'crease' && line.step === step && line.round === round)
  const edges = (lines: typeof old) => lines.filter(({ kind }) => kind !== 'crease')
  return aims.some(
    (aim) =>
      edges(now).some((edge) => overlaps(aim, edge)) && !edges(old).some((edge) => overlaps(aim, edge)),
  )
}

/** Whether anything after a crease is folded on it or found by it. */
function hasEffect(
  { trace: { frames }, findings }: Folded,
  made: number,
  marks: readonly SheetMark[],
): boolean {
  const { step, round } = frames[made] ?? {}
  return frames.some((frame, index) => {
    if (index <= made) return false
    const finding = findings[index]
    if (finding && aimedAt(finding).some((line) => line.step === step && line.round === round)) return true
    if (frame.done.spec.kind === 'refold' && edgeBrought(frame, step, round)) return true
    const { state } = frame.after
    return creasesLying(state.faces, state.hinges).some(({ folded }, hinge) => {
      const crease = state.hinges[hinge]
      return folded && crease !== undefined && marks.some((mark) => overlaps(mark, crease))
    })
  })
}

describe('no crease is made for nothing', () => {
  test.each(EACH.filter((one) => !isOld(one)))('$name', (folded) => {
    const idle = folded.trace.frames.filter((frame, index) => {
      if (frame.done.spec.kind !== 'crease') return false
      const marks = frame.after.marks.slice(frame.before.marks.length)
      return !hasEffect(folded, index, marks)
    })
    expect(idle.map(folded.keyOf)).toEqual([])
  })
})
