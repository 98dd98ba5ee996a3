export * from './formats'
export * from './grid-yield'
export * from './own-strip'
export * from './squaring'
