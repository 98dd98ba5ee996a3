export * from './crease-pattern'
export { foldPattern } from './pattern'
export { settleCorners } from './settle'
export { largestUncreased, type Uncreased } from './uncreased'
