export * from './statusText'
export * from './steps'
export * from './swaps'
