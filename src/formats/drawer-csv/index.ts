export * from './read'
export { writeDrawerCsv } from './write'
