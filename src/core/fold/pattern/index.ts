export * from './crease-pattern'
export { foldPattern } from './pattern'
export { settleCorners, type Settled } from './settle'
