export * from './types'
export * from './cells'
export * from './state'
export * from './validate'
