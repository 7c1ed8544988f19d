export * from './field'
export * from './island'
