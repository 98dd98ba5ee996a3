import {
  BY_RULE,
  checkCutPlan,
  planExactly,
  planTogether,
  type CutPlan,
  type CutProblem,
  type Effort,
  type LinearSolver,
  type TogetherProblem,
} from '@/core/cut'
import { packChoices, packsAddUp, type PackChoice, type PacksFor } from '@/core/plan'
import { theSolver } from '@/solvers/on-the-server'

/** What each kind of job is given and makes: plain values, which go from thread to thread. */
export interface Jobs {
  /** One plan for the pieces of several projects. */
  'plan cuts': {
    readonly given: { readonly problem: TogetherProblem; readonly effort: Effort }
    readonly made: { readonly problem: CutProblem; readonly plan: CutPlan }
  }
  /** Packs that give what is missing of a paper, at least cost. */
  'choose packs': {
    readonly given: PacksFor
    readonly made: readonly PackChoice[]
  }
}

export type JobName = keyof Jobs

interface Job<Name extends JobName> {
  readonly work: (given: Jobs[Name]['given'], solver: LinearSolver) => Jobs[Name]['made']
  /** What is wrong with a result, whoever made it; `null` where nothing is. */
  readonly fault: (given: Jobs[Name]['given'], made: Jobs[Name]['made']) => string | null
}

const planFault = (problem: CutProblem, plan: CutPlan): string | null => {
  const faults = checkCutPlan(problem, plan)
  return faults.length === 0 ? null : JSON.stringify(faults)
}

const JOBS: { readonly [Name in JobName]: Job<Name> } = {
  'plan cuts': {
    work: ({ problem, effort }, solver) => planTogether(problem, solver, effort),
    fault: (_, { problem, plan }) => planFault(problem, plan),
  },
  'choose packs': {
    work: (wanted, solver) => packChoices(wanted, (problem) => planExactly(problem, solver, BY_RULE)),
    fault: ({ offered }, choices) =>
      choices.every((choice) => packsAddUp(choice, offered)) ? null : JSON.stringify(choices),
  },
}

/** Does one job in this thread. */
export const doJob = async <Name extends JobName>(
  name: Name,
  given: Jobs[Name]['given'],
): Promise<Jobs[Name]['made']> => JOBS[name].work(given, await theSolver())

/** *Throws* where a result does not hold: then nothing of it is kept. */
export function requireSound<Name extends JobName>(
  name: Name,
  given: Jobs[Name]['given'],
  made: Jobs[Name]['made'],
): void {
  const fault = JOBS[name].fault(given, made)
  if (fault !== null) throw new Error(`what came of "${name}" does not hold: ${fault}`)
}
