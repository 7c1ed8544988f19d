export * from './comparePair'
export * from './findings'
export * from './input'
export * from './verdict'
