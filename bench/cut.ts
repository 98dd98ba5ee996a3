import {
  AT_ONCE,
  checkCutPlan,
  asOnePlan,
  cutInShelves,
  isClosed,
  missingIn,
  papersOf,
  planExactly,
  planPaper,
  THOROUGH,
  type Cutting,
  type LinearSolver,
  type PaperPlan,
} from '../src/core/cut'
import { loadSolver } from '../src/solvers/highs'
import { CUT_PROJECT_SEEDS, cutProject } from './cut-projects'
import { percentile, report, timeRuns } from './figures'

/** Processor time since a moment, in ms: what else runs on the machine does not count. */
const since = (start: NodeJS.CpuUsage): number => {
  const { user, system } = process.cpuUsage(start)
  return (user + system) / 1000
}

interface Planned {
  readonly plan: PaperPlan
  readonly firstMs: number
  readonly provenMs: number | null
  readonly allMs: number
  /** The first plan of the least cost, before fewer layouts were looked for. */
  readonly layoutsBefore: number
  readonly first: Cutting
}

function planned(paperId: string, problem: PaperPlan['problem'], solver: LinearSolver): Planned {
  const start = process.cpuUsage()
  const first = cutInShelves(problem)
  const firstMs = since(start)
  const steps = planPaper(problem, paperId, solver, THOROUGH)
  let provenMs: number | null = null
  let cheapest: Cutting = first
  for (;;) {
    const step = steps.next()
    const { cutting } = step.value
    if (missingIn(cutting) < missingIn(cheapest) || cutting.cost < cheapest.cost) cheapest = cutting
    if (provenMs === null && isClosed(step.value)) provenMs = since(start)
    if (step.done === true)
      return {
        plan: step.value,
        firstMs,
        provenMs,
        allMs: since(start),
        layoutsBefore: cheapest.uses.length,
        first,
      }
  }
}

const solver = await loadSolver()
// The first call compiles.
solver({ rows: [{ least: 1, most: 2 }], columns: [{ cost: 1, most: 2, whole: true, in: [[0, 1]] }] }, 1)
let faults = 0
const all: Planned[] = []
const atOnceMs: number[] = []
for (const seed of CUT_PROJECT_SEEDS) {
  const { problems } = cutProject(seed)
  const start = process.cpuUsage()
  for (const problem of problems) planExactly(problem, solver, AT_ONCE)
  atOnceMs.push(since(start))
  for (const problem of problems) {
    const papers = papersOf(problem).map(([paperId, paper]) => planned(paperId, paper, solver))
    for (const one of papers) all.push(one)
    const plan = asOnePlan(
      problem,
      papers.map((one) => one.plan),
    )
    faults += checkCutPlan(problem, plan).length
  }
}
const whole = all.filter(({ plan }) => missingIn(plan.cutting) === 0)
const share = (holds: (one: Planned) => boolean) => (100 * whole.filter(holds).length) / whole.length
const within = (ms: number) => share(({ provenMs }) => provenMs !== null && provenMs <= ms)
const total = (of: (one: Planned) => number) => whole.reduce((sum, one) => sum + of(one), 0)
const open = whole.filter(({ plan }) => !isClosed(plan))
const [before, after] = [total((one) => one.layoutsBefore), total(({ plan }) => plan.cutting.uses.length)]

console.log(
  `\nCut plans: ${CUT_PROJECT_SEEDS.length} projects, ${all.length} papers, ${all.length - whole.length} of them short`,
)
report('faults found by the checker', faults, '', null)
report(
  'first valid plan, worst',
  percentile(
    all.map(({ firstMs }) => firstMs),
    1,
  ),
  'ms',
  100,
)
report('proven within 2 s of processor time', within(2000), '%', null)
report('proven within 10 s (targets 97 and 99)', within(10_000), '%', null)
report('open, and by how many steps of cost at most', open.length, '', null)
report(
  'as cheap as strips filled by rule',
  share(({ first, plan }) => missingIn(first) === 0 && first.cost === plan.cutting.cost),
  '%',
  null,
)
report(
  'dearer than strips filled by rule',
  total(({ first, plan }) => (missingIn(first) === 0 && plan.cutting.cost > first.cost ? 1 : 0)),
  '',
  null,
)
report('layouts of the cheapest plans', before, '', null)
report('layouts at the end', after, '', null)
report('fewer layouts (target 25 % at least)', 100 * (1 - after / before), '%', null)
report(
  'one paper to the end, median',
  percentile(
    all.map(({ allMs }) => allMs),
    0.5,
  ),
  'ms',
  null,
)
report(
  'one paper to the end, 99th percentile',
  percentile(
    all.map(({ allMs }) => allMs),
    0.99,
  ),
  'ms',
  null,
)
report('a project at once, within a deed, median', percentile(atOnceMs, 0.5), 'ms', null)
report('a project at once, within a deed, worst', percentile(atOnceMs, 1), 'ms', null)
const [, problem] = papersOf(cutProject(2).problems[1]!)[0]!
report(
  'first plan of one paper, median of 51',
  percentile(
    timeRuns(51, () => cutInShelves(problem)),
    0.5,
  ),
  'ms',
  null,
)
