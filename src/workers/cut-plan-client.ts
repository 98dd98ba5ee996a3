import type { CutProblem } from '@/core/cut'
import type { CutPlanAnswer, CutPlanProgress, CutPlanWorker } from './cut-plan.worker'
import { runInWorker, type Running } from './running'

/** Plans cuts in a worker of its own, for as long as it takes: mostly a second, seldom more than ten. */
export const startCutPlan = (
  problem: CutProblem,
  onProgress: (progress: CutPlanProgress) => void,
): Running<CutPlanAnswer> =>
  runInWorker<CutPlanWorker, CutPlanProgress, CutPlanAnswer>(
    new Worker(new URL('./cut-plan.worker.ts', import.meta.url), { type: 'module' }),
    (remote, tell) => remote.planThoroughly(problem, tell),
    onProgress,
  )
