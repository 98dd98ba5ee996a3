export * from './laps'
export * from './pace'
