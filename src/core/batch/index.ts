export * from './posterior'
export * from './spares'
export * from './squares'
