export * from './series'
export * from './statusText'
export * from './steps'
export * from './swaps'
