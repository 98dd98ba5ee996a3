export * from './crease-pattern'
export { foldPattern } from './pattern'
