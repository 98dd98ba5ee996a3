export * from './crease-pattern'
export { foldPattern } from './pattern'
export { settleCorners } from './settle'
export { largestUncreased } from './uncreased'
