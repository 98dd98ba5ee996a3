export * from './conditions'
export * from './solve'
