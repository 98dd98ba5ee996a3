export * from './tolerance'
export * from './log-counts'
