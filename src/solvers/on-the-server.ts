import type { LinearSolver } from '@/core/cut'
import { loadSolver } from './highs'

let loading: Promise<LinearSolver> | null = null

/** The server's solver, loaded at its first use. */
export const theSolver = (): Promise<LinearSolver> => (loading ??= loadSolver())
