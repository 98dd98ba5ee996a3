export * from './feel'
export * from './weigh'
