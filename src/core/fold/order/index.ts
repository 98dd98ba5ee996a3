export * from './conditions'
export * from './solve'
export * from './limits'
