export * from './stations'
export * from './joinable'
