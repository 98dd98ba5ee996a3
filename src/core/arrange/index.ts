export * from './feasible'
export * from './order'
export * from './types'
