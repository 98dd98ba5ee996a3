export * from './formats'
export * from './grid-yield'
export * from './squaring'
