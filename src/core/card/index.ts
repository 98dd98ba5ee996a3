export * from './envelope'
export * from './fit-text'
export * from './sheets'
