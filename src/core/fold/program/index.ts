export * from './types'
export * from './run'
export { amountOf, lineOf, pointOf, type Table } from './resolve'
export { boxOf } from './placing'
