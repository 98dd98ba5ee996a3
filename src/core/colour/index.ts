export * from './apportion'
export * from './difference'
export * from './sides'
export * from './tell-apart'
