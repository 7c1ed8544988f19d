export * from './field'
export * from './island'
export * from './power'
