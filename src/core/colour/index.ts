export * from './apportion'
export * from './difference'
export * from './tell-apart'
