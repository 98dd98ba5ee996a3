export * from './paper'
export * from './feel'
export * from './handling'
export * from './weigh'
