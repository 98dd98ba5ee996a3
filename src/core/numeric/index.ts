export * from './tolerance'
export * from './log-counts'
export * from './extremes'
