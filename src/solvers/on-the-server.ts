import type { LinearSolver } from '@/core/cut'
import { loadSolver } from './highs'

let loading: Promise<LinearSolver> | null = null

/** The server's solver, loaded at its first use; a load that failed is tried again. */
export const theSolver = (): Promise<LinearSolver> =>
  (loading ??= loadSolver().catch((error: unknown) => {
    loading = null
    throw error
  }))
